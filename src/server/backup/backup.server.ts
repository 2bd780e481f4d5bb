/** Backups: made while the server works or stands still, opened again before they count, and as many kept as are wanted. */
import { createHash } from 'node:crypto'
import {
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  realpathSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { basename, join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { z } from 'zod'
import { checkFolder } from '../db/folder.server'
import { askHolder, lockFolder } from '../db/lock.server'
import { MAKING, UPLOADS } from '../material/file-folder.server'

/** A backup cannot be made or taken up. The message is for whoever gave the command. */
export class BackupError extends Error {
  override name = 'BackupError'
}

/** What a backup says of itself, in `backup.json` beside the database's dump. */
const manifestSchema = z.object({
  format: z.literal(1),
  madeAt: z.iso.datetime(),
  /** Major version of PostgreSQL: a dump opens in no other. */
  postgres: z.string(),
  /** SHA-256 of the dump, in hexadecimal. */
  dump: z.string(),
  /** Rows by table. */
  rows: z.record(z.string(), z.number().int().nonnegative()),
})
export type Manifest = z.infer<typeof manifestSchema>

export const MANIFEST = 'backup.json'
/** The database's own dump: its files, packed. */
export const DUMP = 'postgres.tar.gz'
/** Whatever else lies in the data folder. */
export const FILES = 'files'
/** In the data folder, and not among its files; uploads that are not finished have to be sent again. */
const NOT_FILES = new Set(['postgres', 'server.lock', UPLOADS])
/** What a restored backup took the place of. */
export const ASIDE = 'before-'
/** Names of backups: the moment in UTC. What is being made has another name, and is no backup yet. */
const NAME = /^\d{4}-\d\d-\d\dT\d\d-\d\d-\d\d-\d{3}Z$/

export interface BackupAsked {
  dataFolder: string
  /** Where backups lie. */
  into: string
  /** So many are kept, the newest; at least one. */
  keep: number
  now: Date
}

export interface MadeBackup {
  folder: string
  manifest: Manifest
  /** Names of those that were removed. */
  removed: string[]
}

/**
 * Makes a backup. A server that works on the folder goes on meanwhile: it stands still only while its files are copied. The
 * copy is opened, which puts in order what was under way, dumped, and the dump opened again and counted. Older backups are
 * removed only after that.
 * Throws BackupError when there is no database, or when the dump does not open as it was.
 */
export async function makeBackup({ dataFolder, into, keep, now }: BackupAsked): Promise<MadeBackup> {
  if (!existsSync(join(dataFolder, 'postgres')))
    throw new BackupError(`There is no database in ${dataFolder}. Say with DATA_FOLDER where it lies.`)
  mkdirSync(into, { recursive: true })
  const name = now.toISOString().replace(/[:.]/g, '-')
  const folder = join(into, name)
  const making = join(realpathSync(into), `making-${name}`)
  if (existsSync(folder) || existsSync(making)) throw new BackupError(`There is ${folder} already.`)
  mkdirSync(making)
  try {
    const copy = join(making, 'copy')
    if (!(await askHolder(dataFolder, { copyTo: copy }))) await copyAtRest(dataFolder, copy)
    // After the database: what it names is there, and more does no harm.
    copyFiles(dataFolder, join(making, FILES))
    const manifest = await dumpOf(copy, join(making, DUMP), now)
    rmSync(copy, { recursive: true })
    writeFileSync(join(making, MANIFEST), `${JSON.stringify(manifest, null, 2)}\n`)
    await openAgain(making, manifest)
    renameSync(making, folder)
    return { folder, manifest, removed: removeOld(into, Math.max(1, keep)) }
  } catch (error) {
    rmSync(making, { recursive: true, force: true })
    throw error
  }
}

/** Copies the files of a database nobody works on. */
async function copyAtRest(dataFolder: string, to: string): Promise<void> {
  const letGo = await lockFolder(dataFolder)
  try {
    checkFolder(join(dataFolder, 'postgres'))
    cpSync(join(dataFolder, 'postgres'), to, { recursive: true })
  } finally {
    await letGo()
  }
}

function copyFiles(dataFolder: string, to: string): void {
  for (const name of readdirSync(dataFolder))
    if (!NOT_FILES.has(name) && !name.startsWith(ASIDE))
      cpSync(join(dataFolder, name), join(to, name), {
        recursive: true,
        // What is only being made may be gone in the next moment, and nothing names it yet.
        filter: from => !basename(from).startsWith(MAKING),
      })
}

async function dumpOf(copy: string, to: string, now: Date): Promise<Manifest> {
  const database = await PGlite.create({ dataDir: copy })
  try {
    const rows = await rowsOf(database)
    const dump = Buffer.from(await (await database.dumpDataDir('gzip')).arrayBuffer())
    writeFileSync(to, dump)
    const postgres = readFileSync(join(copy, 'PG_VERSION'), 'utf8').trim()
    return { format: 1, madeAt: now.toISOString(), postgres, dump: sha256(dump), rows }
  } finally {
    await database.close()
  }
}

/** Opens a backup in memory, and counts. */
async function openAgain(folder: string, manifest: Manifest): Promise<void> {
  const database = await PGlite.create({ loadDataDir: readDump(folder, manifest) })
  try {
    mustBeWhole(await rowsOf(database), manifest)
  } finally {
    await database.close()
  }
}

/** The dump of a backup; throws BackupError when it is not as it was made. */
export function readDump(folder: string, { dump }: Manifest): Blob {
  const bytes = readFileSync(join(folder, DUMP))
  if (sha256(bytes) !== dump)
    throw new BackupError(`${join(folder, DUMP)} is damaged: it is not as it was made.`)
  return new Blob([bytes], { type: 'application/x-gzip' })
}

/** Throws BackupError when tables hold other rows than were there when the backup was made. */
export function mustBeWhole(rows: Manifest['rows'], manifest: Manifest): void {
  const wrong = Object.keys({ ...rows, ...manifest.rows }).filter(
    table => rows[table] !== manifest.rows[table],
  )
  if (wrong.length > 0)
    throw new BackupError(`The backup does not open as it was made: ${wrong.join(', ')} differ.`)
}

/** Rows of every table. */
export async function rowsOf(database: PGlite): Promise<Manifest['rows']> {
  const tables = await database.query<{ name: string }>(
    "select format('%I.%I', schemaname, tablename) as name from pg_tables where schemaname in ('public', 'drizzle') order by 1",
  )
  const rows: Manifest['rows'] = {}
  for (const { name } of tables.rows) {
    const counted = await database.query<{ count: number }>(`select count(*)::int as count from ${name}`)
    rows[name] = counted.rows[0]?.count ?? 0
  }
  return rows
}

/** Throws BackupError for a folder that is no backup. */
export function readManifest(folder: string): Manifest {
  const file = join(folder, MANIFEST)
  if (!existsSync(file)) throw new BackupError(`${folder} is no backup: there is no ${MANIFEST} in it.`)
  try {
    return manifestSchema.parse(JSON.parse(readFileSync(file, 'utf8')))
  } catch {
    throw new BackupError(`${file} can not be read: it is damaged, or was made by another version.`)
  }
}

/** Names of the backups in a folder, the newest first. */
export const backupsIn = (folder: string): string[] =>
  existsSync(folder)
    ? readdirSync(folder)
        .filter(name => NAME.test(name))
        .toSorted()
        .toReversed()
    : []

function removeOld(into: string, keep: number): string[] {
  const old = backupsIn(into).slice(keep)
  for (const name of old) rmSync(join(into, name), { recursive: true })
  return old
}

const sha256 = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex')
