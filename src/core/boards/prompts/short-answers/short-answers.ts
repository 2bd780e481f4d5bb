import type * as Y from 'yjs'
import { z } from 'zod'
import { type Asked, kindOf } from '../kind'
import { points } from '../markdown'
import { readingAll } from '../pieces'
import { labels } from '../settings'
import { fieldOf, fieldsName, LONGEST_FIELD } from './document'
import { fieldIn, problemIn, problemWith } from './field'

const settings = z.object({
  /** The fields, each a line: see `fieldIn`. */
  fields: labels({ least: 0, most: 12, longest: 120, called: 'fields' })
    .superRefine((lines, context) => {
      for (const line of lines) {
        const problem = problemWith(line)
        if (problem) context.addIssue({ code: 'custom', message: problem })
      }
    })
    .prefault([]),
})

type FieldsPrompt = Asked<z.infer<typeof settings>>

export interface ShortAnswers {
  promptId: string
  kind: 'short-answers'
  fields: { asked: ReturnType<typeof fieldIn>; text: string }[]
}

const isRight = ({ asked, text }: ShortAnswers['fields'][number]) =>
  text.trim() !== '' && problemIn(asked, text) === null

const filled = ({ fields }: ShortAnswers) => fields.filter(field => field.text.trim() !== '')

/** `Depth: 41 cm`; a unit only after what is a number. */
const fieldText = (field: ShortAnswers['fields'][number]) =>
  `${field.asked.label}: ${field.text.trim()}${field.asked.unit && isRight(field) ? ` ${field.asked.unit}` : ''}`

const texts = (answer: ShortAnswers) => filled(answer).map(fieldText)

const read = (doc: Y.Doc, { id, settings: { fields } }: FieldsPrompt): ShortAnswers => ({
  promptId: id,
  kind: 'short-answers',
  fields: fields.map((line, place) => ({
    asked: fieldIn(line),
    text: fieldOf(doc, id, place).toString().slice(0, LONGEST_FIELD),
  })),
})

const pieces = ({ fields }: ShortAnswers) =>
  new Map(fields.flatMap(({ text }, place): [string, string][] => (text ? [[`f${place}`, text]] : [])))

/** Fields with labels, for words or numbers. */
export const shortAnswers = kindOf({
  name: 'short-answers',
  settings,
  paper: ({ fields }) => [
    {
      is: 'fields',
      fields: fields.map(fieldIn).map(({ label, unit }) => ({ before: label, after: unit ?? '' })),
    },
  ],
  missing: ({ fields }) => (fields.length === 0 ? 'Write at least one field, one a line.' : null),
  roots: promptId => [fieldsName(promptId)],
  read,
  pieces,
  restore: ({ id, settings: { fields } }, kept): ShortAnswers => ({
    promptId: id,
    kind: 'short-answers',
    fields: fields.map((line, place) => ({ asked: fieldIn(line), text: kept.get(`f${place}`) ?? '' })),
  }),
  follow: (doc, prompt) =>
    readingAll(
      () => pieces(read(doc, prompt)),
      pieceId => fieldOf(doc, prompt.id, Number(pieceId.slice(1))),
    ),
  places: (doc, { id }, { pieceId }) => [{ is: 'text', text: fieldOf(doc, id, Number(pieceId.slice(1))) }],
  done: ({ fields }) => fields.length > 0 && fields.every(isRight),
  summary: answer => `${filled(answer).length} of ${answer.fields.length} filled in`,
  texts,
  markdown: answer => (texts(answer).length > 0 ? [points(texts(answer))] : []),
})
