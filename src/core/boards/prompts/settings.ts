/** What kinds of prompts have in common in what can be set about them. As a form has them: a list is a text of lines. */
import { z } from 'zod'
import { visibleText } from '../../formats/clean-text'

interface LabelLimits {
  least: number
  most: number
  /** Characters of one. */
  longest: number
  /** What they are called, in the plural. */
  called: string
}

/** A list of labels, one a line; empty ones are left out, and none may be there twice. */
export const labels = ({
  least,
  most,
  longest,
  called,
}: LabelLimits): z.ZodType<string[], string[] | string> =>
  z
    .union([
      z
        .string()
        .max(10_000)
        .transform(text => text.split('\n')),
      z.array(z.string().max(1_000)).max(200),
    ])
    .transform(lines => lines.map(line => visibleText(line).trim()).filter(line => line !== ''))
    .refine(lines => lines.length >= least, `Write at least ${least} ${called}, one a line.`)
    .refine(lines => lines.length <= most, `At most ${most} ${called}.`)
    .refine(
      lines => lines.every(line => line.length <= longest),
      `Use at most ${longest} characters for each of the ${called}.`,
    )
    .refine(
      lines => new Set(lines.map(line => line.toLocaleLowerCase())).size === lines.length,
      `Two ${called} are the same.`,
    )

/** A number of things, or none for as many as one likes. */
export const mostOf = (most: number) => z.number().int().min(1).max(most).optional()

/** How an answer to one of several is named when said aloud. */
export const letterOf = (place: number): string => String.fromCharCode(65 + place)
