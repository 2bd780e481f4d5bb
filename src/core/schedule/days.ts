/** A day as `2026-11-03`: days in this form stand in the order of their letters. */
export type Day = string

/** Whether a day lies between two, both counted in; an end that is empty leaves that side open. */
export const isWithin = (day: Day, from: Day, to: Day): boolean =>
  (from === '' || day >= from) && (to === '' || day <= to)
