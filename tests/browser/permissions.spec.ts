import { COMMAND_SHAPES } from '~/core/live/topics'
import { ROUTES, type RouteRule } from '~/server/http/routes.server'
import { COMMANDS } from '~/server/limits.server'
import { listedRoutes } from '../fixtures/route-list'
import { expect, openTonight, simulated, test } from './fixtures'
import { signedInCookies, type TestServer } from './server'

/** Everybody who may come, by their cookies: a new one is asked of every address, and every address of all of them. */
type Everybody = Record<
  'nobody' | 'participant' | 'of another session' | 'signed out' | 'made up' | 'facilitator',
  string
>
type Who = keyof Everybody

/** What only facilitators may learn, wherever it stands. */
const SECRETS = ['marit@lowmarsh.example', 'tobias@lowmarsh.example', '"accountId"']

/** Pages that lead on whoever has done already what they are for. */
const LEADS_ON = new Set(['/first-run', '/sign-in', '/sign-out', '/join/:code'])

const mayAsk = (rule: RouteRule, who: Who): boolean =>
  rule.for === 'account' ? who === 'facilitator' : rule.for === 'place' ? who === 'participant' : true

/** The first address of a kind that the pages of a facilitator lead to. */
async function idOf(server: TestServer, cookie: string, page: string, pattern: RegExp): Promise<string> {
  const text = await (await fetch(server.address + page, { headers: { Cookie: cookie } })).text()
  const found = text.match(pattern)?.[1]
  if (!found) throw new Error(`${page} leads to nothing like ${pattern}.`)
  return found
}

const signedIn = async (server: TestServer, account = 0) =>
  (await signedInCookies(server, account)).join('; ')

test('every address, asked by everybody who may come: whoever may not is sent to the door or told nothing', async ({
  server,
  facilitator: page,
}) => {
  const { address } = server
  const facilitator = await signedIn(server)
  const signedOut = await signedIn(server)
  await fetch(`${address}/sign-out`, { method: 'POST', headers: { Cookie: signedOut } })
  const { code, sessionId } = await openTonight(page)
  const [ana] = await simulated(server, code, ['Ana Per.'])
  const [token] = ana?.cookie.split('=').slice(1) ?? []
  const everybody: Everybody = {
    nobody: '',
    participant: ana?.cookie ?? '',
    'of another session': `place-other-session=${token}`,
    'signed out': signedOut,
    'made up': `round-table=ImFhYWEi; place-${sessionId}=ImFhYWEi`,
    facilitator,
  }
  const ids = {
    sessionId,
    reviewToken: await idOf(server, everybody.participant, `/s/${sessionId}`, /\/mine\/([\w-]+)/),
    cohortId: await idOf(server, facilitator, '/cohorts', /href="\/cohorts\/([\w-]{10,})"/),
    boardId: await idOf(server, facilitator, '/boards', /href="\/boards\/([\w-]{10,})"/),
    file: 'people.csv',
  }
  const cohortPage = `/cohorts/${ids.cohortId}`
  const known: Record<string, string> = {
    ...ids,
    groupingId: await idOf(server, facilitator, cohortPage, /href="\/groupings\/([\w-]{10,})"/),
    choiceId: await idOf(server, facilitator, cohortPage, /href="\/choices\/([\w-]{10,})"/),
  }
  const choiceCode = await idOf(server, facilitator, `/choices/${known.choiceId}`, /\/choose\/([\w-]{6,})/)
  // Made for the co-facilitator, whose account is the only other one.
  const accountId = await idOf(server, facilitator, '/accounts', /name="accountId" value="([\w-]+)"/)
  const made = await fetch(`${address}/accounts`, {
    method: 'POST',
    body: new URLSearchParams({ intent: 'one-time-link', accountId }),
    headers: { Cookie: facilitator },
  })
  known.token = (await made.text()).match(/\/one-time\/([\w-]{20,})/)?.[1] ?? ''
  const addressOf = (pattern: string) =>
    pattern
      .replace(/^\/removals/, '/removals?kind=board')
      .replace(/^\/choose\/:code/, `/choose/${choiceCode}`)
      .replace(':code', code)
      .replace(/:(\w+)/g, (_, name: string) => known[name] ?? 'unknown')

  const readable = new Map(listedRoutes().map(({ path, reads }) => [path, reads]))
  const ask = (path: string, cookie: string, init: RequestInit = {}) =>
    fetch(address + path, {
      redirect: 'manual',
      headers: { Cookie: cookie, Accept: 'text/html', ...init.headers },
      ...init,
    })

  const faults: string[] = []
  for (const [pattern, rule] of Object.entries(ROUTES)) {
    if (pattern === '/boards/socket') continue // Walked in secrets.spec.ts.
    if (pattern.startsWith('/calls/')) continue // Asked by everybody in sockets.test.ts.
    if (/\/(commands|doing)$/.test(pattern)) continue // Asked by everybody in command-routes.test.ts.
    if (/\/files\/|\/pictures$|^\/material\/uploads/.test(pattern)) continue // Asked by everybody in material-routes.test.ts.
    const path = addressOf(pattern)
    for (const [who, cookie] of Object.entries(everybody) as [Who, string][]) {
      const may = mayAsk(rule, who)
      const wrong = (what: string) => faults.push(`${who}, ${path}: ${what}`)
      if (pattern.startsWith('/events/')) {
        const answer = await ask(path, cookie)
        const status = answer.status
        await answer.body?.cancel()
        if ((status === 200) !== may || (!may && status !== 403)) wrong(`stream ${status}`)
        continue
      }
      const read = await ask(path, cookie)
      const text = await read.text()
      const asData = await ask(path === '/' ? '/_root.data' : path.replace(/(\?|$)/, '.data$1'), cookie)
      const dataText = await asData.text()
      if (read.status >= 500 || asData.status >= 500) wrong(`fails, ${read.status} and ${asData.status}`)
      const toDoor = (where: string | null) => where?.split('?')[0] === '/sign-in'
      if (may) {
        const reads = readable.get(pattern) ?? true
        const expected = reads ? (LEADS_ON.has(pattern) ? [200, 302] : [200]) : [400, 404, 405]
        if (!expected.includes(read.status)) wrong(`read ${read.status}`)
      } else if (rule.for === 'account') {
        if (read.status !== 302 || !toDoor(read.headers.get('location'))) wrong(`read ${read.status}`)
        if (!dataText.includes('/sign-in')) wrong('its data')
      } else if (read.status === 200 && text.includes('Ana Per.')) wrong('shows whose place it is')
      // Whoever holds a link for one use learns whose it is.
      if (who !== 'facilitator' && pattern !== '/one-time/:token')
        for (const secret of SECRETS)
          if (text.includes(secret) || dataText.includes(secret)) wrong(`says ${secret}`)
      for (const each of [read, asData])
        if (each.headers.get('cache-control') !== 'no-store')
          wrong(`kept: ${each.headers.get('cache-control')}`)

      // Taking in: whoever may not is refused whatever they send, before it is read.
      if (pattern === '/sign-out') continue
      const posted = await ask(path, cookie, {
        method: 'POST',
        body: new URLSearchParams({ intent: 'remove' }),
      })
      const answer = await posted.text()
      if (posted.status >= 500) wrong(`taking in fails, ${posted.status}`)
      if (rule.body === 'none') {
        if (
          ![413, 405].includes(posted.status) &&
          !(posted.status === 302 && toDoor(posted.headers.get('location')))
        )
          wrong(`takes something in, ${posted.status}`)
      } else if (!may && rule.for === 'account') {
        if (posted.status !== 302 || !toDoor(posted.headers.get('location')))
          wrong(`takes in, ${posted.status}`)
      } else if (!may && !answer.includes('"ok":false')) wrong(`takes in, ${posted.status}`)
      else if (may && posted.status === 302 && toDoor(posted.headers.get('location')))
        wrong('is sent to the door')
    }
  }
  expect(faults).toEqual([])

  // A wrong code, link or session says nothing of any.
  for (const path of [
    '/join/AAAA-2222',
    '/choose/made-up',
    '/choose/made-up/names',
    '/mine/made-up',
    '/join/AAAA-2222/names',
  ])
    expect([path, (await ask(path, everybody.participant)).status]).toEqual([path, 404])
  ana?.leave()
})

