import { z } from 'zod'

/** An id as this program makes them, or a participant's browser sends one back. */
export const idSchema = z
  .string()
  .min(1)
  .max(40)
  // States are objects by id: what every object answers to by itself is nobody's.
  .refine(id => !(id in Object.prototype))
/** Milliseconds since 1970. */
export const momentSchema = z.number()
