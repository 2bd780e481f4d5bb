/**
 * What a live topic is: everything about one thing that can happen in a session, in one folder. A topic says the shapes of its
 * commands (and who may give them) and of its events; what a command leads to; what an event changes; what falls due by
 * itself; what each reader is shown; which marks it leaves on the lanes; and the words for what it refuses.
 * `topics.ts` puts the topics together, with all types inferred from them.
 */
import type { z } from 'zod'
import type { Actor, ActorKind } from './actors'
import type { CohortList } from './cohort/list'
import type { Participant } from './door/people'

export type Shape = z.ZodRawShape
/** Zod reads a shape without fields as one that may have none, which nothing with a type could be. */
type Read<S extends Shape> = keyof S extends never ? unknown : z.infer<z.ZodObject<S>>
export type Flat<T> = { [Key in keyof T]: T[Key] } & {}

/** What the server adds to what was asked: nobody can send it. */
export interface Fills {
  /** An id nobody has had before. */
  'fresh-id': string
  /** As many of them as the largest command needs. */
  'fresh-ids': string[]
  /** The list of the cohort that is named; null when there is none. */
  'cohort-list': CohortList | null
  /** Whether the participant who asks has written anything. */
  'has-written': boolean
}

/** The shape of a command: what is asked with it, and who may ask. */
export interface CommandShape {
  by: readonly ActorKind[]
  asks: Shape
  fills?: Readonly<Record<string, keyof Fills>>
  /** Only what was never opened can be opened, and only what has ended be opened again; everything else needs an open session. */
  phase?: 'planned' | 'ended'
  /** Asked for by the server alone, never by a browser. */
  inside?: true
  /** It can come after the end as well: what was on its way is still recorded. */
  alsoAfterEnd?: true
  /** After the end it is no fault, and there is nothing left to record. */
  idleAfterEnd?: true
}

type Filled<C extends CommandShape> =
  C['fills'] extends Readonly<Record<string, keyof Fills>>
    ? { -readonly [Key in keyof C['fills']]: Fills[C['fills'][Key]] }
    : unknown

export type CommandOf<Commands, Type extends keyof Commands> = Commands[Type] extends CommandShape
  ? Flat<{ type: Type } & Read<Commands[Type]['asks']> & Filled<Commands[Type]>>
  : never
/** A command as a browser sends it. */
export type RequestOf<Commands, Type extends keyof Commands> = Commands[Type] extends CommandShape
  ? Flat<{ type: Type } & Read<Commands[Type]['asks']>>
  : never
export type EventOf<Events, Type extends keyof Events> = Events[Type] extends Shape
  ? Flat<{ type: Type } & Read<Events[Type]>>
  : never
/** All events of a topic. */
export type EventsOf<Events> = { [Type in keyof Events]: EventOf<Events, Type> }[keyof Events]
export type ActorOf<C> = C extends { by: readonly (infer Kind)[] } ? Extract<Actor, { kind: Kind }> : never

export type Decision<Event, Problem> = { ok: true; events: Event[] } | { ok: false; problem: Problem }

/** Events a command leads to. Without events its wish is already so, which makes every command safe to repeat. */
export const happens = <const Events extends readonly { type: string }[]>(...events: Events) => ({
  ok: true as const,
  events: events as readonly Events[number][] as Events[number][],
})
export const nothing: { ok: true; events: never[] } = { ok: true, events: [] }
export const refuse = <const Problem>(problem: Problem) => ({ ok: false as const, problem })

/** Something the server has to do by itself; `at` in milliseconds since 1970. */
export interface Deadline<Command> {
  at: number
  command: Command
}

interface MarkOf<Kind> {
  roomId: string
  kind: Kind
  /** The person or the words it is about. */
  what: string
}

/** What of a topic cannot be inferred from its schemas. */
interface Kinds {
  /** What it keeps. */
  state: object
  /** What it reads of other topics. */
  needs?: object
  /** Events of other topics that it follows, or writes beside its own. */
  hears?: { type: string }
  /** What it refuses. */
  problem?: { code: string }
  /** What other topics have words for. */
  borrows?: { code: string }
  /** The marks it leaves. */
  mark?: string
}

type Get<K extends Kinds, Key extends keyof Kinds, None> =
  K[Key] extends NonNullable<Kinds[Key]> ? K[Key] : None
