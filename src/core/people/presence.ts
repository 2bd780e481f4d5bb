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

/**
 * What a page ticked, put to what others have ticked meanwhile: of those in `ticked` it says who is here, of all others that is as
 * `theirs` has it. Of another day, or without a word which were ticked, all of it counts. O(people).
 */
export function withTicks(
  theirs: Presence | null,
  mine: Presence,
  ticked: readonly string[] | undefined,
): Presence {
  if (!ticked || theirs?.day !== mine.day) return mine
  const touched = new Set(ticked)
  const others = theirs.personIds.filter(id => !touched.has(id))
  return { ...mine, personIds: [...others, ...mine.personIds.filter(id => touched.has(id))] }
}
