import sharp from 'sharp'
import { MadeClass } from './made-class'
import { pause } from './numbers'

const PEOPLE = 40
const TUS = { 'Tus-Resumable': '1.0.0' }
const PIECE = 4 * 1024 * 1024

const noisy = (width: number, height: number) =>
  sharp({
    create: {
      width,
      height,
      channels: 3,
      background: 'green',
      noise: { type: 'gaussian', mean: 120, sigma: 30 },
    },
  })

/** Files come into the library while a session of 40 works on: how long the server's thread did not come round at the longest. */
export async function material(): Promise<void> {
  const made = await MadeClass.open(PEOPLE / 5, 5, [{ id: 'c', kind: 'cards', text: 'Cards?', settings: {} }])
  const people = await made.atWork()
  const { server } = made
  const small = await Promise.all(
    Array.from({ length: 200 }, () => noisy(200, 150).jpeg({ quality: 60 }).toBuffer()),
  )
  const photo = await noisy(6_000, 4_000).jpeg({ quality: 70 }).toBuffer()
  const video = Buffer.concat([
    Buffer.from('000000186674797069736f6d', 'hex'),
    Buffer.alloc(60 * 1024 * 1024),
  ])
  const works: [string, () => Promise<unknown>][] = [
    ['the session alone (the reference)', () => pause(3_000)],
    [`a photo of 24 million points, ${(photo.length / 1e6).toFixed(0)} MB`, () => send(made, photo)],
    ['60 MB of video', () => send(made, video)],
    ['200 small pictures at once', () => Promise.all(small.map(each => send(made, each)))],
    ['opening the library', () => made.get('/material')],
    ['opening it again', () => made.get('/material')],
  ]
  console.log('files come in while a session of 40 works on')
  for (const [what, work] of works) {
    await pause(1_000)
    await server.longestStop()
    let running = true
    const working = (async () => {
      for (let turn = 0; running; turn++) {
        await people[turn % PEOPLE]?.writeCard('c', 'A card')
        await pause(50)
      }
    })()
    const began = performance.now()
    await work()
    const took = performance.now() - began
    running = false
    await working
    const stop = await server.longestStop()
    const memory = await server.megabytes()
    console.log(
      `  ${what}: longest stop ${stop.toFixed(0)} ms (aim: under 100 ms), took ${(took / 1000).toFixed(1)} s; ${memory.toFixed(0)} MB`,
    )
  }
  for (const each of people) each.leave()
  await server.remove()
}

/** Sends a file in pieces, as the page does; asks again when it is told that it was too much at once. */
async function send(made: MadeClass, file: Buffer): Promise<void> {
  const created = await again(() =>
    made.send('/material/uploads', {
      method: 'POST',
      headers: { ...TUS, 'Upload-Length': String(file.length), 'Upload-Metadata': 'filename eA==' },
    }),
  )
  const where = created.headers.get('Location') ?? ''
  for (let offset = 0; offset < file.length; offset += PIECE) {
    const body = new Uint8Array(file.subarray(offset, offset + PIECE))
    const answer = await again(() =>
      made.send(where, {
        method: 'PATCH',
        headers: {
          ...TUS,
          'Upload-Offset': String(offset),
          'Content-Type': 'application/offset+octet-stream',
        },
        body,
      }),
    )
    if (!answer.ok) throw new Error(`A piece was not taken: ${answer.status} ${await answer.text()}`)
    await answer.text()
  }
}

async function again(ask: () => Promise<Response>): Promise<Response> {
  for (;;) {
    const answer = await ask()
    if (answer.status !== 429) return answer
    await answer.text()
    await pause(1_000)
  }
}