type StateFor<K extends Kinds> = K['state'] & Get<K, 'needs', unknown>
type Heard<K extends Kinds> = Get<K, 'hears', never>
type Known<K extends Kinds, Events> = EventsOf<Events> | Heard<K>
type Changed<K extends Kinds> = Partial<StateFor<K>>
type OfType<Event, Type> = Extract<Event, { type: Type }>

/** What a topic shows, by section. Each is there, if only as null: JSON knows nothing else. */
type Sections = Readonly<Record<string, NonNullable<unknown> | null>>
type NoSections = Readonly<Record<never, never>>

export interface Topic<
  K extends Kinds,
  Commands extends Record<string, CommandShape>,
  Events extends Record<string, Shape>,
  Facilitator,
  Projector,
  Seen,
> {
  /** Before anything has happened. */
  initial: K['state']
  commands: Commands
  events: Events
  /** What each command leads to. Pure: `now` comes in, in milliseconds since 1970, and so do new ids. */
  decide: {
    [Type in keyof Commands]: (
      state: StateFor<K>,
      command: CommandOf<Commands, Type>,
      actor: ActorOf<Commands[Type]>,
      now: number,
    ) => Decision<Known<K, Events>, Get<K, 'problem', never> | Get<K, 'borrows', never>>
  }
  /** What has to happen first when an event is about to, given the state before. */
  first?: {
    [Type in Heard<K>['type']]?: (state: StateFor<K>, event: OfType<Heard<K>, Type>) => Known<K, Events>[]
  }
  /** What happens at once because of an event, given the state after it. */
  follows?: {
    [Type in Heard<K>['type']]?: (state: StateFor<K>, event: OfType<Heard<K>, Type>) => Known<K, Events>[]
  }
  /** What each event changes. Total: one that no longer fits changes nothing. */
  evolve: {
    [Type in keyof Events]: (state: StateFor<K>, event: EventOf<Events, Type>, at: number) => Changed<K>
  } & {
    [Type in Heard<K>['type']]?: (state: StateFor<K>, event: OfType<Heard<K>, Type>, at: number) => Changed<K>
  }
  /** What falls due by itself, in order of time. */
  due?: (
    state: StateFor<K>,
  ) => Deadline<{ [Type in keyof Commands]: CommandOf<Commands, Type> }[keyof Commands]>[]
  /** What each reader is shown, in sections: only those that changed are sent again. */
  views: {
    facilitator?: (state: StateFor<K>) => Facilitator
    /** `me` is the reader: it is for the topic to leave out what they may not see. */
    participant?: (state: StateFor<K>, me: Participant) => Seen
    projector?: (state: StateFor<K>) => Projector
  }
  /** The marks an event leaves on the lanes, given the state before it. */
  marks?: {
    [Type in Known<K, Events>['type']]?: (
      before: StateFor<K>,
      event: OfType<Known<K, Events>, Type>,
    ) => MarkOf<Get<K, 'mark', never>>[]
  }
  /** What was refused, in words: what happened, and what to do. */
  words: {
    [Code in Get<K, 'problem', never>['code']]: (
      problem: Extract<Get<K, 'problem', never>, { code: Code }>,
    ) => string
  }
  /** Brings what an earlier version wrote into the next version's shape: `upcast[1].opened` makes version 2 of version 1. */
  upcast?: Record<
    number,
    { [Type in keyof Events]?: (payload: Record<string, unknown>) => Record<string, unknown> }
  >
  /** Only for the types: what the topic keeps, and the problems and marks it makes. */
  kinds?: K
}

/**
 * Checks a topic against what it says it keeps, needs and refuses: `topic<{ state: ... }>()(shapes, rules)`. The shapes stand
 * apart so that they are known before the rules are looked at.
 */
export const topic =
  <K extends Kinds>() =>
  <
    const Commands extends Record<string, CommandShape>,
    const Events extends Record<string, Shape>,
    Facilitator extends Sections = NoSections,
    Projector extends Sections = NoSections,
    Seen extends Sections = NoSections,
  >(
    shapes: { initial: K['state']; commands: Commands; events: Events },
    rules: Omit<
      Topic<K, Commands, Events, Facilitator, Projector, Seen>,
      'initial' | 'commands' | 'events' | 'kinds'
    >,
  ): Topic<K, Commands, Events, Facilitator, Projector, Seen> => ({ ...shapes, ...rules })
