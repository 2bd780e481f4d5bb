import { eq } from 'drizzle-orm'
import type { BroadcastMaterial, MaterialToGive } from '~/contracts/live-material'
import type { GivenThing } from '~/core/live/material/given'
import type { LiveProblem } from '~/core/live/topics'
import type { Account } from '../auth/sign-ins.server'
import type { Database } from '../db/database.server'
import { files, materials } from '../db/schema.server'
import type { LiveHub } from '../live/hub.server'
import { listMaterial } from '../material/material.server'
import { type Result, refused } from '../result'
import { newId } from '../tokens.server'

/** What the library holds, what was added last first. */
export async function materialToGive(db: Database): Promise<MaterialToGive[]> {
  return (await listMaterial(db)).map(({ id, title, kind }) => ({ id, title, kind }))
}

/** Gives something of the library to everybody in a running session, or to some rooms. */
export async function giveMaterial(
  db: Database,
  hub: LiveHub,
  by: Account,
  sessionId: string,
  { materialId, roomIds }: { materialId: string; roomIds: string[] | null },
): Promise<Result<unknown, LiveProblem>> {
  const thing = await thingOf(db, materialId)
  if (!thing) return refused({ code: 'no-such-material' })
  const actor = { kind: 'facilitator', accountId: by.id, name: by.displayName } as const
  return hub.command(sessionId, actor, { type: 'give-material', thing, roomIds, givenId: newId() })
}

/** Puts something of the library up for all to see. */
export async function putUpMaterial(
  db: Database,
  hub: LiveHub,
  by: Account,
  sessionId: string,
  { materialId, onPages }: { materialId: string; onPages: boolean },
): Promise<Result<unknown, LiveProblem>> {
  const thing = await thingOf(db, materialId)
  if (!thing) return refused({ code: 'no-such-material' })
  const actor = { kind: 'facilitator', accountId: by.id, name: by.displayName } as const
  return hub.command(sessionId, actor, { type: 'put-up-material', thing: { is: 'material', thing }, onPages })
}

/** Says something to everybody, or to some rooms, with something of the library; now or after some minutes. */
export async function broadcastMaterial(
  db: Database,
  hub: LiveHub,
  by: Account,
  sessionId: string,
  { materialId, ...said }: BroadcastMaterial,
): Promise<Result<unknown, LiveProblem>> {
  const thing = await thingOf(db, materialId)
  if (!thing) return refused({ code: 'no-such-material' })
  const actor = { kind: 'facilitator', accountId: by.id, name: by.displayName } as const
  return hub.command(sessionId, actor, { type: 'broadcast-material', ...said, thing, messageId: newId() })
}

async function thingOf(db: Database, materialId: string): Promise<GivenThing | null> {
  const [row] = await db
    .select({ material: materials, file: files })
    .from(materials)
    .leftJoin(files, eq(materials.fileHash, files.hash))
    .where(eq(materials.id, materialId))
  if (!row || row.material.removedAt !== null) return null
  const { kind, title, address } = row.material
  if (kind === 'link') return address === null ? null : { is: 'link', title, address }
  if (!row.file) return null
  const { hash: file, width, height, captions } = row.file
  return { is: kind, title, file, width, height, ...(captions !== null && { captioned: true }) }
}
