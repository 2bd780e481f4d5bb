import { performance } from 'node:perf_hooks'
import { strToU8, unzipSync, zipSync } from 'fflate'
import { createEncoder, toUint8Array, writeVarString, writeVarUint, writeVarUint8Array } from 'lib0/encoding'
import writeSpreadsheet from 'write-excel-file/node'
import { WebSocket } from 'ws'
import * as Y from 'yjs'
import type { Prompt } from '~/core/boards/board'
import { SimulatedParticipant } from '~/demo/simulated-participant'
import { MadeClass } from './made-class'
import { pause } from './numbers'

const PEOPLE = 40
const PROMPT = { id: 'c', kind: 'cards', text: 'Cards?', settings: {} } as const
const OTHERS = [
  {
    id: 'e',
    kind: 'scale',
    text: 'How far?',
    settings: { low: 'Not', high: 'Fully', steps: 5, reasons: false },
  },
  { id: 'f', kind: 'short-answers', text: 'How much?', settings: { fields: ['Depth'] } },
] satisfies Prompt[]

/**
 * What one person can send to stop everybody: for each, how long the server's thread did not come round at the longest, while
 * a session of 40 works on, and what memory it holds some seconds later. Beside the session alone.
 */
export async function attacks(): Promise<void> {
  const made = await MadeClass.open(PEOPLE / 5, 5, [PROMPT])
  const { server } = made
  const people = await made.atWork()
  const other = await made.another(1, 2, [PROMPT, ...OTHERS])
  const [attacker, victim] = await Promise.all(
    other.names.map(name => SimulatedParticipant.join(server.address, other.joinCode, name)),
  )
  if (!attacker || !victim) throw new Error('Nobody joined.')
  await Promise.all([attacker.follow(), victim.follow()])
  await other.command({ type: 'send-out', seconds: 3600 })
  await victim.openBoard()
  const line = await attacker.rawLine()

  const list: [string, () => Promise<unknown>][] = [
    ['the session alone', () => pause(4_000)],
    ['1. a form field numbered to the hundred million', () => form(server.address, 'email[100000000]=x')],
    ['2. an address of 40,000 dots', () => form(server.address, `email=a@${'.'.repeat(40_000)}@&password=x`)],
    ['3. 150 MB for the sign-in', () => form(server.address, `email=${'x'.repeat(150_000_000)}`)],
    ['4. 20,000 boards named on one socket', () => names(line)],
    [
      '5. 55 sign-ins at once',
      () => Promise.all(Array.from({ length: 55 }, (_, at) => signIn(server.address, at))),
    ],
    ['6. 2,500 quotations in each other', () => attackBoard(line, [nested(2_500)])],
    ['7. 300 changes of 100 kB without a beginning', () => attackBoard(line, gaps())],
    ['20. 700 root types of a board', () => attackBoard(line, [roots(700)])],
    ['20. 500 answers in the places of others', () => attackBoard(line, [othersAnswers(500)])],
    ['20. 1,990 pieces of cards', () => attackBoard(line, [cards(1_990)])],
    ['20. 1,990 pieces of cards again', () => attackBoard(line, [cards(1_990)])],
    ['20. 5,000 root types', () => attackBoard(line, [roots(5_000)])],
    ['8. 400 questions whose answers are not read', () => questions(line)],
    ['19. a spreadsheet with a value in its last cell', async () => upload(made, 'x.xlsx', await lastCell())],
    ['19. 4.9 MB of quotes and commas', () => upload(made, 'x.csv', strToU8('",'.repeat(2_450_000)))],
    ['19. 5 MB of line ends', () => upload(made, 'x.csv', strToU8('\n'.repeat(4_900_000)))],
    ['19. 39 MB in a ZIP', () => upload(made, 'x.zip', zipSync({ 'users.csv': new Uint8Array(39_000_000) }))],
  ]
  const before = await server.megabytes()
  for (const [what, attack] of list) {
    await pause(1_000)
    await server.longestStop()
    let running = true
    const working = (async () => {
      for (let turn = 0; running; turn++) {
        await people[turn % PEOPLE]?.writeCard('c', 'A card')
        await made.command({ type: 'broadcast', text: `Look up, ${turn}.` })
        await pause(100)
      }
    })()
    const began = performance.now()
    await attack().catch(() => undefined)
    const took = performance.now() - began
    await pause(500)
    running = false
    await working
    const stop = await server.longestStop()
    await pause(3_000)
    const memory = await server.megabytes()
    console.log(
      `${what}: longest stop ${stop.toFixed(0)} ms (aim: under 100 ms), over after ${took.toFixed(0)} ms; then ${memory.toFixed(0)} MB, ${(memory - before).toFixed(0)} more than before (aim: under 50)`,
    )
  }
  for (const each of [...people, attacker, victim]) each.leave()
  await server.remove()
}

type Line = Awaited<ReturnType<SimulatedParticipant['rawLine']>>

