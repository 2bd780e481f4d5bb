import type { BoardStatus } from '../../live-client/board-connection'

export const SAVED_WORDS: Record<BoardStatus['saved'], string> = {
  stored: 'Saved',
  sending: 'Saving…',
  full: 'Not saved: the board is full',
  away: 'No line: keep writing, it is sent when the line is back',
}

export const lost = (saved: BoardStatus['saved']) => saved === 'away' || saved === 'full'
