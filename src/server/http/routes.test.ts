import { listedRoutes } from 'tests/fixtures/route-list'
import type { Uploads } from '../material/uploads.server'
import type { Services } from '../services.server'
import { commandRoutes } from './command-routes.server'
import { liveRoutes } from './live-routes.server'
import { materialRoutes } from './material-routes.server'
import { LARGEST_BODY, largestBody, ROUTES, ruleFor } from './routes.server'
import { BOARD_PATH, CALL_PATH } from './sockets.server'

/** Of the layout of a session only its own pages have an address; those of events are said by reader. */
const listed = listedRoutes().filter(({ path }, at, all) => all.findIndex(each => each.path === path) === at)
const uploads = materialRoutes({} as Services, {} as Uploads)
const commands = commandRoutes({} as Services)
const others = [liveRoutes({} as Services), commands, uploads]
  .flatMap(({ stack }) => stack)
  .flatMap(({ route }) => (route ? [String(route.path)] : []))
  .flatMap(path =>
    path.endsWith('/:reader')
      ? ['participant', 'facilitator', 'projector'].map(reader => path.replace(':reader', reader))
      : [path],
  )

test('every address stands in the table with who may ask, and no other does', () => {
  expect(listed.length).toBeGreaterThan(35)
  expect(others.length).toBeGreaterThan(3)
  expect(Object.keys(ROUTES).toSorted()).toEqual(
    [...listed.map(({ path }) => path), ...others, BOARD_PATH, CALL_PATH].toSorted(),
  )
})

/** A route of whatever method takes something in. */
const takesIn = ({ stack }: { stack: { method?: string }[] }) =>
  stack.some(({ method }) => method === undefined || method === 'post')

test('what stands behind the sign-in is for accounts, and nothing else of the pages is', () => {
  for (const { path, isBehindSignIn } of listed)
    expect([path, ROUTES[path]?.for === 'account']).toEqual([path, isBehindSignIn])
})

test('every route that takes something in says how much, and no other does', () => {
  const taking = new Set([
    ...listedRoutes().flatMap(({ path, takes }) => (takes ? [path] : [])),
    ...[...uploads.stack, ...commands.stack].flatMap(({ route }) =>
      route && takesIn(route) ? [String(route.path)] : [],
    ),
  ])
  const saying = Object.entries(ROUTES).flatMap(([path, { body }]) => (body === 'none' ? [] : [path]))
  expect(saying.toSorted()).toEqual([...taking].toSorted())
})

test.each(Object.keys(ROUTES))('%s is found by its address, and by that of its data', pattern => {
  const address = pattern.replace(/:\w+/g, 'a1-B_2')
  for (const asked of [address, address.toUpperCase(), `${address.replace(/(.)$/, '$1/')}`])
    expect(ruleFor(asked)).toBe(ROUTES[pattern])
  expect(ruleFor(`${address === '/' ? '/_root' : address}.data`)).toBe(ROUTES[pattern])
})

test.each([
  ['/sign-in', 'small'],
  ['/cohorts/new', 'small'],
  ['/cohorts/abc/import.data', 'file'],
  ['/sessions/abc.data', 'list'],
] as const)('%s takes in what is %s', (path, kind) => {
  expect(largestBody(path)).toBe(LARGEST_BODY[kind])
})

test.each(['/', '/nowhere', '/health', '/assets/x.js', '/sign-in/more', '/list-templateXcsv'])(
  '%s takes in nothing',
  path => {
    expect(largestBody(path)).toBe(0)
  },
)
