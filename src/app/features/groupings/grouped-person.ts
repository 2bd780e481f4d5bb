/** What the grouping page knows of somebody. */
export interface GroupedPerson {
  id: string
  shownName: string
  trainedToLead: boolean
}