const form = (address: string, body: string) =>
  fetch(`${address}/sign-in`, {
    method: 'POST',
    body,
    headers: { 'Content-Type': 'application/x-www-form-urlencoded' },
  }).then(answer => answer.text())

const signIn = (address: string, at: number) =>
  form(address, `email=p${at}@school.example&password=wrong password`)

/** A socket of the attacker's on which the board is open. */
async function opened({ address, cookie, copyId }: Line): Promise<WebSocket> {
  const socket = new WebSocket(`${address.replace(/^http/, 'ws')}/boards/socket`, {
    headers: { Cookie: cookie, Origin: address },
  })
  socket.on('error', () => undefined)
  await new Promise(done => {
    socket.once('open', done)
  })
  socket.send(
    message(copyId, encoder => {
      writeVarUint(encoder, 2)
      writeVarUint(encoder, 0)
      writeVarString(encoder, '')
    }),
  )
  await pause(300)
  return socket
}

function message(board: string, rest: (encoder: ReturnType<typeof createEncoder>) => void): Uint8Array {
  const encoder = createEncoder()
  writeVarString(encoder, board)
  rest(encoder)
  return toUint8Array(encoder)
}

async function attackBoard(line: Line, updates: Uint8Array[]): Promise<void> {
  const socket = await opened(line)
  for (const update of updates)
    socket.send(
      message(line.copyId, encoder => {
        writeVarUint(encoder, 0)
        writeVarUint(encoder, 2)
        writeVarUint8Array(encoder, update)
      }),
    )
  await pause(1_500)
  socket.terminate()
}

async function questions(line: Line): Promise<void> {
  const ballast = new Y.Doc()
  for (let part = 0; part < 3; part++) ballast.getText('ballast').insert(0, `${part}`.repeat(900_000))
  await attackBoard(line, [Y.encodeStateAsUpdate(ballast)])
  const socket = await opened(line)
  socket.pause()
  for (let question = 0; question < 400; question++)
    socket.send(
      message(line.copyId, encoder => {
        writeVarUint(encoder, 0)
        writeVarUint(encoder, 0)
        writeVarUint8Array(encoder, Y.encodeStateVector(new Y.Doc()))
      }),
    )
  await pause(1_500)
  socket.terminate()
}

async function names(line: Line): Promise<void> {
  const socket = await opened(line)
  for (let board = 0; board < 20_000; board++)
    socket.send(message(`board ${board}`, encoder => writeVarUint(encoder, 0)))
  await pause(1_000)
  socket.terminate()
}

function nested(times: number): Uint8Array {
  const doc = new Y.Doc()
  let within: Y.XmlFragment = doc.getXmlFragment('sheet:c')
  doc.transact(() => {
    for (let depth = 0; depth < times; depth++) {
      const quotation: Y.XmlElement = new Y.XmlElement('blockquote')
      within.insert(0, [quotation])
      within = quotation
    }
  })
  return Y.encodeStateAsUpdate(doc)
}

function roots(count: number): Uint8Array {
  const doc = new Y.Doc()
  for (let root = 0; root < count; root++) doc.getText(`field:f/${root}`).insert(0, 'x')
  return Y.encodeStateAsUpdate(doc)
}

function othersAnswers(count: number): Uint8Array {
  const doc = new Y.Doc()
  for (let person = 0; person < count; person++)
    doc.getMap('each:e').set(`person${person}`, { value: 1, reason: 'x' })
  return Y.encodeStateAsUpdate(doc)
}

function cards(count: number): Uint8Array {
  const doc = new Y.Doc()
  const list = doc.getArray('cards:c')
  doc.transact(() => {
    for (let card = 0; card < count / 5; card++) {
      const map = new Y.Map()
      list.push([map])
      for (const [key, value] of Object.entries({ id: `c${card}`, text: 'x', x: 1, y: 1 }))
        map.set(key, value)
    }
  })
  return Y.encodeStateAsUpdate(doc)
}

function gaps(): Uint8Array[] {
  const doc = new Y.Doc()
  const updates: Uint8Array[] = []
  doc.getText('t').insert(0, 'the beginning')
  doc.on('update', update => updates.push(update))
  for (let count = 0; count < 300; count++) doc.getText('t').insert(0, 'x'.repeat(100_000))
  return updates
}

async function lastCell(): Promise<Uint8Array> {
  const bytes = await writeSpreadsheet([[{ value: 'name' }], [{ value: 'Ana' }]]).toBuffer()
  const parts = unzipSync(new Uint8Array(bytes))
  const name = Object.keys(parts).find(each => each.startsWith('xl/worksheets/sheet')) ?? ''
  const sheet = Buffer.from(parts[name] ?? [])
    .toString()
    .replace('r="A2"', 'r="XFD1048576"')
  return zipSync({ ...parts, [name]: strToU8(sheet) })
}

function upload(made: MadeClass, name: string, bytes: Uint8Array): Promise<unknown> {
  const data = new FormData()
  data.set('file', new File([new Uint8Array(bytes)], name))
  return made.post(`${made.cohortPath}/import`, data)
}