test('whatever is asked for in a session, too much of it at once is refused, and to nobody else', async ({
  server,
  facilitator: page,
}) => {
  const { code, sessionId } = await openTonight(page)
  const [ana, bram] = await simulated(server, code, ['Ana Per.', 'Bram O.'])
  const others = await signedIn(server, 1)
  const own = await signedIn(server, 0)
  const asked = async (path: string, cookie: string, type: string) =>
    (
      await fetch(`${server.address}${path}`, {
        method: 'POST',
        headers: { Cookie: cookie, 'Content-Type': 'application/json' },
        body: JSON.stringify({ type }),
      })
    ).status
  for (const [by, path, who, somebodyElse] of [
    ['participant', `/s/${sessionId}/commands`, ana?.cookie ?? '', bram?.cookie ?? ''],
    ['facilitator', `/sessions/${sessionId}/commands`, own, others],
  ] as const) {
    // All that says too little to change anything: each counts the same, before it is read.
    const lacking = [...COMMAND_SHAPES].flatMap(([type, shape]) =>
      shape.by.includes(by) && !shape.inside && Object.keys(shape.asks ?? {}).length > 0 ? [type] : [],
    )
    expect(lacking.length).toBeGreaterThan(0)
    const [atOnce] = COMMANDS[by]
    let count = 0
    while (count < atOnce * 20 && (await asked(path, who, lacking[count % lacking.length] ?? '')) !== 429)
      count++
    expect(count).toBeGreaterThanOrEqual(atOnce)
    expect(count).toBeLessThan(atOnce * 20)
    expect(await asked(path, somebodyElse, lacking[0] ?? '')).toBe(400)
    // Nothing that can be asked for is let through then, also not what needs to say nothing else. What comes back with time is used up
    // again before each.
    for (const [type, shape] of COMMAND_SHAPES) {
      if (!shape.by.includes(by) || shape.inside) continue
      const tries: number[] = []
      while (tries.at(-1) !== 429 && tries.length < 5) {
        for (let spent = 0; spent < 50 && (await asked(path, who, lacking[0] ?? '')) !== 429; spent++);
        tries.push(await asked(path, who, type))
      }
      expect([type, tries.at(-1)]).toEqual([type, 429])
    }
  }
  for (const each of [ana, bram]) each?.leave()
})
