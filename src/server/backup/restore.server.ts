import {
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  realpathSync,
  renameSync,
  rmSync,
} from 'node:fs'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { lockFolder } from '../db/lock.server'
import {
  ASIDE,
  BackupError,
  FILES,
  type Manifest,
  mustBeWhole,
  readDump,
  readManifest,
  rowsOf,
} from './backup.server'

export interface RestoreAsked {
  /** A backup's own folder. */
  from: string
  dataFolder: string
  /** Whether what is in the data folder may be moved aside. */
  over: boolean
  now: Date
}

export interface Restored {
  manifest: Manifest
  /** Where what was in the data folder lies now; null when it was empty. */
  movedTo: string | null
}

/**
 * Puts a backup into the data folder. It is opened and counted beside it first; what was there before is moved aside, never
 * removed. Throws BackupError for a backup that is not whole and, without `over`, when anything is in the data folder;
 * FolderInUseError while a server works on it.
 */
export async function restoreBackup({ from, dataFolder, over, now }: RestoreAsked): Promise<Restored> {
  const manifest = readManifest(from)
  const dump = readDump(from, manifest)
  mkdirSync(dataFolder, { recursive: true })
  const target = realpathSync(dataFolder)
  const inIt = () => readdirSync(target).filter(name => name !== 'server.lock')
  if (inIt().length > 0 && !over)
    throw new BackupError(
      `There is something in ${dataFolder} already. Give --over to move it aside and put the backup in its place, or choose another DATA_FOLDER.`,
    )
  const letGo = await lockFolder(target)
  const restoring = join(target, 'restoring')
  try {
    rmSync(restoring, { recursive: true, force: true })
    mkdirSync(restoring)
    await unpack(dump, join(restoring, 'postgres'), manifest)
    if (existsSync(join(from, FILES))) cpSync(join(from, FILES), restoring, { recursive: true })
    const before = inIt().filter(name => name !== 'restoring' && !name.startsWith(ASIDE))
    // Within the folder: beside it may be another disk, or a place that may not be written to.
    const aside = join(target, `${ASIDE}${now.toISOString().replace(/[:.]/g, '-')}`)
    if (before.length > 0) mkdirSync(aside)
    for (const name of before) renameSync(join(target, name), join(aside, name))
    for (const name of readdirSync(restoring)) renameSync(join(restoring, name), join(target, name))
    return { manifest, movedTo: before.length > 0 ? aside : null }
  } finally {
    rmSync(restoring, { recursive: true, force: true })
    await letGo()
  }
}

/** Makes the database's files of a dump, and counts what is in them. */
async function unpack(dump: Blob, to: string, manifest: Manifest): Promise<void> {
  const database = await PGlite.create({ dataDir: to, loadDataDir: dump })
  try {
    mustBeWhole(await rowsOf(database), manifest)
  } finally {
    await database.close()
  }
  const postgres = readFileSync(join(to, 'PG_VERSION'), 'utf8').trim()
  if (postgres !== manifest.postgres)
    throw new BackupError(`The backup is of PostgreSQL ${manifest.postgres}, and this is ${postgres}.`)
}
