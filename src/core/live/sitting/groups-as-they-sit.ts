/**
 * Groups of people who sit together: two who each named the other are in the same group, and so is whoever is joined to them by
 * others. In the order of `ids`; people whom nobody they named has named are in no group. O(people + picks).
 */
export function groupsAsTheySit(
  ids: readonly string[],
  picks: ReadonlyMap<string, readonly string[]>,
): string[][] {
  const known = new Set(ids)
  const mutual = (id: string) =>
    (picks.get(id) ?? []).filter(other => known.has(other) && other !== id && picks.get(other)?.includes(id))
  const seen = new Set<string>()
  const groups: string[][] = []
  for (const first of ids) {
    if (seen.has(first)) continue
    const group = new Set([first])
    for (const id of group) for (const other of mutual(id)) group.add(other)
    for (const id of group) seen.add(id)
    if (group.size > 1) groups.push(ids.filter(id => group.has(id)))
  }
  return groups
}
