import type { Answer } from '~/core/boards/prompts/kinds'
import { link } from '~/core/boards/prompts/link/link'
import { TextLines } from '../text-lines'

/** What was remarked on the page it leads to. */
export default function LinkAnswer({ answer }: { answer: Extract<Answer, { kind: 'link' }> }) {
  return <TextLines texts={link.texts(answer)} />
}
