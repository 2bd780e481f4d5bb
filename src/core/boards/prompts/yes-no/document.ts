/** A decision lies in a map with `answer`, and its reason in a shared text. */
import type * as Y from 'yjs'

export type YesNo = 'yes' | 'no'

export const answerName = (promptId: string): string => `answer:${promptId}`
export const reasonName = (promptId: string): string => `reason:${promptId}`
export const answerOf = (doc: Y.Doc, promptId: string): Y.Map<unknown> => doc.getMap(answerName(promptId))
export const reasonOf = (doc: Y.Doc, promptId: string): Y.Text => doc.getText(reasonName(promptId))

/** What is decided; null while nothing is. */
export function readDecision(doc: Y.Doc, promptId: string): YesNo | null {
  const answer = answerOf(doc, promptId).get('answer')
  return answer === 'yes' || answer === 'no' ? answer : null
}
