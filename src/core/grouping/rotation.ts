import { howellRounds } from './howell'

/** Whether two teams are at a station together: never, always the same two, or another team each time. */
export const DOUBLINGS = ['none', 'same', 'changing'] as const
export type Doubling = (typeof DOUBLINGS)[number]

/** Stations that the groups of a grouping go round as teams. */
export interface Rotation {
  stations: string[]
  /** How many rounds; null for as many as take every team to every station. */
  rounds: number | null
  doubled: Doubling
}

export const NO_ROTATION: Rotation = { stations: [], rounds: null, doubled: 'none' }

/** Which station each team is at, round by round; null while it waits. */
export interface RotationPlan {
  /** Rounds x teams. */
  rounds: (number | null)[][]
  /** Rounds after which every team has been at every station exactly once. */
  roundsForAll: number
  /** How it is doubled: 'same' where another team each time was asked for and can't be, or was not found. */
  doubled: Doubling
}

/**
 * Takes teams through stations: two teams are never at one station, no team is at a station twice, and within the rounds
 * asked for nobody waits more than once more often than another. After `roundsForAll` rounds every team has been
 * everywhere: as many as there are stations, or teams when those are more, and fewer can't be, because a round has room
 * for one team a station.
 *
 * `doubled` puts two teams together on purpose: 'same' has teams 2k and 2k + 1 go as one, 'changing' brings no two
 * together twice. A cyclic Latin rectangle (textbook), or a Howell design, with the waiting places spread evenly over the
 * circle.
 */
export function planRotation(
  teams: number,
  stations: number,
  options: { rounds?: number; doubled?: Doubling } = {},
): RotationPlan {
  const { doubled = 'none' } = options
  const moving = doubled === 'none' ? teams : Math.ceil(teams / 2)
  const circle = Math.max(moving, stations)
  const stationAt = spreadStations(stations, circle)
  const rounds = Math.min(options.rounds ?? circle, circle)
  // With an odd number of teams the place of the last one stays empty: the one beside it is alone for that round.
  const changing = doubled === 'changing' ? howellRounds(circle, 2 * Math.ceil(teams / 2)) : null
  const placeOf = (team: number, round: number): number =>
    changing
      ? (changing[round]?.[team] ?? 0)
      : ((doubled === 'none' ? team : Math.floor(team / 2)) + round) % circle
  return {
    roundsForAll: circle,
    doubled: doubled === 'changing' && !changing ? 'same' : doubled,
    rounds: Array.from({ length: rounds }, (_, round) =>
      Array.from({ length: teams }, (_, team) => stationAt[placeOf(team, round)] ?? null),
    ),
  }
}

/** Stations at places of a circle, as evenly as can be; the other places are for waiting. */
function spreadStations(stations: number, circle: number): (number | null)[] {
  return Array.from({ length: circle }, (_, index) => {
    const before = Math.floor((index * stations) / circle)
    return Math.floor(((index + 1) * stations) / circle) > before ? before : null
  })
}
