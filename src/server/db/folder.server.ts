import { existsSync, readdirSync } from 'node:fs'
import { join } from 'node:path'

/** The data folder cannot be worked on as it is. The message is for whoever started the server. */
export class DataFolderError extends Error {
  override name = 'DataFolderError'
}

/** Without one of these there is no database (PostgreSQL 17, section 65.1 "Database File Layout"). */
const NEEDED = ['PG_VERSION', 'base', 'global', join('global', 'pg_control'), 'pg_wal']

/**
 * Refuses the folder of a database of which a part is missing: what opens it would make a new one in its place, and nobody
 * would see the old data again. One that is not there, or empty, is made anew.
 */
export function checkFolder(folder: string): void {
  if (!existsSync(folder) || readdirSync(folder).length === 0) return
  const missing = NEEDED.filter(part => !existsSync(join(folder, part)))
  if (missing.length === 0) return
  throw new DataFolderError(
    `The folder ${folder} holds only a part of a database: ${missing.join(', ')} ${missing.length === 1 ? 'is' : 'are'} missing. ` +
      'Nothing was changed. Restore the data folder from a backup; or, to begin with an empty one, move it away or choose another DATA_FOLDER.',
  )
}

/** The database is there and cannot be opened. */
export const damagedFolder = (folder: string, cause: unknown): DataFolderError =>
  new DataFolderError(
    `The database in ${folder} could not be opened: it seems to be damaged. Restore the data folder from a backup, or choose another DATA_FOLDER.`,
    { cause },
  )
