import type * as Y from 'yjs'
import type { Prompt } from '~/core/boards/board'
import { type Answer, KINDS } from '~/core/boards/prompts/kinds'
import { useAnswer } from '../../prompts/use-shared'
import TakeOffPieces from './take-off-pieces'

interface TakeOffListProps {
  prompt: Prompt
  doc: Y.Doc
  /** Who wrote which piece first, by `prompt/piece`. */
  authors: Readonly<Record<string, string>>
}

/** What stands under a prompt of a board that is open. */
export default function TakeOffList({ prompt, doc, authors }: TakeOffListProps) {
  const answer = useAnswer(doc, KINDS[prompt.kind] as never, prompt as never) as Answer
  return (
    <TakeOffPieces
      promptId={prompt.id}
      answer={answer}
      authors={authors}
      summary="Take something off the screens"
      label="What can be taken off"
    />
  )
}
