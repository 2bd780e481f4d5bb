import type { RequestHandler } from 'express'
import { largestBody } from './routes.server'

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
