/** What would go wrong with a plan as it stands, each with the segment in which it is mended. Never a reason not to begin. */
import { type Segment, segmentName, totalMinutes } from './running-order'

/** What is known of the world that a plan refers to. */
export interface PlanFacts {
  /** How long the session may take, in minutes; null when nobody has said. */
  minutes: number | null
  /** So many are on the list. */
  people: number
  /** Rounds of groupings by `groupingRound`, of those who are on the list now. */
  rounds: ReadonlyMap<string, PlannedRound>
  boards: ReadonlyMap<string, PlanBoard>
  /** Titles of other sessions of the same cohort at the same time. */
  atTheSameTime: readonly string[]
}

/** What a plan can refer to, and what would be in its way; as it travels to the page. */
export interface PlanWorld {
  groupings: { id: string; name: string; rounds: PlannedRound[] }[]
  boards: PlanBoard[]
  atTheSameTime: string[]
  people: number
}

export interface PlanBoard {
  id: string
  title: string
  steps: number
  prompts: { id: string; text: string }[]
  /** What is still to be said in it before groups can work with it, in words. */
  unfinished: string[]
  /** How long its parts should take together, in minutes; 0 where nobody has said. */
  minutes: number
}

export interface PlannedRound {
  /** `leads`: so many of them are trained to lead. */
  groups: { name: string; people: number; leads: number }[]
  /** So many of the list are in no group of it. */
  unplaced: number
  /** Rules of the cohort that it breaks for those who are on the list now, in words. */
  brokenRules: string[]
}

export const groupingRound = (groupingId: string, round: number): string => `${groupingId} ${round}`

/** `segmentId` is null for what concerns the whole plan. */
export interface Concern {
  segmentId: string | null
  code:
    | 'too-long'
    | 'same-time'
    | 'short-round'
    | 'late-warning'
    | 'late-say'
    | 'grouping-gone'
    | 'unplaced'
    | 'group-of-one'
    | 'large-group'
    | 'empty-group'
    | 'no-earlier-rooms'
    | 'no-board'
    | 'no-instructions'
    | 'many-steps'
    | 'station-without-board'
    | 'few-stations'
    | 'many-prompts'
    | 'long-parts'
    | 'unfinished-board'
    | 'no-lead'
    | 'rule-broken'
    | 'few-places'
  text: string
}

/** Shortest useful round in minutes, most steps people keep in mind, most people in a group: common practice, no source. */
const SHORTEST_USEFUL = 5
const MOST_STEPS = 3
const MOST_PEOPLE = 5
/** Least minutes for one prompt of a board: common practice, no source. */
const LEAST_FOR_A_PROMPT = 2

/** All concerns, those of the whole plan first. O(segments x groups). */
export function readiness(order: readonly Segment[], facts: PlanFacts): Concern[] {
  const total = totalMinutes(order)
  const whole: Concern[] = []
  if (facts.minutes !== null && total > facts.minutes)
    whole.push({
      segmentId: null,
      code: 'too-long',
      text: `The plan takes ${total} min, ${total - facts.minutes} min more than the session has.`,
    })
  for (const title of facts.atTheSameTime)
    whole.push({
      segmentId: null,
      code: 'same-time',
      text: `${title} is at the same time, with the same cohort.`,
    })
  return [
    ...whole,
    ...order.flatMap((segment, index) =>
      segment.kind === 'rooms' ? ofRound(segment, order.slice(0, index), facts) : [],
    ),
  ]
}

function ofRound(segment: Segment, before: readonly Segment[], facts: PlanFacts): Concern[] {
  const { minutes, warnings, says } = segment
  const name = segmentName(segment)
  const concerns: Concern[] = []
  const add = (code: Concern['code'], text: string) => concerns.push({ segmentId: segment.id, code, text })
  if (minutes < SHORTEST_USEFUL)
    add('short-round', `${name} has ${minutes} min; under ${SHORTEST_USEFUL} min groups hardly begin.`)
  for (const seconds of warnings.filter(each => each >= minutes * 60))
    add('late-warning', `${name}: the warning ${span(seconds)} before the end would come before it begins.`)
  for (const say of says.filter(each => each.when !== 'half' && each.minutes >= minutes))
    add('late-say', `${name}: “${say.text}” would not be said within ${minutes} min.`)
  groupConcerns(segment, before, facts, add)
  boardConcerns(segment, facts, add)
  return concerns
}

