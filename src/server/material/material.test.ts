import { randomUUID } from 'node:crypto'
import { mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { jest } from '@jest/globals'
import { eq } from 'drizzle-orm'
import exifr from 'exifr'
import { imageSize } from 'image-size'
import sharp from 'sharp'
import { memoryDatabase } from 'tests/fixtures/database'
import type { Database } from '../db/database.server'
import {
  boardCopies,
  boards,
  boardVersions,
  files,
  materials,
  sessionEvents,
  sessions,
} from '../db/schema.server'
import { FileFolder } from './file-folder.server'
import { addFile, addLink, listMaterial, removeUnused, renameMaterial, spaceUsed } from './material.server'
import { NotTakenError, takeIn } from './take-in.server'

let db: Database
let close: () => Promise<void>
let data: string
let folder: FileFolder

beforeAll(async () => {
  ;({ db, close } = await memoryDatabase())
})
afterAll(() => close())
beforeEach(async () => {
  data = await mkdtemp(join(tmpdir(), 'material-'))
  folder = new FileFolder(data)
  await folder.start()
})
afterEach(async () => {
  for (const table of [sessions, boards, materials, files]) await db.delete(table)
  await rm(data, { recursive: true })
})

/** A file as it comes in: its name says nothing of what is in it. */
async function sent(content: Uint8Array | string): Promise<string> {
  const path = join(data, 'uploads', randomUUID())
  await writeFile(path, content)
  return path
}
const colours = (width: number, height: number, red = 90) =>
  sharp({ create: { width, height, channels: 3, background: { r: red, g: 130, b: 60 } } })
const add = async (content: Uint8Array | string, name = 'pond.png') =>
  addFile(db, folder, { path: await sent(content), name, by: 'Marit' })
const png = (red?: number) => colours(40, 30, red).png().toBuffer()
const kept = async () => (await folder.list()).length

test('a picture is kept in three widths, turned as it is meant to be seen, without where and with what it was taken', async () => {
  const taken = await colours(3000, 2000)
    .withExif({ IFD0: { Make: 'A camera' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '52/1 10/1 0/1' } })
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toBuffer()
  // What another library (exifr) reads of it before and after.
  expect(await exifr.parse(taken, true)).toMatchObject({ Orientation: 'Rotate 90 CW' })
  await add(taken, 'IMG_1.jpg')
  const [only] = await listMaterial(db)
  expect(only).toMatchObject({
    kind: 'picture',
    title: 'IMG 1',
    addedBy: 'Marit',
    file: { width: 2000, height: 3000 },
  })
  const names = ['480.webp', '1280.webp', '2400.webp']
  const widths = []
  for (const name of names) {
    const bytes = await readFile(folder.pathOf(only?.file?.hash ?? '', name))
    const size = imageSize(bytes)
    widths.push([size.type, size.width, size.height])
    expect((await sharp(bytes).metadata()).exif).toBeUndefined()
    expect(bytes.includes('A camera')).toBe(false)
  }
  // As another library (image-size) reads them; smaller ones are not made larger.
  expect(widths).toEqual([
    ['webp', 480, 720],
    ['webp', 1280, 1920],
    ['webp', 2000, 3000],
  ])
})

/** The head of a PNG (PNG, third edition, 11.2.1) that says how large it is, and nothing behind it. */
function pngHead(width: number, height: number): Buffer {
  const head = Buffer.alloc(33)
  Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex').copy(head)
  head.writeUInt32BE(width, 16)
  head.writeUInt32BE(height, 20)
  head.set([8, 2, 0, 0, 0], 24)
  return head
}

test.each([
  ['a page with a good name', '<!doctype html><script>alert(1)</script>', 'none of what is taken in'],
  ['a drawing that is a program', '<svg xmlns="http://www.w3.org/2000/svg"><script/></svg>', 'none of what'],
  ['nothing', '', 'none of what is taken in'],
  [
    'a picture that says it has 60,000 by 60,000 points',
    pngHead(60_000, 60_000),
    'too large|can not be read',
  ],
  ['a program', Buffer.concat([Buffer.from('7f454c46020101', 'hex'), Buffer.alloc(200)]), 'none of what'],
])('%s is refused, and nothing of it is kept', async (_what, content, why) => {
  await expect(add(content)).rejects.toThrow(NotTakenError)
  await expect(add(content)).rejects.toThrow(new RegExp(why))
  expect([await kept(), await listMaterial(db), await db.select().from(files)]).toEqual([0, [], []])
  expect(await readdir(join(data, 'material'))).toEqual([])
})

test('a picture of which the end is missing is refused', async () => {
  const whole = await sharp({
    create: {
      width: 600,
      height: 600,
      channels: 3,
      background: 'green',
      noise: { type: 'gaussian', mean: 120, sigma: 40 },
    },
  })
    .jpeg()
    .toBuffer()
  await expect(add(whole.subarray(0, whole.length / 2))).rejects.toThrow('damaged, or not whole')
  expect(await kept()).toBe(0)
})

test('the same file twice, at the same moment too, is kept once and listed as often as it was added', async () => {
  const picture = await png()
  await Promise.all([add(picture, 'a.png'), add(picture, 'b.png'), add(picture, 'c.png')])
  expect(await kept()).toBe(1)
  expect((await listMaterial(db)).map(({ title }) => title).sort()).toEqual(['a', 'b', 'c'])
})

test('200 files at once all come in', async () => {
  const pictures = await Promise.all(Array.from({ length: 200 }, (_, number) => png(number)))
  await Promise.all(pictures.map((picture, number) => add(picture, `p ${number}.png`)))
  expect([await kept(), (await listMaterial(db)).length]).toEqual([200, 200])
})

test('a disk that is full leaves nothing half kept, and what came before is still there', async () => {
  await add(await png(1))
  const full = Object.assign(new Error('write'), { code: 'ENOSPC' })
  const write = folder.keep.bind(folder)
  const keep = jest.spyOn(folder, 'keep').mockImplementation((hash, make) =>
    write(hash, async making => {
      await make(making)
      throw full
    }),
  )
  await expect(add(await png(2))).rejects.toBe(full)
  await expect(add(Buffer.from('%PDF-1.4\n%%EOF'), 'a.pdf')).rejects.toBe(full)
  keep.mockRestore()
  expect([await kept(), (await listMaterial(db)).length]).toEqual([1, 1])
  expect((await readdir(join(data, 'material'))).filter(name => name.startsWith('making'))).toEqual([])
})

test('what was being made when the server ended is taken away when it starts', async () => {
  await writeFile(join(data, 'material', 'making-x'), 'half')
  await new FileFolder(data).start()
  expect(await readdir(join(data, 'material'))).toEqual([])
})

test('other files are kept byte for byte', async () => {
  const pdf = Buffer.from('%PDF-1.4\n1 0 obj<</Type/Catalog>>endobj\ntrailer<</Root 1 0 R>>\n%%EOF')
  const taken = await takeIn(await sent(pdf), folder)
  expect(taken).toMatchObject({ kind: 'pdf', type: 'application/pdf', bytes: pdf.length, width: null })
  expect(await readFile(folder.pathOf(taken.hash, 'whole'))).toEqual(pdf)
})

test('no name leads out of the folder', () => {
  for (const hash of ['..', '../../etc', `${'a'.repeat(63)}/`, 'A'.repeat(64)])
    expect(() => folder.pathOf(hash, 'whole')).toThrow()
})

describe('what nothing uses', () => {
  const boardWith = (hash: string) => [
    { id: 'p', kind: 'pictures', text: '', settings: { pictures: [{ file: hash, title: '' }] } } as never,
  ]
  /** A file that is in no list any more. */
  async function gone(red: number): Promise<string> {
    const { id } = await add(await png(red))
    const [row] = await db.select({ hash: materials.fileHash }).from(materials).where(eq(materials.id, id))
    await db.update(materials).set({ removedAt: new Date() }).where(eq(materials.id, id))
    return row?.hash ?? ''
  }

  test('is counted, and removed for good; what a board, an earlier version or a session uses stays', async () => {
    const [onBoard, before, inSession, nowhere, given, said, shown] = await Promise.all(
      [1, 2, 3, 4, 6, 7, 8].map(gone),
    )
    await add(await png(5))
    await db.insert(boards).values({ id: 'b', title: 'B', steps: [], prompts: boardWith(onBoard ?? '') })
    const content = { title: 'B', steps: [], prompts: boardWith(before ?? '') }
    await db.insert(boardVersions).values({ boardId: 'b', version: 1, content, savedBy: '' })
    await db.insert(sessions).values({
      id: 's',
      title: 'S',
      startsAt: new Date(),
      timeZone: 'UTC',
      joinCode: 'CODE',
      roomMinutes: 1,
      graceSeconds: 0,
      waitingList: false,
    })
    const board = { title: 'B', steps: [], prompts: boardWith(inSession ?? '') }
    await db.insert(boardCopies).values({ id: 'c', sessionId: 's', roomId: 'r', board })
    const thing = { is: 'picture', title: 'G', file: given, width: 1, height: 1 }
    const payload = { type: 'material-given', givenId: 'g', thing, roomIds: null }
    await db
      .insert(sessionEvents)
      .values({ sessionId: 's', seq: 1, at: new Date(), actor: '', type: payload.type, version: 1, payload })
    const broadcast = {
      type: 'broadcast',
      messageId: 'm',
      text: 'x',
      from: '',
      thing: { ...thing, file: said },
    }
    await db.insert(sessionEvents).values({
      sessionId: 's',
      seq: 2,
      at: new Date(),
      actor: '',
      type: broadcast.type,
      version: 1,
      payload: broadcast,
    })
    const up = { is: 'material', thing: { ...thing, file: shown } }
    await db.insert(sessionEvents).values({
      sessionId: 's',
      seq: 3,
      at: new Date(),
      actor: '',
      type: 'thing-put-up',
      version: 1,
      payload: { type: 'thing-put-up', thing: up, onPages: true },
    })

    expect(await spaceUsed(db)).toMatchObject({ unusedFiles: 1 })
    expect(await removeUnused(db, folder)).toBe(1)
    expect(await folder.has(nowhere ?? '')).toBe(false)
    for (const hash of [onBoard, before, inSession, given, said, shown])
      expect(await folder.has(hash ?? '')).toBe(true)
    expect(await spaceUsed(db)).toMatchObject({ unusedFiles: 0, unused: 0 })
    expect(await removeUnused(db, folder)).toBe(0)
    // Of those whose file is still there the entry can be put back.
    expect(await db.select().from(materials)).toHaveLength(7)
  })

  test('what lies in the folder and is in no list goes as well', async () => {
    await takeIn(await sent(await png()), folder)
    expect([await kept(), await removeUnused(db, folder), await kept()]).toEqual([1, 0, 0])
  })

  test('with nothing there nothing is removed', async () => {
    expect(await removeUnused(db, folder)).toBe(0)
    expect(await spaceUsed(db)).toEqual({ all: 0, unused: 0, unusedFiles: 0 })
  })
})

test('links are listed like files, and what is renamed is called so; where something stands is told', async () => {
  await addLink(db, { title: 'The paths', address: 'https://lowmarsh.example/', by: 'Marit' })
  const { id } = await add(await png())
  await renameMaterial(db, id, 'The mere')
  await expect(renameMaterial(db, 'nothing', 'x')).rejects.toThrow('is not here')
  const [hash = ''] = await folder.list()
  const prompts = [{ id: 'p', kind: 'pictures', text: '', settings: { pictures: [{ file: hash }] } } as never]
  await db.insert(boards).values({ id: 'b', title: 'Looking', steps: [], prompts })
  expect((await listMaterial(db)).map(({ title, kind, usedOn }) => [title, kind, usedOn])).toEqual([
    ['The mere', 'picture', ['Looking']],
    ['The paths', 'link', []],
  ])
})
