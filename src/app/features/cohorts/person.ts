export interface Person {
  id: string
  firstName: string
  familyName: string
  shownAs: string
  shownName: string
  email: string
  trainedToLead: boolean
  columns: Record<string, string>
}

/** A form about some people, as the cohort page's action reads it. */
export function formWith(intent: string, personIds: string[]): FormData {
  const form = new FormData()
  form.set('intent', intent)
  for (const id of personIds) form.append('personId', id)
  return form
}
