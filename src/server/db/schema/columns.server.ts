import { customType, timestamp } from 'drizzle-orm/pg-core'

export const bytes = customType<{ data: Uint8Array; driverData: Uint8Array }>({ dataType: () => 'bytea' })

/** A moment with its time zone. */
export const moment = (name: string) => timestamp(name, { withTimezone: true })
