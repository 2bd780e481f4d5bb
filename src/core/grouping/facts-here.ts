/** What is known of the people in a running session when groups are made of them. */
import { meetingsIn } from '../history/meetings'
import { type PairPast, type PastSession, pairHistory, SHORTEST_MEETING } from '../history/pairs'
import { participantList } from '../live/door/people'
import { answerText } from '../live/questions/question'
import type { LiveState, Recorded } from '../live/topics'
import { type Column, columnNameOf } from '../people/columns'
import { stays } from '../review/attendance'
import type { Group } from './grouping'
import type { PersonToGroup } from './pose'
import type { Rule } from './rules'

/** All by the ids people have in the session: who is on no list counts like everybody. */
export interface FactsHere {
  people: PersonToGroup[]
  rules: Rule[]
  columns: Column[]
  /** By `pairKey`; what happened in this session is the latest. */
  history: [string, PairPast][]
  /** Which of the columns are answers to a quick question of this session. */
  asked: { questionId: string; column: string }[]
  /** Groupings kept with the cohort, each round by itself, of those who are here. */
  saved: SavedRound[]
}

export interface SavedRound {
  id: string
  /** The grouping's name, with the round where it has several. */
  name: string
  groups: { name: string; participantIds: string[] }[]
}

interface Known {
  people: readonly { id: string; trainedToLead: boolean; columns: Record<string, string> }[]
  rules: readonly Rule[]
  columns: readonly Column[]
  past: readonly PastSession[]
  groupings: readonly { id: string; name: string; rounds: readonly (readonly Group[])[] }[]
}

/** Somebody who only passed through a room has met nobody, in milliseconds. */
const SHORTEST_MS = 5_000

/**
 * Facts of everybody who is here, from the log of the session and what is known of its cohort (null without one). Each round of the
 * session counts like a session of its own. `now` in milliseconds since 1970. O(events x people).
 */
export function factsHere(
  state: LiveState,
  log: readonly Recorded[],
  cohort: Known | null,
  now: number,
): FactsHere {
  const here = participantList(state)
  const idOf = new Map(
    here.flatMap(({ id, personId }) => (personId === null ? [] : [[personId, id] as const])),
  )
  const listed = new Map(cohort?.people.map(person => [person.id, person]))
  const past = (cohort?.past ?? []).map(session => ({
    ...session,
    meetings: session.meetings.flatMap(({ pair: [one, other], minutes }) => {
      const [a, b] = [idOf.get(one), idOf.get(other)]
      return a && b ? [{ pair: [a, b] as [string, string], minutes }] : []
    }),
  }))
  const history = pairHistory([...past, ...roundsAsSessions(state, log, now)])
  const asked = questionColumns(state, cohort?.columns ?? [])
  return {
    people: here.map(({ id, personId }) => {
      const person = personId === null ? undefined : listed.get(personId)
      const columns = { ...person?.columns }
      for (const { column, answerOf } of asked) columns[column.name] = answerOf(id)
      return { id, trainedToLead: person?.trainedToLead ?? false, columns }
    }),
    rules: (cohort?.rules ?? []).map(rule =>
      'personIds' in rule ? { ...rule, personIds: rule.personIds.map(id => idOf.get(id) ?? id) } : rule,
    ),
    columns: [...(cohort?.columns ?? []), ...asked.map(({ column }) => column)],
    history: [...history],
    asked: asked.map(({ questionId, column }) => ({ questionId, column: column.name })),
    saved: (cohort?.groupings ?? []).flatMap(({ id, name, rounds }) =>
      rounds.map((groups, index) => ({
        id: `${id} ${index + 1}`,
        name: rounds.length > 1 ? `${name}, round ${index + 1}` : name,
        groups: groups.map(group => ({
          name: group.name,
          participantIds: group.personIds.flatMap(personId => idOf.get(personId) ?? []),
        })),
      })),
    ),
  }
}

/** Quick questions of the session as columns of who has answered what; empty for whoever has not. */
function questionColumns({ questions, answersGiven }: LiveState, listed: readonly Column[]) {
  const taken = new Set(listed.map(({ name }) => name))
  return questions.flatMap(({ id, text, asks, by }, index) => {
    const given = answersGiven.get(id)
    // What each said in words of their own puts nobody with anybody, and a room's answer is nobody's own.
    if (!given || by === 'room' || asks.is === 'words' || asks.is === 'text') return []
    const kind = asks.is === 'choice' ? ('text' as const) : ('number' as const)
    const called = columnNameOf(text || `question ${index + 1}`)
    const name = taken.has(called) ? `${called} (question ${index + 1})` : called
    taken.add(name)
    const answerOf = (participantId: string) => {
      const answer = given.get(participantId)
      if (answer === undefined) return ''
      return asks.is === 'choice' ? answerText(asks, answer) : String(answer)
    }
    return [{ questionId: id, column: { name, kind }, answerOf }]
  })
}

/** The rounds of this session, each with who was with whom in it. */
function roundsAsSessions(state: LiveState, log: readonly Recorded[], now: number): PastSession[] {
  const present = new Set(participantList(state).map(({ id }) => id))
  const all = stays(log, now)
  const rounds = [
    ...state.pastRounds,
    ...(state.round ? [{ number: state.round.number, startedAt: state.round.startedAt, endedAt: now }] : []),
  ]
  return rounds.map(({ number, startedAt, endedAt }) => {
    const inIt = all.flatMap(stay => {
      const [from, to] = [Math.max(stay.from, startedAt), Math.min(stay.to, endedAt)]
      return to > from ? [{ ...stay, from, to }] : []
    })
    return {
      id: `round ${number}`,
      title: `Round ${number}`,
      at: startedAt,
      day: '',
      meetings: meetingsIn(inIt, id => (present.has(id) ? id : null))
        .filter(({ ms }) => ms >= SHORTEST_MS)
        // Rounds are short: whoever worked together in one has met, if not for long.
        .map(({ pair, ms }) => ({ pair, minutes: Math.max(SHORTEST_MEETING, Math.round(ms / 6_000) / 10) })),
    }
  })
}
