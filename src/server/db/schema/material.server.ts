import { bigint, index, integer, pgTable, text } from 'drizzle-orm/pg-core'
import type { FileKind, MaterialKind } from '~/core/material/material'
import { moment } from './columns.server'

/** A file that is kept in the data folder, under the hash of what was sent. */
export const files = pgTable('files', {
  hash: text('hash').primaryKey(),
  kind: text('kind').$type<FileKind>().notNull(),
  /** As its content says. */
  type: text('type').notNull(),
  /** All that is kept of it. */
  bytes: bigint('bytes', { mode: 'number' }).notNull(),
  width: integer('width'),
  height: integer('height'),
  /** Of a sound or film, what is said in it, as WebVTT. */
  captions: text('captions'),
  keptAt: moment('kept_at').notNull().defaultNow(),
})

export const materials = pgTable(
  'materials',
  {
    id: text('id').primaryKey(),
    kind: text('kind').$type<MaterialKind>().notNull(),
    title: text('title').notNull(),
    fileHash: text('file_hash').references(() => files.hash),
    address: text('address'),
    addedBy: text('added_by').notNull(),
    addedAt: moment('added_at').notNull().defaultNow(),
    removedAt: moment('removed_at'),
  },
  table => [index('materials_file').on(table.fileHash)],
)
