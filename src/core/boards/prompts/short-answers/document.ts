/** Each field's answer is a shared text of its own, named by the field's place. */
import type * as Y from 'yjs'

export const LONGEST_FIELD = 500

export const fieldsName = (promptId: string): string => `field:${promptId}`
export const fieldOf = (doc: Y.Doc, promptId: string, place: number): Y.Text =>
  doc.getText(`${fieldsName(promptId)}/${place}`)
