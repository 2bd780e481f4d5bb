/**
 * Where files lie: `material/<first two letters>/<hash>/` in the data folder, with what is kept of it. What is being made has
 * another name, and is moved to its place in one step: a file is there whole or not at all.
 */
import { createHash } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { cp, mkdir, readdir, rename, rm, stat, statfs } from 'node:fs/promises'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { fileHash } from '~/core/material/material'
import { newId } from '../tokens.server'

/** So much is left free on the disk, in bytes: the database must be able to write. */
const LEFT_FREE = 200 * 1024 * 1024
/** The names of what is being made begin so. */
export const MAKING = 'making-'
/** In the data folder, where what is on its way lies. */
export const UPLOADS = 'uploads'

export class FileFolder {
  private readonly root: string
  /** Where what is on its way lies. */
  readonly uploads: string

  constructor(dataFolder: string) {
    this.root = join(dataFolder, 'material')
    this.uploads = join(dataFolder, UPLOADS)
  }

  private last: Promise<unknown> = Promise.resolve()

  /** One after the other: pictures are dear, and a file that is just taken in is not removed as unused. */
  inTurn<Value>(work: () => Promise<Value>): Promise<Value> {
    const next = this.last.then(work, work)
    this.last = next.catch(() => undefined)
    return next
  }

  /** Takes away what was being made when the server ended. */
  async start(): Promise<void> {
    await mkdir(this.root, { recursive: true })
    await mkdir(this.uploads, { recursive: true })
    for (const name of await readdir(this.root))
      if (name.startsWith(MAKING)) await rm(join(this.root, name), { recursive: true, force: true })
  }

  /** Where one file of what is kept under a hash lies; throws for what is no hash, so that no name leads anywhere else. */
  pathOf(hash: string, name: string): string {
    return join(this.folderOf(hash), name)
  }

  /** A place for something that is not whole yet; whoever takes it takes it away again, and the next start does. */
  making = (): string => join(this.root, `${MAKING}${newId()}`)

  async has(hash: string): Promise<boolean> {
    return stat(this.folderOf(hash)).then(
      () => true,
      () => false,
    )
  }

  /** Makes what is kept under a hash: `make` writes it into a folder of its own. Gives how many bytes there are. */
  async keep(hash: string, make: (folder: string) => Promise<void>): Promise<number> {
    const making = this.making()
    await mkdir(making, { recursive: true })
    try {
      await make(making)
      const bytes = await bytesIn(making)
      const folder = this.folderOf(hash)
      await mkdir(join(folder, '..'), { recursive: true })
      // The same file twice at once: whichever comes first stays.
      await rename(making, folder).catch(async error => {
        if (!(await this.has(hash))) throw error
      })
      return bytes
    } finally {
      await rm(making, { recursive: true, force: true })
    }
  }

  async remove(hash: string): Promise<void> {
    await rm(this.folderOf(hash), { recursive: true, force: true })
  }

  /** Hashes of everything that lies there. */
  async list(): Promise<string[]> {
    const shelves = (await readdir(this.root)).filter(name => /^[0-9a-f]{2}$/.test(name))
    const each = await Promise.all(shelves.map(shelf => readdir(join(this.root, shelf))))
    return each.flat().filter(name => fileHash.safeParse(name).success)
  }

  /** Whether so many bytes more may be written. */
  async hasRoomFor(bytes: number): Promise<boolean> {
    const { bavail, bsize } = await statfs(this.root)
    return bavail * bsize - bytes > LEFT_FREE
  }

  private folderOf(hash: string): string {
    const sound = fileHash.parse(hash)
    return join(this.root, sound.slice(0, 2), sound)
  }
}

async function bytesIn(folder: string): Promise<number> {
  const sizes = await Promise.all((await readdir(folder)).map(name => stat(join(folder, name))))
  return sizes.reduce((sum, { size }) => sum + size, 0)
}

/** The name of a file's content: its SHA-256 in hexadecimal (FIPS 180-4). */
export async function hashOf(path: string): Promise<string> {
  const hash = createHash('sha256')
  await pipeline(createReadStream(path), hash)
  return hash.digest('hex')
}

/** Puts a file in its place, unchanged. */
export const copyTo = (path: string, to: string): Promise<void> => cp(path, to)
