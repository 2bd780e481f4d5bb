import { isEqual } from 'lodash-es'
import { isJustNow } from '../twice'
import type { Message } from './message'

type Said = Pick<Message, 'kind' | 'text' | 'roomIds' | 'toId' | 'thing'>

/** The same words to the same people, a moment ago: one presses twice, or two at the front say it at once. */
export const isSaidTwice = (
  messages: readonly Message[],
  { kind, text, roomIds, toId, thing }: Said,
  now: number,
): boolean =>
  messages.some(
    said =>
      isJustNow(said.at, now) &&
      said.kind === kind &&
      said.text === text &&
      said.toId === toId &&
      isEqual(said.roomIds, roomIds) &&
      isEqual(said.thing, thing),
  )
