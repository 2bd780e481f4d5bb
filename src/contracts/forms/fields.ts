/** Fields that forms are made of. Limits stand here once; the messages are what people read beside the field. */
import { z } from 'zod'
import { parseClean, visibleText } from '~/core/formats/clean-text'

/** One line of text as it reads: what cannot be seen in it does not come in. */
export const line = (what: string, most: number) =>
  z
    .string({ error: `Enter ${what}.` })
    .max(10_000, { error: `Use at most ${most} characters.`, abort: true })
    .overwrite(visibleText)
    .trim()
    .min(1, `Enter ${what}.`)
    .max(most, `Use at most ${most} characters.`)

export const optionalLine = (most: number) =>
  z
    .string()
    .max(10_000, { error: `Use at most ${most} characters.`, abort: true })
    .overwrite(visibleText)
    .trim()
    .max(most, `Use at most ${most} characters.`)
    .optional()
    .default('')

const WHAT_EMAIL = 'Enter an email address such as name@example.org.'

export const email = z
  .string({ error: 'Enter an email address.' })
  .trim()
  .toLowerCase()
  // Too long a text is not looked at any further.
  .max(200, { error: 'Use at most 200 characters.', abort: true })
  .pipe(
    z
      .email({ pattern: z.regexes.unicodeEmail, error: WHAT_EMAIL, abort: true })
      // A name alone after the sign is a machine of one's own network, never where a school's mail goes.
      .refine(address => address.slice(address.indexOf('@')).includes('.'), WHAT_EMAIL),
  )

/** `units` in the plural, of which one is written without its last letter, unless it is said. */
export const count = (least: number, most: number, units: string, one = units.slice(0, -1)) =>
  z
    .number({ error: `Enter a whole number of ${units}.` })
    .int(`Enter a whole number of ${units}.`)
    .min(least, `At least ${least} ${least === 1 ? one : units}.`)
    .max(most, `At most ${most} ${most === 1 ? one : units}.`)

/** What a text says as JSON; undefined when it is none. */
export const parsedJson = (text: string): unknown => {
  try {
    return parseClean(text)
  } catch {
    return undefined
  }
}

export const personIds = (least: number, what: string) =>
  z.array(z.string().min(1).max(40)).min(least, what).max(500)
