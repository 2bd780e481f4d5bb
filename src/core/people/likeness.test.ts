import { exactMatches, jaro, jaroWinkler, LEAST_LIKENESS, likeness, proposals } from './likeness'

// Worked examples as printed by W. E. Winkler, "String Comparator Metrics and Enhanced Decision Rules in the Fellegi-Sunter Model of
// Record Linkage" (1990), and taken over by most textbooks since; the values are from memory, rounded to three places.
test.each([
  ['shackleford', 'shackelford', 0.97, 0.982],
  ['dunningham', 'cunnigham', 0.896, 0.896],
  ['nichleson', 'nichulson', 0.926, 0.956],
  ['jones', 'johnson', 0.79, 0.832],
  ['massey', 'massie', 0.889, 0.933],
  ['abroms', 'abrams', 0.889, 0.922],
  ['jeraldine', 'geraldine', 0.926, 0.926],
  ['marhta', 'martha', 0.944, 0.961],
  ['michelle', 'michael', 0.869, 0.921],
  ['julies', 'julius', 0.889, 0.933],
  ['tanya', 'tonya', 0.867, 0.88],
  ['dwayne', 'duane', 0.822, 0.84],
  ['sean', 'susan', 0.783, 0.805],
  ['jon', 'john', 0.917, 0.933],
  ['dixon', 'dicksonx', 0.767, 0.813],
])('%s and %s: Jaro %p, with Winkler’s beginning %p', (one, other, plain, raised) => {
  expect(jaro(one, other)).toBeCloseTo(plain, 2)
  expect(jaroWinkler(one, other)).toBeCloseTo(raised, 2)
  expect(jaro(other, one)).toBeCloseTo(plain, 2)
})

/** The definition once more, by sets of places, to hold the quick one against on strings nobody chose. */
function jaroByDefinition(one: string, other: string): number {
  if (one === other) return 1
  const reach = Math.max(0, Math.floor(Math.max(one.length, other.length) / 2) - 1)
  const pairs: [number, number][] = []
  for (const [place, letter] of [...one].entries()) {
    const at = [...other].findIndex(
      (its, where) =>
        its === letter && Math.abs(where - place) <= reach && !pairs.some(([, used]) => used === where),
    )
    if (at >= 0) pairs.push([place, at])
  }
  if (pairs.length === 0) return 0
  const second = pairs.map(([, at]) => at).sort((a, b) => a - b)
  const half = pairs.filter(([place], index) => one[place] !== other[second[index] as number]).length / 2
  const m = pairs.length
  return (m / one.length + m / other.length + (m - half) / m) / 3
}

test('two thousand made-up strings measure as the definition says, alike both ways round, within 0 and 1', () => {
  let seed = 7
  const random = (below: number) => {
    seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648
    return Math.floor((seed / 2_147_483_648) * below)
  }
  const word = () => Array.from({ length: random(9) }, () => 'abcd'[random(4)]).join('')
  for (let round = 0; round < 2_000; round++) {
    const [one, other] = [word(), word()]
    const measure = jaro(one, other)
    expect([one, other, measure]).toEqual([one, other, jaroByDefinition(one, other)])
    expect(measure).toBeGreaterThanOrEqual(0)
    expect(jaroWinkler(one, other)).toBeGreaterThanOrEqual(measure)
    expect(jaroWinkler(one, other)).toBeLessThanOrEqual(1)
  }
})

test('nothing is alike to an empty name, and accents and case do not count', () => {
  expect(likeness('', 'Ana')).toBe(0)
  expect(likeness('ZOFIA', 'Zofía')).toBe(1)
  expect(likeness('Zofja', 'Zofia Kowalska')).toBeGreaterThan(LEAST_LIKENESS)
  expect(likeness('Zofia', 'Zofia Kowalska')).toBeLessThan(1)
  expect(likeness('Bram', 'Zofia Kowalska')).toBeLessThan(LEAST_LIKENESS)
})

test('leaving pairs out by their lengths leaves out none that would be proposed', () => {
  const names = ['Al', 'Alexandra', 'Alexandros Papadopoulos', 'Ali', 'Alina B.', 'Bo', 'Bob', 'Bobby']
  for (const one of names) {
    for (const other of names) {
      const whole = jaroWinkler(one.toLowerCase(), other.toLowerCase())
      if (whole >= LEAST_LIKENESS) expect(likeness(one, other)).toBeGreaterThanOrEqual(whole)
    }
  }
})

const named = (...names: string[]) => names.map(name => ({ id: name, name }))

test('proposals name the likest first, and are clear only when nobody else could be meant', () => {
  const listed = named('Zofia Kowalska', 'Marta Nowak', 'Marta Novak', 'Jon Aas', 'Ingrid')
  const found = proposals(named('Zofja Kowalska', 'Marta', 'John Aas', 'Quux'), listed)
  expect(found.map(({ id, clear, candidates }) => [id, clear, candidates.map(each => each.id)])).toEqual([
    ['Zofja Kowalska', true, ['Zofia Kowalska']],
    ['Marta', false, ['Marta Nowak', 'Marta Novak']],
    ['John Aas', true, ['Jon Aas']],
  ])
  // Two who might both be the same person: neither is clear.
  expect(proposals(named('Ingrit', 'Ingrid B'), named('Ingrid')).map(each => each.clear)).toEqual([
    false,
    false,
  ])
  expect(proposals([], listed)).toEqual([])
  expect(proposals(named('Ana'), [])).toEqual([])
})

test('exact is a name that one person alone has, however it is written, and each person once', () => {
  const listed = [
    { id: 'z', names: ['Zofia K.', 'Zofia Kowalska'] },
    { id: 'a1', names: ['Ana P.', 'Ana Perez'] },
    { id: 'a2', names: ['Ana P. (2)', 'Ana Perez'] },
  ]
  const match = (...names: string[]) =>
    exactMatches(named(...names), listed).map(({ id, listedId }) => [id, listedId])
  expect(match('zofia  kowalska')).toEqual([['zofia  kowalska', 'z']])
  expect(match('Zofía K.', 'Zofia Kowalska')).toEqual([['Zofía K.', 'z']])
  expect(match('Ana Perez', 'ana p.')).toEqual([['ana p.', 'a1']])
  expect(match('Zofia')).toEqual([])
})
