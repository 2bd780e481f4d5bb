/**
 * Every address of the server in one table: for whom it is, how large a body it takes in, and how often it may be asked for.
 * `routes.test.ts` holds it against the list of pages, and `tests/browser/permissions.spec.ts` goes through it as everybody.
 */

const KB = 1024

/** The largest body of each kind, in bytes. */
export const LARGEST_BODY = {
  none: 0,
  /** A form of a few fields, a command. */
  small: 64 * KB,
  /** What may name 5,000 people, or the groups of 500 in 40 rounds. */
  list: 1024 * KB,
  /** A class list of 5 MB, as a file or as its text with what else the form holds. */
  file: 6 * 1024 * KB,
  /** A piece of an upload: the next comes when this one is there. */
  piece: 5 * 1024 * KB,
}

/**
 * Requests at once, and then a second: of a person who is known by a place or sign-in, and of a network address for everybody
 * else who comes from there. 500 people behind one address come in within half a minute, each with a handful of requests.
 */
export const PACES: Record<
  'usual' | 'dear' | 'assets',
  Record<'person' | 'address', readonly [number, number]>
> = {
  usual: { person: [400, 20], address: [10_000, 400] },
  /** What reads or makes a whole file. */
  dear: { person: [40, 1], address: [1_000, 50] },
  /** Scripts, styles and pictures: some forty for a page that is opened for the first time. */
  assets: { person: [4_000, 100], address: [40_000, 2_000] },
}

/** Who may ask: anybody; who has a code or a link; who has a place in that session; who is signed in. */
export type Asker = 'anybody' | 'code' | 'link' | 'place' | 'account'

export interface RouteRule {
  readonly for: Asker
  readonly body: keyof typeof LARGEST_BODY
  readonly pace: keyof typeof PACES
}

const rule =
  (asker: Asker) =>
  (body: RouteRule['body'] = 'none', pace: RouteRule['pace'] = 'usual'): RouteRule => ({
    for: asker,
    body,
    pace,
  })
const anybody = rule('anybody')
const code = rule('code')
const link = rule('link')
const place = rule('place')
const account = rule('account')

/** Where files come in. */
export const UPLOADS_PATH = '/material/uploads'

/** Where two patterns fit an address, the first holds. */
export const ROUTES: Readonly<Record<string, RouteRule>> = {
  '/health': anybody(),
  '/clock': anybody(),
  '/sign-in': anybody('small'),
  '/sign-out': anybody('small'),
  '/first-run': anybody('small'),
  '/join': anybody('small'),
  '/join/:code': code('small'),
  '/join/:code/names': code(),
  '/choose/:code': code('small'),
  '/choose/:code/names': code(),
  '/choose/:code/places': code(),
  '/mine/:reviewToken': link(),
  '/mine/:reviewToken/files/:hash/:name': link('none', 'assets'),
  '/one-time/:token': link('small'),
  '/s/:sessionId': place(),
  '/s/:sessionId/commands': place('small'),
  '/s/:sessionId/late': place('list', 'dear'),
  '/events/:sessionId/participant': place(),
  /** What may be opened over it is asked for each board. */
  '/boards/socket': place(),
  /** Which calls they may be in is asked for each, and again when something changes. */
  '/calls/:sessionId/:roomId': place(),
  '/events/:sessionId/facilitator': account(),
  '/events/:sessionId/projector': account(),
  /** Only files on a board they can see. */
  '/s/:sessionId/files/:hash/:name': place('none', 'assets'),
  /** Only to a board of their room that asks for them. */
  '/s/:sessionId/pictures': place('piece', 'dear'),
  '/': account(),
  '/accounts': account('small'),
  '/removals': account('small'),
  '/list-template.csv': account(),
  '/cohorts': account('small'),
  '/cohorts/:cohortId': account('small'),
  '/cohorts/:cohortId/import': account('file', 'dear'),
  '/cohorts/:cohortId/met': account(),
  '/cohorts/:cohortId/people': account('list'),
  '/cohorts/:cohortId/columns': account('small'),
  '/cohorts/:cohortId/presence': account('list'),
  '/cohorts/:cohortId/rules': account('list'),
  '/cohorts/:cohortId/list.csv': account('none', 'dear'),
  '/cohorts/:cohortId/choices/new': account('list'),
  '/cohorts/:cohortId/groupings/new': account('list'),
  '/choices/:choiceId': account('small'),
  '/choices/:choiceId/people': account(),
  '/groupings/:groupingId': account('list'),
  '/boards': account(),
  '/boards/new': account('list'),
  '/boards/:boardId': account(),
  '/boards/:boardId/changes': account('list'),
  '/boards/:boardId/versions': account(),
  '/boards/:boardId/print': account(),
  '/material': account('list'),
  '/material/uploads': account('small'),
  '/material/uploads/:uploadId': account('piece'),
  '/phrases': account('small'),
  '/files/:hash/:name': account('none', 'assets'),
  '/sessions': account(),
  '/sessions/new': account('list'),
  '/sessions/start': account('small'),
  '/sessions/:sessionId': account('list'),
  '/sessions/:sessionId/live': account(),
  '/sessions/:sessionId/projector': account(),
  '/sessions/:sessionId/commands': account('small'),
  '/sessions/:sessionId/doing': account('small'),
  '/sessions/:sessionId/order': account('list'),
  '/sessions/:sessionId/rehearse': account('small', 'dear'),
  '/sessions/:sessionId/rehearsal': account('small'),
  '/sessions/:sessionId/corrections': account('small'),
  '/sessions/:sessionId/late': account('small'),
  '/sessions/:sessionId/taken-off': account('small'),
  '/sessions/:sessionId/talk/:roomId': account('none'),
  '/sessions/:sessionId/boards': account('small'),
  '/sessions/:sessionId/material': account('small'),
  '/sessions/:sessionId/broadcast': account('small'),
  '/sessions/:sessionId/facts': account('none', 'dear'),
  '/sessions/:sessionId/reported': account('none'),
  '/sessions/:sessionId/put-up': account('small'),
  '/sessions/:sessionId/wall/:promptId': account('none'),
  '/sessions/:sessionId/keep-groups': account('small'),
  '/sessions/:sessionId/review': account('small'),
  '/sessions/:sessionId/review/:file': account('none', 'dear'),
}

/** What is not named takes in nothing. */
const UNKNOWN: RouteRule = anybody()
const ASSET: RouteRule = anybody('none', 'assets')

// As the page router reads addresses: letters of either case, with or without a slash at the end.
const patterns = Object.entries(ROUTES).map(([pattern, found]): [RegExp, RouteRule] => [
  new RegExp(`^${pattern.replace(/\./g, '\\.').replace(/:\w+/g, '[^/]+')}$`, 'i'),
  found,
])

/** The rule of an address; `path` is without its query. */
export function ruleFor(path: string): RouteRule {
  if (path.startsWith('/assets/')) return ASSET
  // The browser's own requests for a page's data and actions end so.
  const plain = path.replace(/\.data$/, '').replace(/(.)\/$/, '$1')
  const asked = plain === '/_root' ? '/' : plain
  return patterns.find(([pattern]) => pattern.test(asked))?.[1] ?? UNKNOWN
}

/** The largest body an address takes in, in bytes. */
export const largestBody = (path: string): number => LARGEST_BODY[ruleFor(path).body]
