import { mergePlans } from './merge-plans'

const room = (groupId: string, name: string, byId?: string) => ({ groupId, name, ...(byId && { byId }) })
const base = {
  title: 'Marsh',
  time: '18:00',
  groupingId: 'fours',
  groupingRound: 0,
  rooms: [room('a', 'Reeds'), room('b', 'Birds')],
  duties: [
    { accountId: 'marit', does: 'all' },
    { accountId: 'kim', does: 'all' },
  ],
}

test('what each changed stands, field by field and room by room; where both changed the same, the later', () => {
  const theirs = {
    ...base,
    title: 'Marsh at dusk',
    time: '18:30',
    rooms: [room('a', 'Reed bed', 'kim'), room('b', 'Birds')],
    duties: [
      { accountId: 'marit', does: 'all' },
      { accountId: 'kim', does: 'clock' },
    ],
  }
  const mine = { ...base, time: '19:00', rooms: [room('a', 'Reeds'), room('b', 'Herons', 'marit')] }
  expect(mergePlans(base, mine, theirs)).toEqual({
    title: 'Marsh at dusk',
    time: '19:00',
    groupingId: 'fours',
    groupingRound: 0,
    rooms: [room('a', 'Reed bed', 'kim'), room('b', 'Herons', 'marit')],
    duties: theirs.duties,
  })
})

test('where nobody else changed anything, it is what was sent; sent by nobody who had changed a thing, it is what is there', () => {
  const mine = { ...base, title: 'Other', rooms: [room('a', 'X'), room('b', 'Birds')] }
  expect(mergePlans(base, mine, base)).toEqual(mine)
  expect(mergePlans(base, base, mine)).toEqual(mine)
})

test('with another grouping come its rooms, whoever chose it', () => {
  const pairs = { ...base, groupingId: 'pairs', rooms: [room('p', 'Pair 1'), room('q', 'Pair 2')] }
  const mine = { ...base, title: 'Other', rooms: [room('a', 'Reed bed'), room('b', 'Birds')] }
  expect(mergePlans(base, mine, pairs)).toEqual({ ...pairs, title: 'Other' })
  expect(mergePlans(base, { ...pairs, title: 'Other' }, mine)).toEqual({ ...pairs, title: 'Other' })
})

test('what a page of before does not say of duties is not said for it', () => {
  const { duties: _, ...without } = base
  expect(mergePlans<typeof without>(without, without, base)).not.toHaveProperty('duties')
})

test('whose a room is to look after is taken back as well as given', () => {
  const given = { ...base, rooms: [room('a', 'Reeds', 'kim'), room('b', 'Birds')] }
  expect(mergePlans(given, base, given).rooms[0]).toEqual(room('a', 'Reeds'))
  expect(mergePlans(given, given, base).rooms[0]).toEqual(room('a', 'Reeds'))
})
