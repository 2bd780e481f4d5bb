import fc from 'fast-check'
import { giveRoles, giveRolesInRounds, type Role, type RolePerson } from './roles'

const person = (firstName: string, changes: Partial<RolePerson> = {}): RolePerson => ({
  id: firstName,
  firstName,
  trainedToLead: false,
  held: {},
  ...changes,
})
const english = { locale: 'en', seed: 1 }

test('by alphabet: the earliest leads, the latest reports, the next write and keep time', () => {
  const group = ['Odile', 'Bram', 'Zofia', 'Ana', 'Kaveh'].map(name => person(name))
  expect(giveRoles(group, 'alphabet', english)).toEqual({
    lead: 'Ana',
    reporter: 'Zofia',
    scribe: 'Bram',
    timekeeper: 'Kaveh',
  })
})

// Swedish puts ö after z, German beside o: Unicode CLDR collation, as Intl has it.
test('the alphabet is the locale’s', () => {
  const group = ['Östen', 'Zoë', 'Olga'].map(name => person(name))
  expect(giveRoles(group, 'alphabet', { locale: 'sv', seed: 1 }).reporter).toBe('Östen')
  expect(giveRoles(group, 'alphabet', { locale: 'de', seed: 1 }).reporter).toBe('Zoë')
})

test('who is trained leads before others, by whatever rule', () => {
  const group = [
    person('Ana'),
    person('Bo', { held: { lead: 4 } }),
    person('Chi', { trainedToLead: true, held: { lead: 9 } }),
  ]
  for (const rule of ['alphabet', 'turn', 'random'] as const)
    expect(giveRoles(group, rule, english).lead).toBe('Chi')
})

test('by turn everybody holds every role equally often, as far as the rounds divide', () => {
  let group = ['Ana', 'Bo', 'Chi', 'Dai'].map(name => person(name))
  for (let round = 0; round < 8; round++) {
    const given = giveRoles(group, 'turn', english)
    group = group.map(each => {
      const role = (Object.keys(given) as Role[]).find(one => given[one] === each.id)
      return role ? { ...each, held: { ...each.held, [role]: (each.held[role] ?? 0) + 1 } } : each
    })
  }
  for (const { held } of group) expect(held.lead).toBe(2)
})

test('over several rounds, by turn, everybody leads once before anybody leads twice', () => {
  // Four in one group for four rounds; what was held before the first counts too.
  const group = ['Ana', 'Bo', 'Chi', 'Dai'].map(name => person(name))
  const rounds = giveRolesInRounds([[group], [group], [group], [group]], 'turn', english)
  const leads = rounds.map(roles => Object.keys(roles).find(id => roles[id] === 'lead'))
  expect([...leads].sort()).toEqual(['Ana', 'Bo', 'Chi', 'Dai'])
  const before = group.map(each => (each.id === 'Ana' ? { ...each, held: { lead: 1 } } : each))
  expect(giveRolesInRounds([[before], [before]], 'turn', english).map(roles => roles.Ana)).not.toContain(
    'lead',
  )
  // By alphabet there is no turn: every round has the same.
  const [first, second] = giveRolesInRounds([[group], [group]], 'alphabet', english)
  expect(first).toEqual(second)
})

test('nobody has two roles, and in a small group the later ones fall away', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 7 }),
      fc.integer(),
      fc.constantFrom('alphabet', 'turn', 'random'),
      (size, seed, rule) => {
        const group = Array.from({ length: size }, (_, index) => person(`P${index}`))
        const given = Object.values(giveRoles(group, rule, { locale: 'en', seed }))
        expect(given).toHaveLength(Math.min(4, size))
        expect(new Set(given).size).toBe(given.length)
      },
    ),
  )
  expect(Object.keys(giveRoles([person('A'), person('B')], 'alphabet', english))).toEqual([
    'lead',
    'reporter',
  ])
})
