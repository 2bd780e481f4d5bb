import { develop, type Frame } from './base-rounds'
import type { Rounds } from './designs'

/**
 * A plan for one person who stays and n - 1 others, the numbers modulo n - 1: groups that, moved on by every multiple of
 * (n - 1) / (size - 1), fill a round together with the one who stays. The round moved on by 1, 2, ... gives the others.
 */
interface Turned {
  size: number
  people: number
  groups: number[][]
}

/**
 * Too hard to look for while somebody waits: found once by trying with a program of our own, and each a proof of itself
 * (the test counts who meets). That such plans exist: Ray-Chaudhuri and Wilson, 1971, for threes; Hanani, Ray-Chaudhuri
 * and Wilson, 1972, for fours; from memory.
 */
const TURNED: Turned[] = [
  { size: 3, people: 33, groups: groupsOf('22 10 11, 3 9 17, 13 30 20, 24 15 28, 2 7 5') },
  {
    size: 3,
    people: 51,
    groups: groupsOf('15 14 1, 19 3 24, 20 42 11, 41 35 43, 2 48 37, 13 6 46, 7 33 30, 47 29 9'),
  },
  {
    size: 3,
    people: 57,
    groups: groupsOf('1 20 23, 42 33 35, 26 31 41, 37 49 11, 27 6 10, 53 24 8, 4 12 18, 30 50 17, 19 44 43'),
  },
  { size: 4, people: 40, groups: groupsOf('12 34 27 31, 36 3 37 28, 20 30 9 32') },
  { size: 4, people: 52, groups: groupsOf('15 24 3 4, 33 35 48 40, 47 22 44 28, 12 26 36 8') },
]

/** Whole base rounds, found in the same way. */
const BASE_ROUNDS: { frame: Frame; rounds: Rounds }[] = [
  {
    frame: { modulus: 7, rows: 2, fixed: 1, size: 3 },
    rounds: [groupsOf('8 4 1, 12 13 10, 11 5 3, 14 7 2, 6 0 9')],
  },
  {
    frame: { modulus: 5, rows: 4, fixed: 1, size: 3 },
    rounds: [
      groupsOf('13 11 18, 7 19 16, 12 8 4, 14 3 15, 0 10 5, 17 6 20, 2 1 9'),
      groupsOf('3 19 1, 4 20 13, 18 10 14, 6 0 12, 15 7 5, 2 16 17, 9 11 8'),
    ],
  },
  {
    frame: { modulus: 7, rows: 3, fixed: 3, size: 4 },
    rounds: [groupsOf('0 1 3 13, 2 10 17 21, 4 15 16 18, 5 9 14 22, 6 8 19 23, 7 11 12 20')],
  },
  // The most rounds there can be for 32 in fours; first found by Aguado, 2004 (from memory), this one in another way.
  {
    frame: { modulus: 5, rows: 6, fixed: 2, size: 4 },
    rounds: [
      groupsOf(
        '0 1 15 24, 5 3 8 26, 2 12 22 31, 7 17 27 30, 6 18 21 23, 10 4 25 29, 9 14 13 20, 11 19 16 28',
      ),
      groupsOf(
        '0 2 18 29, 1 13 22 30, 5 19 27 31, 7 8 4 21, 6 14 12 25, 10 17 16 23, 3 9 11 15, 20 26 28 24',
      ),
    ],
  },
  {
    frame: { modulus: 9, rows: 3, fixed: 1, size: 4 },
    rounds: [groupsOf('0 4 24 7, 13 23 22 26, 8 15 9 17, 1 27 20 12, 2 14 10 25, 11 18 6 5, 21 3 16 19')],
  },
  {
    frame: { modulus: 11, rows: 2, fixed: 2, size: 3 },
    rounds: [groupsOf('0 1 4, 2 14 23, 3 9 11, 5 19 20, 6 12 16, 7 18 22, 8 10 17, 13 15 21')],
  },
  {
    frame: { modulus: 14, rows: 2, fixed: 2, size: 3 },
    rounds: [
      groupsOf('0 1 4, 2 16 18, 3 12 25, 5 13 22, 6 24 28, 7 14 27, 8 19 23, 9 11 21, 10 15 29, 17 20 26'),
    ],
  },
  {
    frame: { modulus: 17, rows: 2, fixed: 2, size: 3 },
    rounds: [
      groupsOf(
        `0 1 7, 2 4 33, 3 6 11, 5 21 27, 8 28 35, 9 13 30, 10 20 23, 12 18 19, 14 22 32, 15 24 26, 16 31 34,
      17 25 29`,
      ),
    ],
  },
  {
    frame: { modulus: 26, rows: 2, fixed: 2, size: 3 },
    rounds: [
      groupsOf(
        `43 23 36, 20 10 16, 19 31 37, 50 35 14, 15 3 29, 46 49 28, 52 6 41, 32 34 48, 26 51 21, 12 5 4, 27 0 24,
      22 38 1, 9 18 42, 30 7 39, 47 13 53, 45 17 2, 8 11 33, 40 25 44`,
      ),
    ],
  },
  {
    frame: { modulus: 29, rows: 2, fixed: 2, size: 3 },
    rounds: [
      groupsOf(
        `52 43 2, 3 0 8, 40 18 33, 17 13 7, 34 30 26, 20 48 51, 25 16 27, 9 29 59, 39 54 28, 41 24 12, 22 46 36,
      11 4 49, 37 35 5, 21 6 31, 15 50 14, 57 23 10, 38 19 32, 55 47 42, 45 56 44, 1 58 53`,
      ),
    ],
  },
  {
    frame: { modulus: 11, rows: 3, fixed: 3, size: 4 },
    rounds: [
      groupsOf(
        '34 9 24 21, 0 15 20 16, 4 18 1 10, 25 33 3 13, 27 17 30 19, 7 32 8 26, 11 31 29 14, 6 23 22 2, 12 35 5 28',
      ),
    ],
  },
]

/** A plan from the table for so many people in groups of one size, all the rounds it has; null when there is none. */
export function knownRounds(people: number, size: number): Rounds | null {
  const turned = TURNED.find(plan => plan.people === people && plan.size === size)
  if (turned) return turn(turned)
  const based = BASE_ROUNDS.find(
    ({ frame }) => frame.size === size && frame.modulus * frame.rows + frame.fixed === people,
  )
  return based ? develop(based.frame, based.rounds) : null
}

/** Everybody who moves goes on by one from round to round; who stays has the last number. */
function turn({ size, people, groups }: Turned): Rounds {
  const moving = people - 1
  const apart = moving / (size - 1)
  const multiples = Array.from({ length: size - 1 }, (_, number) => number * apart)
  const base = [
    [...multiples, moving],
    ...groups.flatMap(group => multiples.map(by => group.map(at => at + by))),
  ]
  return Array.from({ length: apart }, (_, by) =>
    base.map(group => group.map(at => (at === moving ? at : (at + by) % moving))),
  )
}

function groupsOf(text: string): number[][] {
  return text.split(',').map(group => group.trim().split(' ').map(Number))
}
