/** What simulated participants write: words that fit any subject, so that nobody takes them for an answer. */
import type { RandomStream } from '../random/random'

const SENTENCES = [
  'I am not sure, but it reminds me of last week.',
  'We saw it two times, then not again.',
  'That depends on who you ask.',
  'Could we begin with the second one?',
  'This one surprised me most.',
  'Because the first way did not work.',
  'It looks the same from both sides.',
  'More than I thought.',
  'We do not agree on this yet.',
  'Maybe it is the other way round.',
  'Somebody should try it out.',
  'It was easier together.',
  'This is the part I would keep.',
  'I would leave this out.',
  'The small one, not the large one.',
  'It takes longer than it says.',
  'Yes, and it happens more than once.',
  'What happens if nobody does it?',
  'We tried three ways and kept one.',
  'I had it wrong at first.',
]
const WORDS = [
  'slow',
  'clear',
  'twice',
  'edge',
  'light',
  'quiet',
  'open',
  'strange',
  'near',
  'deep',
  'warm',
  'again',
]
const LINES = [
  'Who writes?',
  'I begin with the first one.',
  'Can somebody read it out?',
  'We have five minutes.',
  'Good idea.',
]

const pick = (from: readonly string[], random: RandomStream): string => from[random.below(from.length)] ?? ''

export const sentence = (random: RandomStream): string => pick(SENTENCES, random)
export const shortWord = (random: RandomStream): string => pick(WORDS, random)
export const lineOfTalk = (random: RandomStream): string => pick(LINES, random)
