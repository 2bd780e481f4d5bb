import { createCookie } from 'react-router'
import { SIGN_IN_MS } from './sign-ins.server'

const options = (seconds: number, secure: boolean) =>
  ({ httpOnly: true, sameSite: 'lax', path: '/', maxAge: seconds, secure }) as const

const accountCookie = createCookie('round-table')
/** A place outlives a tab, a phone's sleep and the session itself, so that its holder can come back to the review. */
const PLACE_SECONDS = 90 * 24 * 60 * 60
const placeCookie = (sessionId: string) => createCookie(`place-${sessionId}`)

const textOf = async (cookie: ReturnType<typeof createCookie>, header: string | null | undefined) => {
  const value: unknown = await cookie.parse(header ?? null)
  return typeof value === 'string' && value !== '' ? value : null
}

/** The sign-in token in a Cookie header; null when there is none. */
export const readAccountToken = (header: string | null | undefined): Promise<string | null> =>
  textOf(accountCookie, header)

export const writeAccountToken = (token: string, secure: boolean): Promise<string> =>
  accountCookie.serialize(token, options(SIGN_IN_MS / 1000, secure))

const browserCookie = createCookie('round-table-browser')
const BROWSER_SECONDS = 365 * 24 * 60 * 60

/** What a browser is known again by when it signs in; null for one that never has. */
export const readBrowserToken = (header: string | null | undefined): Promise<string | null> =>
  textOf(browserCookie, header)

export const writeBrowserToken = (token: string, secure: boolean): Promise<string> =>
  browserCookie.serialize(token, options(BROWSER_SECONDS, secure))

export const clearAccountToken = (secure: boolean): Promise<string> =>
  accountCookie.serialize('', options(0, secure))

/** The token of a browser's place in a session; null when it has none. */
export const readPlaceToken = (
  header: string | null | undefined,
  sessionId: string,
): Promise<string | null> => textOf(placeCookie(sessionId), header)

/** Browsers keep places for months; more of them than anybody has are not looked at. */
const MOST_PLACES = 100
const PLACE_NAMES = /(?:^|;) *(place-[\w-]{1,40})=/g

/** The tokens of all places a browser has. */
export async function readPlaceTokens(header: string | null | undefined): Promise<string[]> {
  const names = [...(header ?? '').matchAll(PLACE_NAMES)].map(found => found[1] ?? '').slice(0, MOST_PLACES)
  const tokens = await Promise.all(names.map(name => textOf(createCookie(name), header)))
  return tokens.filter(token => token !== null)
}

export const writePlaceToken = (token: string, sessionId: string, secure: boolean): Promise<string> =>
  placeCookie(sessionId).serialize(token, options(PLACE_SECONDS, secure))

const doorCookie = createCookie('door')
const DOOR_SECONDS = 24 * 60 * 60

/** What a browser is known by before it has a place: whoever presses twice is the same. It opens nothing. */
export const readDoorToken = (header: string | null | undefined): Promise<string | null> =>
  textOf(doorCookie, header)

/** The header that gives a browser its door token, for a page of names. */
export const doorHeaders = async (token: string, secure: boolean): Promise<{ 'Set-Cookie': string }> => ({
  'Set-Cookie': await doorCookie.serialize(token, options(DOOR_SECONDS, secure)),
})
