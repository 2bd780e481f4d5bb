import type { PutUpShown } from '~/core/live/put-up/shown'

/** What is up, in words. */
export function putUpWords(up: PutUpShown): { what: string; whose: string } {
  switch (up.is) {
    case 'work':
      return { what: up.asks, whose: up.whose }
    case 'groups':
      return { what: 'Who is in which room', whose: '' }
    case 'clock':
      return { what: 'Clock', whose: '' }
    case 'instructions':
      return { what: 'What to do', whose: '' }
    case 'join-code':
      return { what: 'Join code', whose: '' }
    case 'question':
      return { what: up.results.text || 'What was asked aloud', whose: '' }
    case 'material':
      return { what: up.thing.title, whose: '' }
  }
}
