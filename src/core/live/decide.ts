import type { Actor } from './actors'
import { mayDo } from './duties/may-do'
import { evolve } from './evolve'
import { nothing, refuse } from './topic'
import {
  ALL_TOPICS,
  COMMAND_SHAPES,
  type Command,
  type Decision,
  type LiveEvent,
  type LiveProblem,
  type LiveState,
} from './topics'

/**
 * Decides a command: the events that happen, or why it is refused. Every topic may say what has to happen first (a call for
 * help closes before its room is left) and what follows at once (who comes late is placed). `now` is in milliseconds since 1970. Pure: no clock, no randomness, new ids come in.
 */
export function decide(state: LiveState, command: Command, actor: Actor, now: number): Decision {
  const shape = COMMAND_SHAPES.get(command.type)
  if (!shape?.by.includes(actor.kind)) return refuse({ code: 'not-allowed' })
  if (shape.phase === 'planned') {
    if (state.phase !== 'planned') return refuse({ code: 'already-open' })
  } else if (state.phase === 'planned') return refuse({ code: 'not-open' })
  else if (shape.phase === 'ended') {
    if (state.phase === 'open') return nothing
  } else if (state.phase === 'ended' && !shape.alsoAfterEnd)
    return shape.idleAfterEnd ? nothing : refuse({ code: 'ended' })
  if (actor.kind === 'facilitator' && !mayDo(state, actor.accountId, command.type))
    return refuse({ code: 'not-your-duty' })
  const decision = DECIDE.get(command.type)?.(state, command, actor, now) ?? refuse({ code: 'not-allowed' })
  if (!decision.ok) return decision
  const [event, ...more] = decision.events
  if (!event) return decision
  const isAlone = more.length === 0 && !FOLLOWED.has(event.type)
  return { ok: true, events: isAlone ? withFirst(state, event) : inOrder(state, decision.events, now) }
}

const DECIDE = new Map(ALL_TOPICS.flatMap(topic => Object.entries(topic.decide)))

function withFirst(state: LiveState, event: LiveEvent): LiveEvent[] {
  const before = ALL_TOPICS.flatMap(topic => topic.first?.[event.type]?.(state, event) ?? [])
  return [...before.flatMap(each => withFirst(state, each)), event]
}

const FOLLOWED = new Set(ALL_TOPICS.flatMap(topic => Object.keys(topic.follows ?? {})))

/** Events with what has to happen before each and what follows at once, each given the state the one before it leads to. */
function inOrder(before: LiveState, events: LiveEvent[], at: number): LiveEvent[] {
  let state = before
  const all: LiveEvent[] = []
  const happen = (event: LiveEvent) => {
    for (const each of withFirst(state, event)) {
      all.push(each)
      state = evolve(state, { seq: state.seq + 1, at, event: each })
    }
  }
  for (const event of events) {
    happen(event)
    if (!FOLLOWED.has(event.type)) continue
    const after = state
    for (const next of ALL_TOPICS.flatMap(topic => topic.follows?.[event.type]?.(after, event) ?? []))
      happen(next)
  }
  return all
}

const WORDS = new Map(ALL_TOPICS.flatMap(topic => Object.entries(topic.words)))

/** A refused command in words: what happened, and what to do. */
export const problemText = (problem: LiveProblem): string => WORDS.get(problem.code)?.(problem) ?? ''
