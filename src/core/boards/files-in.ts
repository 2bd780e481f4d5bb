import { remember } from '../live/remember'
import type { Board } from './board'

/** Hashes of the files that stand on a board. Made once for each board. */
export const filesIn: (board: Pick<Board, 'prompts'>) => ReadonlySet<string> = remember(
  ({ prompts }: Pick<Board, 'prompts'>) =>
    new Set(JSON.stringify(prompts).match(/(?<="file":")[0-9a-f]{64}(?=")/g)),
)
