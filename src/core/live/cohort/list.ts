/** Somebody of a cohort's list as they are needed to find them by what they typed. */
export interface CohortList {
  name: string
  people: { personId: string; shownName: string; fullName: string }[]
}
