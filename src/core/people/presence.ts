/** Who is here on one day. `day` is a calendar day, `2026-11-03`, where the facilitator is. */
export interface Presence {
  day: string
  personIds: string[]
  /** Which page said so, and how many times it had said something by then. */
  tick?: { from: string; number: number }
}

/** Who of these people is present on a day; null when nobody has said so for that day. */
export function presentOn(
  presence: Presence | null,
  day: string,
  people: readonly { id: string }[],
): string[] | null {
  if (!presence || presence.day !== day) return null
  const here = new Set(presence.personIds)
  return people.map(person => person.id).filter(id => here.has(id))
}
