/** What somebody shows without a word: wants to speak, is done, needs more time, is lost, is out for a moment. */
export const SIGNALS = ['hand', 'done', 'more-time', 'lost', 'stepped-out'] as const
export type Signal = (typeof SIGNALS)[number]

/** What each signal says of somebody. */
export const SIGNAL_WORDS: Record<Signal, string> = {
  hand: 'wants to speak',
  done: 'done',
  'more-time': 'needs more time',
  lost: 'lost',
  'stepped-out': 'stepped out',
}

/** What so many show, to stand after their number. */
export const shownBy = (signal: Signal, count: number): string =>
  count === 1 ? SIGNAL_WORDS[signal] : SIGNAL_WORDS[signal].replace(/^(want|need)s /, '$1 ')

/** Most minutes a room can ask for. */
export const MOST_MINUTES = 30
