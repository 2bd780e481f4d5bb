/** `npm run backup` and `npm run restore`: what they are given, and what they say. */
import { join, resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { z } from 'zod'
import { BackupError, backupsIn, makeBackup } from './backup.server'
import { restoreBackup } from './restore.server'

const settings = z.object({
  DATA_FOLDER: z.string().min(1).default('data'),
  BACKUP_FOLDER: z.string().min(1).default('backups'),
  BACKUPS_KEPT: z.coerce.number().int().min(1).max(10_000).default(14),
})

const size = (rows: Record<string, number>) => Object.values(rows).reduce((sum, count) => sum + count, 0)

async function backup(): Promise<string[]> {
  const { DATA_FOLDER, BACKUP_FOLDER, BACKUPS_KEPT } = settings.parse(process.env)
  const { folder, manifest, removed } = await makeBackup({
    dataFolder: resolve(DATA_FOLDER),
    into: resolve(BACKUP_FOLDER),
    keep: BACKUPS_KEPT,
    now: new Date(),
  })
  return [
    `Backed up to ${folder}, opened again and counted: ${size(manifest.rows)} rows.`,
    ...removed.map(name => `Removed the old one ${name}.`),
  ]
}

async function restore(args: string[]): Promise<string[]> {
  const { DATA_FOLDER, BACKUP_FOLDER } = settings.parse(process.env)
  const { values, positionals } = parseArgs({
    args,
    options: { over: { type: 'boolean', default: false } },
    allowPositionals: true,
  })
  const into = resolve(BACKUP_FOLDER)
  const [newest] = backupsIn(into)
  const [named = newest && join(into, newest)] = positionals
  if (!named)
    throw new BackupError(`There is no backup in ${into}. Name one: npm run restore -- <its folder>`)
  const { manifest, movedTo } = await restoreBackup({
    from: resolve(named),
    dataFolder: resolve(DATA_FOLDER),
    over: values.over,
    now: new Date(),
  })
  return [
    `Restored ${named} of ${manifest.madeAt}: ${size(manifest.rows)} rows in ${resolve(DATA_FOLDER)}.`,
    ...(movedTo ? [`What was there before lies in ${movedTo}.`] : []),
  ]
}

const [what, ...args] = process.argv.slice(2)
try {
  const lines = what === 'restore' ? await restore(args) : await backup()
  process.stdout.write(`${lines.join('\n')}\n`)
} catch (error) {
  process.stderr.write(`${wordsOf(error as Error)}\n`)
  process.exit(1)
}

/** What went wrong, for whoever gave the command; with its trace where nobody expected it. */
function wordsOf(error: Error): string {
  if (error instanceof z.ZodError)
    return `These settings can't be used: ${error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`).join('; ')}`
  const isExpected = ['BackupError', 'FolderInUseError', 'DataFolderError'].includes(error.name)
  return isExpected || error.name === 'TypeError' ? error.message : String(error.stack)
}
