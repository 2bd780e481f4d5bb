import type { Browser, Page } from '@playwright/test'
import { TestServer } from 'tests/browser/server'
import type { Prompt } from '~/core/boards/board'
import { SimulatedParticipant } from '~/demo/simulated-participant'

/** A facilitator without a browser: makes everything a session needs through the same forms. */
export class MadeClass {
  private constructor(
    readonly server: TestServer,
    private readonly cookie: string,
    readonly sessionId: string,
    readonly cohortPath: string,
    readonly joinCode: string,
    readonly names: string[],
  ) {}

  /** A server on an empty folder with a session, open or only planned, of `groups` groups of `size` people. */
  static async open(
    groups: number,
    size: number,
    prompts: Prompt[],
    { opened = true } = {},
  ): Promise<MadeClass> {
    const server = await TestServer.empty()
    const startWord = server.startWord ?? ''
    const account = {
      startWord,
      displayName: 'Bench',
      email: 'bench@school.example',
      password: 'long enough',
    }
    const first = await fetch(`${server.address}/first-run`, {
      method: 'POST',
      body: new URLSearchParams(account),
      redirect: 'manual',
    })
    const cookie = first.headers.getSetCookie()[0]?.split(';')[0] ?? ''
    return MadeClass.prepare(server, cookie, groups, size, prompts, opened)
  }

  /** Everybody joins and is sent out, with the board of their room open. */
  async atWork(): Promise<SimulatedParticipant[]> {
    const people = await Promise.all(
      this.names.map(name => SimulatedParticipant.join(this.server.address, this.joinCode, name)),
    )
    await Promise.all(people.map(each => each.follow()))
    await this.command({ type: 'send-out', seconds: 3600 })
    await Promise.all(people.map(each => each.openBoard()))
    return people
  }

  /** A second session on the same server, with a cohort, a grouping and a board of its own. */
  another(groups: number, size: number, prompts: Prompt[]): Promise<MadeClass> {
    return MadeClass.prepare(this.server, this.cookie, groups, size, prompts, true)
  }

  private static async prepare(
    server: TestServer,
    cookie: string,
    groups: number,
    size: number,
    prompts: Prompt[],
    opened: boolean,
  ): Promise<MadeClass> {
    const { address } = server
    const post = (path: string, body: BodyInit, headers: Record<string, string> = {}) =>
      fetch(address + path, { method: 'POST', body, headers, redirect: 'manual' })
    const as = { Cookie: cookie }
    const cohortPath = placeOf(await post('/cohorts', new URLSearchParams({ name: 'Class' }), as))
    const names = Array.from({ length: groups * size }, (_, place) => `P${String(place).padStart(3, '0')}`)
    await post(
      `${cohortPath}/import`,
      new URLSearchParams({ intent: 'import', text: `name\n${names.join('\n')}` }),
      as,
    )
    const personIds = await idsOf(address, cohortPath, as)
    const grouping = {
      name: 'Groups',
      version: null,
      groups: Array.from({ length: groups }, (_, place) => ({
        id: `g${place}`,
        name: `Room ${place}`,
        personIds: personIds.slice(place * size, (place + 1) * size),
      })),
    }
    const json = { ...as, 'Content-Type': 'application/json' }
    const groupingPath = placeOf(await post(`${cohortPath}/groupings/new`, JSON.stringify(grouping), json))
    const board = new URLSearchParams({
      board: JSON.stringify({ title: 'Board', steps: ['Write.'], prompts, parts: [] }),
    })
    const boardPath = placeOf(await post('/boards/new', board, as))
    const plan = {
      title: 'Bench',
      date: '2026-12-01',
      time: '10:00',
      timeZone: 'UTC',
      groupingId: last(groupingPath),
      boardId: last(boardPath),
      roomMinutes: '60',
      graceSeconds: '60',
    }
    const sessionPath = placeOf(await post('/sessions/new', new URLSearchParams(plan), as))
    const planPage = await (await fetch(address + sessionPath, { headers: as })).text()
    // As the whole text of an element: a part of an id on the page may look like one.
    const joinCode = planPage.match(/>([A-Z2-9]{4}-[A-Z2-9]{4})</)?.[1] ?? ''
    if (opened) await post(`${sessionPath}?index`, new URLSearchParams({ intent: 'open' }), as)
    return new MadeClass(server, cookie, last(sessionPath), cohortPath, joinCode, names)
  }

  /** A page on which the facilitator is signed in. */
  async page(browser: Browser): Promise<Page> {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
    const [name = '', ...value] = this.cookie.split('=')
    await context.addCookies([{ name, value: value.join('='), url: this.server.address }])
    return context.newPage()
  }

  /** Sends a form, or JSON, as the facilitator; the answer is read to its end. */
  async post(
    path: string,
    body: URLSearchParams | FormData | string,
  ): Promise<{ status: number; path: string; text: string }> {
    const answer = await fetch(this.server.address + path, {
      method: 'POST',
      body,
      headers: {
        Cookie: this.cookie,
        ...(typeof body === 'string' ? { 'Content-Type': 'application/json' } : {}),
      },
      redirect: 'manual',
    })
    const text = await answer.text()
    return { status: answer.status, path: answer.headers.get('location') ?? '', text }
  }

  /** Sends whatever it is, as the facilitator. */
  send(path: string, init: RequestInit & { headers: Record<string, string> }): Promise<Response> {
    return fetch(this.server.address + path, {
      ...init,
      headers: { ...init.headers, Cookie: this.cookie, Origin: this.server.address },
    })
  }

  /** The ids of the people on the list, in list order. */
  personIds(): Promise<string[]> {
    return idsOf(this.server.address, this.cohortPath, { Cookie: this.cookie })
  }

  /** Everybody joins and follows, twenty at a time. */
  async allJoined(): Promise<SimulatedParticipant[]> {
    const people: SimulatedParticipant[] = []
    for (let start = 0; start < this.names.length; start += 20)
      people.push(
        ...(await Promise.all(
          this.names
            .slice(start, start + 20)
            .map(name => SimulatedParticipant.join(this.server.address, this.joinCode, name)),
        )),
      )
    await Promise.all(people.map(each => each.follow()))
    return people
  }

  async get(path: string): Promise<string> {
    return (await fetch(this.server.address + path, { headers: { Cookie: this.cookie } })).text()
  }

  async command(request: object): Promise<void> {
    const answer = await fetch(`${this.server.address}/sessions/${this.sessionId}/commands`, {
      method: 'POST',
      headers: { Cookie: this.cookie, 'Content-Type': 'application/json' },
      body: JSON.stringify(request),
    })
    const outcome = (await answer.json()) as { ok: boolean }
    if (!outcome.ok) throw new Error(`Refused: ${JSON.stringify(outcome)}`)
  }
}

const placeOf = (answer: Response) => {
  const location = answer.headers.get('location')
  if (!location) throw new Error(`No page was made: ${answer.status}`)
  return location.split('?')[0] as string
}

const last = (path: string) => path.split('/').at(-1) as string

/** The ids of the people on the list, in list order. */
async function idsOf(
  address: string,
  cohortPath: string,
  headers: Record<string, string>,
): Promise<string[]> {
  const lines = await (await fetch(`${address}${cohortPath}/people`, { headers })).text()
  return lines
    .trim()
    .split('\n')
    .map(line => (JSON.parse(line) as { id: string }).id)
}
