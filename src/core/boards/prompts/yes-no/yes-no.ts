import { z } from 'zod'
import { kindOf } from '../kind'
import { paragraph } from '../markdown'
import { lines } from '../paper'
import { WHOLE_ANSWER, wholePiece } from '../pieces'
import { answerName, readDecision, reasonName, reasonOf, type YesNo } from './document'

export interface YesNoAnswer {
  promptId: string
  kind: 'yes-no'
  answer: YesNo | null
  reason: string
}

const WORDS = { yes: 'Yes', no: 'No' }

/** A yes/no answer in one line: `Yes: because`, `No`, or the reason alone while nothing is chosen. */
export const yesNoText = ({ answer, reason }: Pick<YesNoAnswer, 'answer' | 'reason'>): string =>
  [answer && WORDS[answer], reason.trim()].filter(Boolean).join(': ')

/** A line as `yesNoText` writes it. A reason alone that begins like a decision is read as one: nobody can tell them apart. */
function readText(text: string): Pick<YesNoAnswer, 'answer' | 'reason'> {
  const [, word, reason] = /^(Yes|No)(?:: ([\s\S]*))?$/.exec(text) ?? []
  if (word === undefined) return { answer: null, reason: text }
  return { answer: word === WORDS.yes ? 'yes' : 'no', reason: reason ?? '' }
}

const texts = (answer: YesNoAnswer) => [yesNoText(answer)].filter(Boolean)

/** The group decides, and says why. */
export const yesNo = kindOf({
  name: 'yes-no',
  settings: z.object({}),
  paper: () => [{ is: 'boxes', labels: ['Yes', 'No'] }, lines(3)],
  roots: promptId => [answerName(promptId), reasonName(promptId)],
  read: (doc, { id: promptId }): YesNoAnswer => ({
    promptId,
    kind: 'yes-no',
    answer: readDecision(doc, promptId),
    reason: reasonOf(doc, promptId).toString(),
  }),
  pieces: answer => wholePiece(yesNoText(answer)),
  restore: ({ id: promptId }, pieces) => ({
    promptId,
    kind: 'yes-no',
    ...readText(pieces.get(WHOLE_ANSWER) ?? ''),
  }),
  places: (doc, { id }) => [{ is: 'text', text: reasonOf(doc, id) }],
  done: ({ answer }) => answer !== null,
  summary: ({ answer }) => (answer ? WORDS[answer] : 'not decided'),
  texts,
  markdown: answer => texts(answer).map(paragraph),
})
