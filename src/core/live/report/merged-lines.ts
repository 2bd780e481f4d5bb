import { difference } from 'lodash-es'

/**
 * What two who took down points of the same room at once have together: the lines of `theirs`, without those that `mine` took out of
 * `base`, and after them what is new in `mine`. A line that both changed stands there both ways.
 */
export function mergedLines(base: string, mine: string, theirs: string): string {
  if (base === theirs) return mine
  if (base === mine) return theirs
  const [from, ours, others] = [linesOf(base), linesOf(mine), linesOf(theirs)]
  return [...difference(others, difference(from, ours)), ...difference(ours, from, others)].join('\n')
}

const linesOf = (text: string) => (text === '' ? [] : text.split('\n'))
