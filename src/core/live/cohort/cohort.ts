import { z } from 'zod'
import { exactMatches } from '../../people/likeness'
import { presentOf } from '../door/door'
import type { DoorState } from '../door/door-facts'
import {
  changeParticipants,
  expectedPersonSchema,
  MOST_PARTICIPANTS,
  type Participant,
  participantList,
} from '../door/people'
import { idSchema } from '../ids'
import type { SessionState } from '../session/session'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'

export interface CohortState {
  /** The cohort that was attached in the session; null in one that was planned with its list, and without any. */
  cohort: { id: string; name: string } | null
}

export type CohortProblem =
  | { code: 'no-such-cohort' }
  | { code: 'has-list' }
  | { code: 'no-list' }
  | { code: 'not-to-match' }
  | { code: 'nobody-to-list' }
  | { code: 'in-a-rehearsal' }

const matchSchema = z.object({ participantId: idSchema, personId: idSchema })
const matchesSchema = z.array(matchSchema).max(MOST_PARTICIPANTS)
const participantIds = z.array(idSchema).min(1).max(MOST_PARTICIPANTS)

const events = {
  'cohort-attached': {
    cohortId: idSchema,
    name: z.string(),
    people: z.array(expectedPersonSchema),
    matches: matchesSchema,
  },
  'people-matched': { matches: matchesSchema },
  'people-unmatched': { participantIds },
  /** Put on the cohort's list by the name they typed. */
  'people-listed': { people: z.array(matchSchema.extend({ shownName: z.string() })) },
}
export type CohortEvent = EventsOf<typeof events>

/** Which list a session belongs to, and who of those that typed a name stands on it. */
export const cohort = topic<{
  state: CohortState
  needs: DoorState & Pick<SessionState, 'isRehearsal'>
  problem: CohortProblem
}>()(
  {
    initial: { cohort: null },
    commands: {
      'attach-cohort': {
        by: ['facilitator'],
        asks: { cohortId: idSchema },
        fills: { list: 'cohort-list' },
      },
      'match-people': { by: ['facilitator'], asks: { matches: matchesSchema.min(1) } },
      'unmatch-people': { by: ['facilitator'], asks: { participantIds } },
      'list-people': { by: ['facilitator'], asks: { participantIds }, fills: { ids: 'fresh-ids' } },
    },
    events,
  },
  {
    decide: {
      'attach-cohort'(state, { cohortId, list }) {
        if (state.isRehearsal) return refuse({ code: 'in-a-rehearsal' })
        if (!list) return refuse({ code: 'no-such-cohort' })
        if (state.cohort === null && state.expected.length > 0) return refuse({ code: 'has-list' })
        if (state.cohort?.id === cohortId) return nothing
        const typed = participantList(state).map(({ id, typedName }) => ({ id, name: typedName }))
        const listed = list.people.map(({ personId, shownName, fullName }) => ({
          id: personId,
          names: [shownName, fullName],
        }))
        return happens({
          type: 'cohort-attached',
          cohortId,
          name: list.name,
          people: list.people.map(({ personId, shownName }) => ({ personId, shownName, roomId: null })),
          matches: exactMatches(typed, listed).map(({ id, listedId }) => ({
            participantId: id,
            personId: listedId,
          })),
        })
      },
      'match-people'(state, { matches }) {
        const free = new Set(state.expected.map(person => person.personId))
        for (const { personId } of participantList(state)) if (personId !== null) free.delete(personId)
        const seen = new Set<string>()
        // Somebody may have come or been matched meanwhile: the others still are.
        const fit = matches.filter(({ participantId, personId }) => {
          const fits =
            presentOf(state, participantId)?.personId === null &&
            free.has(personId) &&
            !seen.has(participantId)
          if (fits) {
            free.delete(personId)
            seen.add(participantId)
          }
          return fits
        })
        return fit.length > 0
          ? happens({ type: 'people-matched', matches: fit })
          : refuse({ code: 'not-to-match' })
      },
      'unmatch-people'(state, command) {
        const matched = command.participantIds.filter(id => {
          const present = presentOf(state, id)
          return present && present.personId !== null && present.typedName !== present.shownName
        })
        return matched.length > 0
          ? happens({ type: 'people-unmatched', participantIds: matched })
          : refuse({ code: 'not-to-match' })
      },
      'list-people'(state, { participantIds: asked, ids }) {
        if (state.isRehearsal) return refuse({ code: 'in-a-rehearsal' })
        if (state.expected.length === 0 && state.cohort === null) return refuse({ code: 'no-list' })
        const people = [...new Set(asked)].flatMap(id => presentOf(state, id) ?? [])
        const unlisted = people.filter(({ personId }) => personId === null)
        if (unlisted.length === 0) return refuse({ code: 'nobody-to-list' })
        return happens({
          type: 'people-listed',
          people: unlisted.map(({ id, shownName }, index) => ({
            participantId: id,
            personId: ids[index] ?? '',
            shownName,
          })),
        })
      },
    },
    evolve: {
      'cohort-attached': (state, { cohortId: id, name, people, matches }) => {
        const nobody = changeParticipants(state, [...state.participants.keys()], asTyped)
        return { cohort: { id, name }, expected: people, ...matched(nobody, people, matches) }
      },
      'people-matched': (state, { matches }) => matched(state, state.expected, matches),
      'people-unmatched': (state, { participantIds: ids }) => changeParticipants(state, ids, asTyped),
      'people-listed': (state, { people }) => {
        const added = people.map(({ participantId, personId, shownName }) => ({
          personId,
          shownName,
          roomId: state.participants.get(participantId)?.roomId ?? null,
        }))
        const expected = [...state.expected, ...added]
        return { expected, ...matched(state, expected, people) }
      },
    },
    views: { facilitator: state => ({ cohort: state.cohort }) },
    words: {
      'in-a-rehearsal': () => 'This is a rehearsal: no list is changed by it.',
      'no-such-cohort': () => 'This cohort is not there any more.',
      'has-list': () => 'This session was planned for a cohort, and keeps its list.',
      'no-list': () => 'Attach a cohort first.',
      'not-to-match': () => 'Somebody has settled this meanwhile.',
      'nobody-to-list': () => 'They stand on the list already, or have left.',
    },
  },
)

/** Somebody as they came in, before anybody said who of a list they are. */
const asTyped = ({ typedName }: Participant): Partial<Participant> => ({
  personId: null,
  shownName: typedName,
})

/** Those who are somebody of the list go by the name it shows. */
function matched(
  state: Pick<DoorState, 'participants'>,
  list: DoorState['expected'],
  matches: readonly z.infer<typeof matchSchema>[],
): Pick<DoorState, 'participants'> {
  const byId = new Map(list.map(person => [person.personId, person]))
  const personOf = new Map(matches.map(({ participantId, personId }) => [participantId, byId.get(personId)]))
  return changeParticipants(state, [...personOf.keys()], ({ id }) => {
    const person = personOf.get(id)
    return person ? { personId: person.personId, shownName: person.shownName } : {}
  })
}
