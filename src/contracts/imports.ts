/** An import that was made. */
export interface PastImport {
  id: string
  at: Date
  by: string
  added: number
  changed: number
  takenBack: boolean
}
