/** The log of who did what with accounts, people, exports and removals. Nobody can change it; old entries go by themselves. */
import { desc, lt } from 'drizzle-orm'
import type { Deed, DeedKind } from '~/contracts/deeds'
import type { RemovableKind } from '~/contracts/removals'
import { serverNow } from '../clock.server'
import type { Database } from '../db/database.server'
import { deeds } from '../db/schema.server'
import { nameOf } from '../removals/things.server'

/** How long an entry is kept, in milliseconds: a school year with the summer after it. */
const KEPT_MS = 400 * 24 * 60 * 60 * 1000
/** Entries a page shows. */
const AT_ONCE = 50

interface Noted {
  kind: DeedKind
  /** What it was done with: its name is looked up and kept. */
  thing?: { kind: RemovableKind; id: string }
  /** Where there is no such thing. */
  about?: string
  count?: number
}

/** Writes down what somebody has just done. */
export async function noteDeed(
  db: Database,
  by: { displayName: string },
  { kind, thing, about, count }: Noted,
): Promise<void> {
  await db.insert(deeds).values({
    at: new Date(serverNow()),
    byName: by.displayName,
    kind,
    thing: thing?.kind ?? null,
    about: about ?? (thing ? ((await nameOf(db, thing.kind, thing.id)) ?? '') : ''),
    count: count ?? null,
  })
  await db.delete(deeds).where(lt(deeds.at, new Date(serverNow() - KEPT_MS)))
}

/** What was done, the latest first, from before an entry on; and whether there is more. */
export async function listDeeds(
  db: Database,
  before: number | null,
): Promise<{ deeds: Deed[]; more: boolean }> {
  const rows = await db
    .select()
    .from(deeds)
    .where(before === null ? undefined : lt(deeds.id, before))
    .orderBy(desc(deeds.id))
    .limit(AT_ONCE + 1)
  return { deeds: rows.slice(0, AT_ONCE), more: rows.length > AT_ONCE }
}
