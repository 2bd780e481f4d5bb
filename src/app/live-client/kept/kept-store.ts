import { createStore, delMany, entries, get, keys, set, update } from 'idb-keyval'
import { takeLastMoment } from './last-moment'

/**
 * What a participant's page keeps in this browser until the session is over or the place is left, so that it works on without
 * a line. A browser may refuse to keep anything (private windows, a full disk): then it is kept nowhere, and nothing fails.
 */
export interface KeptBoard {
  sessionId: string
  /** Who wrote here: somebody else may have this browser next. */
  participantId: string
  copyId: string
  /** Of what is written beside the board while that is hidden. */
  promptId: string | null
  /** Numbers written under in this browser, and how far the server has what was written under each. */
  storedTo: Readonly<Record<string, number>>
  /** Who first wrote which piece, shown names by `prompt/entry`. */
  authors: Readonly<Record<string, string>>
  /** When it was last written, by this browser's clock. */
  keptAt: number
}

export interface KeptView {
  sessionId: string
  view: object
  /** When this was how it stood, by the server's clock. */
  at: number
  keptAt: number
}

/** Whose page it is that the browser's cache has of a session: its address is the same for everybody. */
interface KeptPage {
  sessionId: string
  participantId: string
  keptAt: number
}

/** After so long what was kept goes, whether its session ended or not: the page was never opened again. In milliseconds. */
const LONGEST_KEPT_MS = 14 * 86_400_000

/** What a document is kept by: its name, and whose page it was on. */
export const keptName = (documentName: string, participantId: string): string =>
  `${participantId}:${documentName}`
/** Its database in this browser. */
export const databaseOf = (name: string): string => `round-table/board/${name}`
const boardKey = (name: string) => `board/${name}`
const viewKey = (sessionId: string, participantId: string) => `view/${sessionId}/${participantId}`
const pageKey = (sessionId: string) => `page/${sessionId}`

let store: ReturnType<typeof createStore> | undefined
const opened = () => {
  store ??= createStore('round-table', 'kept')
  return store
}

/** Undefined where the browser keeps nothing. */
async function tried<Value>(work: () => Promise<Value>): Promise<Value | undefined> {
  try {
    return await work()
  } catch {
    return undefined
  }
}

/** Whether this browser keeps anything at all. */
export const canKeep = async (): Promise<boolean> =>
  (await tried(async () => {
    await set('able', true, opened())
    return true
  })) ?? false

export const keptBoard = (name: string): Promise<KeptBoard | undefined> =>
  tried(() => get<KeptBoard>(boardKey(name), opened()))

/** Writes what is known of a board here, beside what another page of this browser knows of it. */
export async function keepBoardFacts(name: string, facts: Omit<KeptBoard, 'keptAt'>): Promise<void> {
  await tried(() =>
    update<KeptBoard>(
      boardKey(name),
      before => ({
        ...facts,
        authors: { ...before?.authors, ...facts.authors },
        storedTo: { ...before?.storedTo, ...facts.storedTo },
        keptAt: Date.now(),
      }),
      opened(),
    ),
  )
}

export const keptView = (sessionId: string, participantId: string): Promise<KeptView | undefined> =>
  tried(() => get<KeptView>(viewKey(sessionId, participantId), opened()))

export async function keepView(
  sessionId: string,
  participantId: string,
  view: object,
  at: number,
): Promise<void> {
  const kept: KeptView = { sessionId, view, at, keptAt: Date.now() }
  await tried(() => set(viewKey(sessionId, participantId), kept, opened()))
}

/** Whose page is kept of a session; undefined when none is. */
export const keptPageOf = async (sessionId: string): Promise<string | undefined> =>
  (await tried(() => get<KeptPage>(pageKey(sessionId), opened())))?.participantId

export async function keepPageOf(sessionId: string, participantId: string): Promise<void> {
  const kept: KeptPage = { sessionId, participantId, keptAt: Date.now() }
  await tried(() => set(pageKey(sessionId), kept, opened()))
}

/** Every board kept of a session, by what it is kept by. */
export async function keptBoards(sessionId: string): Promise<[string, KeptBoard][]> {
  const all = (await tried(() => entries<string, KeptBoard>(opened()))) ?? []
  return all
    .filter(([key, kept]) => key.startsWith('board/') && kept.sessionId === sessionId)
    .map(([key, kept]) => [key.slice('board/'.length), kept])
}

/** Lets go of one board. */
export async function forgetBoard(name: string): Promise<void> {
  takeLastMoment(name)
  await tried(() => delMany([boardKey(name)], opened()))
  await dropDatabase(databaseOf(name))
}

/** Lets go of all that is kept of a session. */
export async function forgetSession(sessionId: string): Promise<void> {
  for (const [name] of await keptBoards(sessionId)) await forgetBoard(name)
  await tried(async () => {
    const views = (await keys<string>(opened())).filter(key => key.startsWith(`view/${sessionId}/`))
    await delMany([...views, pageKey(sessionId)], opened())
  })
}

/** Sessions of which something is kept, and those of which it was kept too long. */
export async function keptSessions(now: number): Promise<{ kept: string[]; tooLong: string[] }> {
  const all = (await tried(() => entries<string, KeptBoard | KeptView | KeptPage | true>(opened()))) ?? []
  const lastKept = new Map<string, number>()
  for (const [, each] of all)
    if (typeof each === 'object')
      lastKept.set(each.sessionId, Math.max(each.keptAt, lastKept.get(each.sessionId) ?? 0))
  const kept = [...lastKept.keys()]
  return { kept, tooLong: kept.filter(id => now - (lastKept.get(id) ?? 0) > LONGEST_KEPT_MS) }
}

/** A page of this browser that still has it open lets go of it first. */
const dropDatabase = (name: string): Promise<void> =>
  new Promise(resolve => {
    const request = indexedDB.deleteDatabase(name)
    for (const event of ['success', 'error', 'blocked']) request.addEventListener(event, () => resolve())
  })
