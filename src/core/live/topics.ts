/** The one list of live topics, and what follows from it: all types are inferred from the topics themselves. */
import { z } from 'zod'
import type { ActorKind } from './actors'
import { call } from './call/call'
import { cohort } from './cohort/cohort'
import { comments } from './comments/comments'
import { corrections } from './corrections/corrections'
import { door } from './door/door'
import { duties } from './duties/duties'
import { facilitators } from './facilitators/facilitators'
import { heard } from './heard/heard'
import { help } from './help/help'
import { hiddenTexts } from './hidden/hidden'
import { late } from './late/late'
import { material } from './material/material'
import { messages } from './messages/messages'
import { moves } from './moves/moves'
import { observations } from './observations/observations'
import { office } from './office/office'
import { parts } from './parts/parts'
import { putUp } from './put-up/put-up'
import { questions } from './questions/questions'
import { reportBack } from './report/report-back'
import { rights } from './rights/rights'
import { roomRights } from './rights/room-rights'
import { roles } from './roles/roles'
import { roomSet } from './room-set/room-set'
import { rooms } from './rooms/rooms'
import { rounds } from './rounds/rounds'
import { segments } from './segments/segments'
import { session } from './session/session'
import { signals } from './signals/signals'
import { sitting } from './sitting/sitting'
import { takenOff } from './taken-off/taken-off'
import { talk } from './talk/talk'
import type {
  CommandOf,
  CommandShape,
  Decision as DecisionOf,
  EventsOf,
  Flat,
  RequestOf,
  Shape,
} from './topic'
import { visits } from './visits/visits'
import { withoutDevice } from './without-device/without-device'

/** In the order in which their marks, sections and deadlines come. */
export const TOPICS = {
  session,
  door,
  withoutDevice,
  cohort,
  rooms,
  roomSet,
  late,
  moves,
  sitting,
  rounds,
  parts,
  hiddenTexts,
  corrections,
  roles,
  rights,
  roomRights,
  takenOff,
  segments,
  messages,
  heard,
  comments,
  observations,
  material,
  putUp,
  reportBack,
  questions,
  signals,
  help,
  visits,
  talk,
  call,
  office,
  facilitators,
  duties,
}

type Topics = typeof TOPICS
type AnyTopic = Topics[keyof Topics]
type Both<Union> = (Union extends unknown ? (part: Union) => void : never) extends (part: infer All) => void
  ? All
  : never
type Each<T, Key extends string> = T extends { [K in Key]: infer Part } ? Part : never
type KindsOf<T> = T extends { kinds?: infer K } ? NonNullable<K> : never
type ViewsOf<T, Reader extends string> = T extends {
  views: { [R in Reader]?: (...parts: never[]) => infer View }
}
  ? unknown extends View
    ? never
    : View
  : never

/** Everything the log says about a session at one moment. Never changed in place: `evolve` returns a new one. */
export type LiveState = Flat<{ seq: number } & Both<Each<AnyTopic, 'initial'>>>
/** What can happen in a session. The log of these is the only record of it; everything shown is a fold of it. */
export type LiveEvent = AnyTopic extends infer T
  ? T extends { events: infer Events }
    ? EventsOf<Events>
    : never
  : never
/** Why a command is refused, with the facts needed to explain it. */
export type LiveProblem =
  KindsOf<AnyTopic> extends infer K ? (K extends { problem: infer Problem } ? Problem : never) : never
/** A mark on a room's lane. */
export type MarkKind =
  KindsOf<AnyTopic> extends infer K ? (K extends { mark: infer Mark } ? Mark : never) : never
export type Decision = DecisionOf<LiveEvent, LiveProblem>

type Commands = Both<Each<AnyTopic, 'commands'>>
export type CommandType = keyof Commands
export type Command = { [Type in CommandType]: CommandOf<Commands, Type> }[CommandType]
type SentBy<Kind extends ActorKind> = {
  [Type in CommandType]: Commands[Type] extends { inside: true }
    ? never
    : Kind extends Commands[Type]['by'][number]
      ? Type
      : never
}[CommandType]
/** What a facilitator's browser may send. */
export type FacilitatorRequest = {
  [Type in SentBy<'facilitator'>]: RequestOf<Commands, Type>
}[SentBy<'facilitator'>]
/** What a participant's browser may send. Whom it is about is the cookie, never a field they could fill in. */
export type ParticipantRequest = {
  [Type in SentBy<'participant'>]: RequestOf<Commands, Type>
}[SentBy<'participant'>]

export type FacilitatorView = Flat<Both<ViewsOf<AnyTopic, 'facilitator'>>>
export type ParticipantView = Flat<Both<ViewsOf<AnyTopic, 'participant'>>>
export type ProjectorView = Flat<Both<ViewsOf<AnyTopic, 'projector'>>>

/** An event in its place in the log. `seq` counts from 1 without gaps; `at` is milliseconds since 1970. */
export interface Recorded {
  seq: number
  at: number
  event: LiveEvent
}

/**
 * A topic as the functions over all topics see it. That each fits the whole state, and the events and commands it names, was
 * checked where it is written.
 */
export interface PlainTopic {
  initial: object
  commands: Record<string, CommandShape>
  events: Record<string, Shape>
  decide: Record<string, (state: LiveState, command: Command, actor: unknown, now: number) => Decision>
  first?: Record<string, ((state: LiveState, event: LiveEvent) => LiveEvent[]) | undefined>
  follows?: Record<string, ((state: LiveState, event: LiveEvent) => LiveEvent[]) | undefined>
  evolve: Record<string, ((state: LiveState, event: LiveEvent, at: number) => Partial<LiveState>) | undefined>
  due?: (state: LiveState) => { at: number; command: Command }[]
  views: Record<string, ((state: LiveState, me?: unknown) => object) | undefined>
  marks?: Record<
    string,
    ((before: LiveState, event: LiveEvent) => { roomId: string; kind: MarkKind; what: string }[]) | undefined
  >
  words: Record<string, (problem: LiveProblem) => string>
  upcast?: Record<number, Record<string, (payload: Record<string, unknown>) => Record<string, unknown>>>
}
export const ALL_TOPICS = Object.values(TOPICS) as unknown as PlainTopic[]

/** A session of which nothing has happened yet. */
export const unopened = Object.assign({ seq: 0 }, ...ALL_TOPICS.map(topic => topic.initial)) as LiveState

const shapesOf = <Part>(part: (topic: PlainTopic) => Record<string, Part>): Map<string, Part> =>
  new Map(ALL_TOPICS.flatMap(topic => Object.entries(part(topic))))

/** The shapes of all events and commands, by type. */
export const EVENT_SHAPES = shapesOf(topic => topic.events)
export const COMMAND_SHAPES = shapesOf(topic => topic.commands)

const unionOf = (shapes: [string, Shape][]) =>
  z.discriminatedUnion(
    'type',
    shapes.map(([type, shape]) => z.object({ type: z.literal(type), ...shape })) as never,
  )

export const liveEventSchema = unionOf([...EVENT_SHAPES]) as unknown as z.ZodType<LiveEvent>

const requestSchema = (kind: ActorKind) =>
  unionOf(
    [...COMMAND_SHAPES]
      .filter(([, { by, inside }]) => by.includes(kind) && !inside)
      .map(([type, { asks }]) => [type, asks]),
  )
export const facilitatorRequestSchema = requestSchema(
  'facilitator',
) as unknown as z.ZodType<FacilitatorRequest>
export const participantRequestSchema = requestSchema(
  'participant',
) as unknown as z.ZodType<ParticipantRequest>
