import { z } from 'zod'
import { cardsName, readCards, removedCards } from '../cards/document'
import { CardsFollower } from '../cards/follow-cards'
import { kindOf } from '../kind'
import { points } from '../markdown'
import { lines } from '../paper'
import { placesOfCard } from '../taking'

const whole = z.url({ protocol: /^https?$/ })

const settings = z.object({
  /** Where it leads; empty while its author has not said. */
  address: z
    .string()
    .max(2_000, { error: 'Use at most 2000 characters.', abort: true })
    .trim()
    .refine(
      text => text === '' || whole.safeParse(text).success,
      'Write a whole address that begins with https:// or http://.',
    )
    .default(''),
})

export interface LinkAnswer {
  promptId: string
  kind: 'link'
  address: string
  remarks: { id: string; text: string }[]
}

const spoken = ({ remarks }: LinkAnswer) => remarks.map(({ text }) => text).filter(text => text.trim())

/** Something elsewhere to look at, with what the group remarks on it. Remarks lie as cards do. */
export const link = kindOf({
  name: 'link',
  settings,
  paper: ({ address }) => [{ is: 'text', text: address }, lines(2)],
  missing: ({ address }) => (address === '' ? 'Write the address it leads to.' : null),
  roots: promptId => [cardsName(promptId)],
  read: (doc, { id, settings: { address } }): LinkAnswer => ({
    promptId: id,
    kind: 'link',
    address,
    remarks: readCards(doc, id),
  }),
  pieces: ({ remarks }) => new Map(remarks.map(({ id, text }) => [id, text])),
  restore: ({ id: promptId, settings: { address } }, kept): LinkAnswer => ({
    promptId,
    kind: 'link',
    address,
    remarks: [...kept].map(([id, text]) => ({ id, text })),
  }),
  follow: (doc, { id }) => new CardsFollower(doc, id),
  removed: removedCards,
  places: placesOfCard,
  done: answer => spoken(answer).length > 0,
  summary(answer) {
    const count = spoken(answer).length
    return count === 1 ? '1 remark' : `${count} remarks`
  },
  texts: spoken,
  markdown: answer => (spoken(answer).length > 0 ? [points(spoken(answer))] : []),
})
