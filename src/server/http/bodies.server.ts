import type { RequestHandler } from 'express'
import { matchPath } from 'react-router'

const KB = 1024

/** The largest body of each kind, in bytes. */
export const LARGEST_BODY = {
  /** A form of a few fields, a command. */
  small: 64 * KB,
  /** What may name 5,000 people, or the groups of 500 in 40 rounds. */
  list: 1024 * KB,
  /** A class list of 5 MB, as a file or as its text with what else the form holds. */
  file: 6 * 1024 * KB,
}

/** Every route that takes something in, and how large that may be. What is not named here takes in nothing. */
export const BODIES: Readonly<Record<string, keyof typeof LARGEST_BODY>> = {
  '/sign-in': 'small',
  '/sign-out': 'small',
  '/first-run': 'small',
  '/join': 'small',
  '/join/:code': 'small',
  '/s/:sessionId/commands': 'small',
  '/choose/:code': 'small',
  '/accounts': 'small',
  '/removals': 'small',
  '/cohorts': 'small',
  '/cohorts/:cohortId': 'small',
  '/cohorts/:cohortId/import': 'file',
  '/cohorts/:cohortId/people': 'list',
  '/cohorts/:cohortId/columns': 'small',
  '/cohorts/:cohortId/presence': 'list',
  '/cohorts/:cohortId/rules': 'list',
  '/cohorts/:cohortId/choices/new': 'list',
  '/cohorts/:cohortId/groupings/new': 'list',
  '/choices/:choiceId': 'small',
  '/groupings/:groupingId': 'list',
  '/boards/new': 'list',
  '/boards/:boardId': 'list',
  '/sessions/new': 'list',
  '/sessions/:sessionId': 'list',
  '/sessions/:sessionId/commands': 'small',
  '/sessions/:sessionId/review': 'small',
}

/** The largest body an address takes in, in bytes. */
export function largestBody(path: string): number {
  // The browser's own requests for a page's data and actions end so.
  const plain = path.replace(/\.data$/, '').replace(/(.)\/$/, '$1')
  const found = Object.keys(BODIES).find(pattern => matchPath(pattern, plain))
  return found ? LARGEST_BODY[BODIES[found] as keyof typeof LARGEST_BODY] : 0
}

/**
 * Refuses bodies that are too large before any of them is read. A length must be declared, as browsers do: the HTTP parser
 * then reads no more than that, so nothing has to be counted while it streams in.
 */
export const boundedBodies: RequestHandler = (request, response, next) => {
  const { 'content-length': declared, 'transfer-encoding': coding } = request.headers
  const refuse = (status: number, why: string) =>
    // The rest of it is not waited for.
    response.status(status).set('Connection', 'close').type('text/plain').send(why)
  if (coding !== undefined) refuse(411, 'Say how long it is.')
  else if (declared !== undefined && Number(declared) > largestBody(request.path))
    refuse(413, 'This is more than is taken in here.')
  else next()
}