const span = (seconds: number) => (seconds < 60 ? `${seconds} s` : `${Math.round(seconds / 60)} min`)

type Add = (code: Concern['code'], text: string) => void

function groupConcerns(segment: Segment, before: readonly Segment[], facts: PlanFacts, add: Add): void {
  const { groups } = segment
  const name = segmentName(segment)
  if (groups.from === 'live') return
  if (groups.from === 'choice') {
    const places = groups.most === 0 ? Number.POSITIVE_INFINITY : groups.most * groups.rooms.length
    if (facts.people > places)
      add('few-places', `${name}: ${places} places to choose for the ${facts.people} on the list.`)
    return
  }
  if (groups.from !== 'grouping') {
    if (!before.some(({ id, kind }) => id === groups.segmentId && kind === 'rooms'))
      add('no-earlier-rooms', `${name}: the segment its groups come from does not come before it.`)
    return
  }
  const round = facts.rounds.get(groupingRound(groups.groupingId, groups.round))
  if (!round) {
    add('grouping-gone', `${name}: its grouping, or that round of it, is not there any more.`)
    return
  }
  if (round.unplaced > 0)
    add(
      'unplaced',
      `${name}: ${round.unplaced} of the list ${round.unplaced === 1 ? 'is' : 'are'} in no group.`,
    )
  for (const rule of round.brokenRules) add('rule-broken', `${name} breaks a rule: ${rule}.`)
  const anyTrained = round.groups.some(({ leads }) => leads > 0)
  for (const group of round.groups) {
    if (segment.roles && anyTrained && group.people > 0 && group.leads === 0)
      add('no-lead', `${name}: nobody in ${group.name} is trained to lead.`)
    if (group.people === 0) add('empty-group', `${name}: nobody of ${group.name} is on the list any more.`)
    if (group.people === 1) add('group-of-one', `${name}: somebody is alone in ${group.name}.`)
    if (group.people > MOST_PEOPLE)
      add(
        'large-group',
        `${name}: ${group.name} has ${group.people} people; above ${MOST_PEOPLE} the talk gets thin.`,
      )
  }
}

function boardConcerns(segment: Segment, { boards, rounds }: PlanFacts, add: Add): void {
  const { boardId, stations, groups } = segment
  const name = segmentName(segment)
  for (const [place, id] of (stations ?? []).entries())
    if (!boards.has(id)) add('station-without-board', `${name}: station ${place + 1} has no board.`)
  const rooms =
    groups.from === 'grouping'
      ? (rounds.get(groupingRound(groups.groupingId, groups.round))?.groups.length ?? 0)
      : groups.from === 'choice'
        ? groups.rooms.length
        : 0
  if (stations && rooms > stations.length)
    add(
      'few-stations',
      `${name}: ${rooms} rooms, ${stations.length} ${stations.length === 1 ? 'board' : 'boards'}; some rooms work on the same.`,
    )
  const ids = stations ?? [boardId]
  const used = [...new Set(ids)].flatMap(id => (id === null ? [] : (boards.get(id) ?? [])))
  if (!stations && used.length === 0) add('no-board', `${name}: rooms have no board to work on.`)
  for (const { title, steps, prompts, unfinished, minutes } of used) {
    const open = prompts.filter(({ id }) => segment.parts?.includes(id) ?? true)
    if (steps === 0) add('no-instructions', `${name}: ${title} says nothing about what to do.`)
    if (steps > MOST_STEPS)
      add('many-steps', `${name}: ${title} has ${steps} steps; people keep ${MOST_STEPS} in mind.`)
    if (open.length * LEAST_FOR_A_PROMPT > segment.minutes)
      add(
        'many-prompts',
        `${name}: ${title} asks ${open.length} things in ${segment.minutes} min, under ${LEAST_FOR_A_PROMPT} min each.`,
      )
    if (minutes > segment.minutes)
      add(
        'long-parts',
        `${name}: the parts of ${title} should take ${minutes} min together, the round has ${segment.minutes}.`,
      )
    if (unfinished.length > 0) add('unfinished-board', `${name}: ${title} is not finished. ${unfinished[0]}`)
  }
}
