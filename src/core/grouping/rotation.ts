/** Stations that the groups of a grouping go round as teams. */
export interface Rotation {
  stations: string[]
  /** How many rounds; null for as many as take every team to every station. */
  rounds: number | null
  /** Whether two teams are at a station together. */
  doubled: boolean
}

export const NO_ROTATION: Rotation = { stations: [], rounds: null, doubled: false }

/** Which station each team is at, round by round; null while it waits. */
export interface RotationPlan {
  /** Rounds x teams. */
  rounds: (number | null)[][]
  /** Rounds after which every team has been at every station exactly once. */
  roundsForAll: number
}

/**
 * Takes teams through stations: two teams are never at one station, no team is at a station twice, and within the rounds
 * asked for nobody waits more than once more often than another. After `roundsForAll` rounds every team has been
 * everywhere: as many as there are stations, or teams when those are more, and fewer can't be, because a round has room
 * for one team a station.
 *
 * `doubled` puts two teams together on purpose: teams 2k and 2k + 1 go as one. A cyclic Latin rectangle (textbook), with
 * the waiting places spread evenly over the circle.
 */
export function planRotation(
  teams: number,
  stations: number,
  options: { rounds?: number; doubled?: boolean } = {},
): RotationPlan {
  const moving = options.doubled ? Math.ceil(teams / 2) : teams
  const circle = Math.max(moving, stations)
  const stationAt = spreadStations(stations, circle)
  const rounds = Math.min(options.rounds ?? circle, circle)
  return {
    roundsForAll: circle,
    rounds: Array.from({ length: rounds }, (_, round) =>
      Array.from({ length: teams }, (_, team) => {
        const mover = options.doubled ? Math.floor(team / 2) : team
        return stationAt[(mover + round) % circle] ?? null
      }),
    ),
  }
}

/** Stations at places of a circle, as evenly as can be; the other places are for waiting. */
function spreadStations(stations: number, circle: number): (number | null)[] {
  return Array.from({ length: circle }, (_, place) => {
    const before = Math.floor((place * stations) / circle)
    return Math.floor(((place + 1) * stations) / circle) > before ? before : null
  })
}
