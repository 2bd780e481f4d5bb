import { and, desc, eq, isNotNull, isNull, notInArray, sql } from 'drizzle-orm'
import { filesIn } from '~/core/boards/files-in'
import { type Material, type MaterialKind, titleOfFile } from '~/core/material/material'
import type { Database } from '../db/database.server'
import { boards, files, materials } from '../db/schema.server'
import { notFound } from '../errors.server'
import { newId } from '../tokens.server'
import type { FileFolder } from './file-folder.server'
import { type TakenIn, takeIn } from './take-in.server'

/** What is shown of a library at most. */
const MOST_LISTED = 2_000

/** What of a file is listed: captions can be long. */
const withoutCaptions = {
  hash: files.hash,
  bytes: files.bytes,
  width: files.width,
  height: files.height,
  captioned: sql<boolean>`${files.captions} is not null`,
}

/** The library, what was added last first. */
export async function listMaterial(db: Database): Promise<Material[]> {
  const [rows, onBoards] = await Promise.all([
    db
      .select({ material: materials, file: withoutCaptions })
      .from(materials)
      .leftJoin(files, eq(materials.fileHash, files.hash))
      .where(isNull(materials.removedAt))
      .orderBy(desc(materials.addedAt), desc(materials.id))
      .limit(MOST_LISTED),
    db.select({ title: boards.title, prompts: boards.prompts }).from(boards).where(isNull(boards.removedAt)),
  ])
  const users = new Map<string, string[]>()
  for (const { title, prompts } of onBoards)
    for (const hash of filesIn({ prompts })) users.set(hash, [...(users.get(hash) ?? []), title])
  return rows.map(({ material, file }) => ({
    id: material.id,
    kind: material.kind,
    title: material.title,
    address: material.address,
    file: file?.hash ? { ...file, captioned: file.captioned === true } : null,
    addedBy: material.addedBy,
    addedAt: material.addedAt.getTime(),
    usedOn: (file && users.get(file.hash)) ?? [],
  }))
}

/** Takes a file that was sent into the library; `name` is what its sender called it. Throws NotTakenError. */
export async function addFile(
  db: Database,
  folder: FileFolder,
  { path, name, by }: { path: string; name: string; by: string },
): Promise<{ id: string }> {
  const id = newId()
  await folder.inTurn(async () => {
    const taken = await takeIn(path, folder)
    await db.transaction(async transaction => {
      await transaction.insert(files).values(rowOf(taken)).onConflictDoNothing()
      await transaction.insert(materials).values({
        id,
        kind: taken.kind,
        title: titleOfFile(name),
        fileHash: taken.hash,
        addedBy: by,
      })
    })
  })
  return { id }
}

const rowOf = ({ hash, kind, type, bytes, width, height }: TakenIn) => ({
  hash,
  kind,
  type,
  bytes,
  width,
  height,
})

export async function addLink(
  db: Database,
  { title, address, by }: { title: string; address: string; by: string },
): Promise<void> {
  await db.insert(materials).values({ id: newId(), kind: 'link', title, address, addedBy: by })
}

/** Throws not-found. */
export async function renameMaterial(db: Database, id: string, title: string): Promise<void> {
  const renamed = await db
    .update(materials)
    .set({ title })
    .where(eq(materials.id, id))
    .returning({ id: materials.id })
  if (renamed.length === 0) throw notFound('material')
}

/** Gives a sound or film of the library its captions, in the place of those before; null takes them away. Throws not-found. */
export async function setCaptions(db: Database, id: string, captions: string | null): Promise<void> {
  const [entry] = await db
    .select({ kind: materials.kind, hash: materials.fileHash })
    .from(materials)
    .where(eq(materials.id, id))
  if (!entry?.hash || (entry.kind !== 'sound' && entry.kind !== 'video')) throw notFound('material')
  await db.update(files).set({ captions }).where(eq(files.hash, entry.hash))
}

/** The captions of a kept file; null when it has none. */
export async function captionsOf(db: Database, hash: string): Promise<string | null> {
  const [file] = await db.select({ captions: files.captions }).from(files).where(eq(files.hash, hash))
  return file?.captions ?? null
}

/** A kept file by its hash; undefined when there is none. */
export async function fileOf(
  db: Database,
  hash: string,
): Promise<{ kind: MaterialKind; type: string } | undefined> {
  const [file] = await db
    .select({ kind: files.kind, type: files.type })
    .from(files)
    .where(eq(files.hash, hash))
  return file
}

export interface SpaceUsed {
  /** In bytes. */
  all: number
  /** Of files that nothing uses: not in the library, on no board or version of one, in no session. */
  unused: number
  unusedFiles: number
}

/** How much all files take. */
export async function spaceUsed(db: Database): Promise<SpaceUsed> {
  const used = await usedHashes(db)
  const [all] = await db.select({ bytes: sql<string>`coalesce(sum(${files.bytes}), 0)` }).from(files)
  const unused = await db
    .select({ hash: files.hash, bytes: files.bytes })
    .from(files)
    .where(used.length > 0 ? notInArray(files.hash, used) : undefined)
  return {
    all: Number(all?.bytes ?? 0),
    unused: unused.reduce((sum, { bytes }) => sum + bytes, 0),
    unusedFiles: unused.length,
  }
}

/** Removes the files that nothing uses, and whatever lies in the folder and is in no list. Gives how many there were. */
export const removeUnused = (db: Database, folder: FileFolder): Promise<number> =>
  folder.inTurn(() => removeUnusedNow(db, folder))

async function removeUnusedNow(db: Database, folder: FileFolder): Promise<number> {
  const used = await usedHashes(db)
  // What was taken out of the library can be put back as long as its file is there.
  await db
    .delete(materials)
    .where(
      and(
        isNotNull(materials.removedAt),
        isNotNull(materials.fileHash),
        used.length > 0 ? notInArray(materials.fileHash, used) : undefined,
      ),
    )
  const gone = await db
    .delete(files)
    .where(used.length > 0 ? notInArray(files.hash, used) : undefined)
    .returning({ hash: files.hash })
  const listed = new Set((await db.select({ hash: files.hash }).from(files)).map(({ hash }) => hash))
  for (const hash of await folder.list()) if (!listed.has(hash)) await folder.remove(hash)
  return gone.length
}

/** Hashes of all files that the library, a board, an earlier version of one or a session still uses. */
async function usedHashes(db: Database): Promise<string[]> {
  const found = (await db.execute(sql`
    select file_hash as hash from materials where file_hash is not null and removed_at is null
    union select (regexp_matches(prompts::text, '"file": "([0-9a-f]{64})"', 'g'))[1] from boards
    union select (regexp_matches(content::text, '"file": "([0-9a-f]{64})"', 'g'))[1] from board_versions
    union select (regexp_matches(board::text, '"file": "([0-9a-f]{64})"', 'g'))[1] from board_copies
    union select file_hash from copy_files
    union select payload->'thing'->>'file' from session_events
      where type in ('material-given', 'broadcast', 'broadcast-scheduled') and payload->'thing'->>'file' is not null
    union select payload->'thing'->'thing'->>'file' from session_events
      where type = 'thing-put-up' and payload->'thing'->'thing'->>'file' is not null`)) as unknown as {
    rows: { hash: string }[]
  }
  return found.rows.map(({ hash }) => hash)
}
