import { parseWithZod } from '@conform-to/zod/v4'
import { data } from 'react-router'
import type { z } from 'zod'
import { INTENT_FIELD, isFieldName, isIntent, STATE_FIELD } from '~/contracts/forms/field-names'
import { cleanText, parseClean } from '~/core/formats/clean-text'
import { asCsvFile } from '~/core/formats/csv'
import type { LiveProblem } from '~/core/live/topics'
import {
  doorHeaders,
  readDoorToken,
  writeAccountToken,
  writeBrowserToken,
} from '~/server/auth/cookies.server'
import { RoundTableError, statusOf } from '~/server/errors.server'
import { outcomeAnswered, readJson, TOO_MUCH_AT_ONCE } from '~/server/http/json.server'
import type { Result } from '~/server/result'
import { isReachedSecurely, type Settings } from '~/server/settings.server'
import { newToken } from '~/server/tokens.server'

/** Reads a form with its schema; what is wrong goes back beside its field, with what was typed. */
export async function readForm<Schema extends z.ZodType>(request: Request, schema: Schema) {
  return parseWithZod(await formOf(request), { schema })
}

/** Room for 5,000 people who are named one by one. */
const MOST_FIELDS = 6_000

/** A form's fields; a body that is no form, or one that none of our pages sends, is the sender's fault, not ours. */
export async function formOf(request: Request): Promise<FormData> {
  const form = new FormData()
  for (const [name, value] of await fieldsOf(request)) {
    if (!mayStand(name, value)) throw noForm()
    form.append(name, typeof value === 'string' ? cleanText(value) : value)
  }
  return form
}

const noForm = () => data('This could not be read as a form.', { status: 400 })

function mayStand(name: string, value: FormDataEntryValue): boolean {
  if (name === INTENT_FIELD) return typeof value === 'string' && isIntent(value)
  return name === STATE_FIELD || isFieldName(name)
}

/** How many there are is looked at before they are taken apart. */
async function fieldsOf(request: Request): Promise<Iterable<[string, FormDataEntryValue]>> {
  const type = request.headers.get('Content-Type') ?? ''
  try {
    if (type.startsWith('application/x-www-form-urlencoded')) {
      const text = await request.text()
      if (countUpTo(MOST_FIELDS, from => text.indexOf('&', from)) < MOST_FIELDS)
        return new URLSearchParams(text)
    }
    const [, boundary] = /^multipart\/form-data;.*boundary="?([\w'()+,./:=? -]{1,70})"?/.exec(type) ?? []
    if (boundary) {
      const bytes = Buffer.from(await request.arrayBuffer())
      if (countUpTo(MOST_FIELDS, from => bytes.indexOf(`--${boundary}`, from)) < MOST_FIELDS)
        return await new Response(bytes, { headers: { 'Content-Type': type } }).formData()
    }
  } catch {
    throw noForm()
  }
  throw noForm()
}

/** How often something is found, but no more than `most` times. */
function countUpTo(most: number, find: (from: number) => number): number {
  let count = 0
  for (let at = find(0); at !== -1 && count < most; at = find(at + 1)) count++
  return count
}

/** What no page of ours asks for. */
export const unknownIntent = () => data('This page does not know what to do with that.', { status: 400 })

/** Runs a use-case; what it says is missing or not allowed becomes the page's answer. */
export async function answering<Value>(work: Promise<Value>): Promise<Value> {
  try {
    return await work
  } catch (error) {
    if (error instanceof RoundTableError) throw data(error.message, { status: statusOf(error) })
    throw error
  }
}

/** Reads a JSON body of bounded size; undefined when it is none. */
export const jsonOf = async (request: Request): Promise<unknown> => readJson(await request.text())

/** How a command ended, with words for what was refused; null for what could not be read as one. */
export function outcomeInWords(outcome: Result<unknown, LiveProblem> | null): Response {
  const { status, said } = outcomeAnswered(outcome)
  return Response.json(said, { status })
}

/** To somebody who asks faster than people do. */
export const tooMuchAtOnce = (): Response =>
  Response.json(TOO_MUCH_AT_ONCE.said, { status: TOO_MUCH_AT_ONCE.status })

/** The wishes of a form, sent as JSON; undefined when they are none. */
export function wishesIn(fields: FormData): unknown {
  try {
    return parseClean(String(fields.get('wishes') ?? '[]'))
  } catch {
    return undefined
  }
}

/** The cookies of a sign-in, and of a browser that is known from then on. */
export async function signedInCookies(
  { token, browser }: { token: string; browser: string },
  settings: Settings,
): Promise<Headers> {
  const secure = isReachedSecurely(settings)
  const headers = new Headers()
  headers.append('Set-Cookie', await writeAccountToken(token, secure))
  headers.append('Set-Cookie', await writeBrowserToken(browser, secure))
  return headers
}

/** Headers of a page of names: a browser is known by something before it takes one, so that it is the same that presses twice. */
export async function atTheDoor(request: Request, settings: Settings): Promise<HeadersInit> {
  const known = await readDoorToken(request.headers.get('Cookie'))
  return known === null ? doorHeaders(newToken(), isReachedSecurely(settings)) : {}
}

/** An answer that is saved as a file. */
export const csvFile = (name: string, csv: string): Response =>
  new Response(asCsvFile(csv), {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8',
      'Content-Disposition': `attachment; filename="${name}"`,
    },
  })

/** Stands for wherever this server is reached. */
const HERE = 'http://here.invalid'

/** Where to go on to: only ever a page of our own, as a browser would read the address; otherwise the first page. */
export function ownPath(goTo: string | undefined): string {
  if (!goTo?.startsWith('/') || !URL.canParse(goTo, HERE)) return '/'
  const { origin, pathname, search } = new URL(goTo, HERE)
  return origin === HERE && !pathname.startsWith('//') ? `${pathname}${search}` : '/'
}
