import { isEqual } from 'lodash-es'
import { z } from 'zod'
import type { Participant } from '../door/people'
import { idSchema } from '../ids'
import type { MaterialState } from '../material/given'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import { putUpNow, type ReadForPutUp } from './shown'
import {
  askedThing,
  LONGEST_PLAYED,
  MOST_PAGES,
  materialThing,
  type OtherThing,
  otherThing,
  type PutUp,
  type PutUpState,
  type PutUpWork,
  plays,
} from './things'
import { roomsWith } from './work'

export type PutUpProblem =
  | { code: 'nothing-to-put-up' }
  | { code: 'nothing-that-plays' }
  /** Somebody else has put up something else, which whoever asks has not seen. */
  | { code: 'another-up' }

const asked = {
  roomId: idSchema.nullable(),
  promptId: idSchema.nullable(),
  /** What earlier versions put up was on the projector alone. */
  onPages: z.boolean().optional(),
}
const page = z.number().int().min(1).max(MOST_PAGES)
/** What is meant, by when it was put up; whatever is up when it is not said, as by earlier versions' pages. */
const ofWhat = { upSince: z.number().int().optional() }
const playing = { at: z.number().min(0).max(LONGEST_PLAYED), on: z.boolean() }

const events = {
  'put-up': asked,
  'thing-put-up': { thing: otherThing, onPages: z.boolean() },
  'put-up-on-pages': { onPages: z.boolean() },
  'page-turned': { page },
  played: playing,
  'taken-down': {},
}
export type PutUpEvent = EventsOf<typeof events>

/** What is put up on the projector, and if wanted on everybody's page, for all to see, until it is taken down. */
export const putUp = topic<{
  state: PutUpState
  needs: Omit<ReadForPutUp, keyof PutUpState> & MaterialState
  problem: PutUpProblem
}>()(
  {
    initial: { putUp: null },
    commands: {
      'put-up': { by: ['facilitator'], asks: asked },
      'put-up-thing': { by: ['facilitator'], asks: { thing: askedThing, onPages: z.boolean() } },
      /** What it is is the server's to say, from the library: no browser sends it. */
      'put-up-material': {
        by: ['facilitator'],
        inside: true,
        asks: { thing: materialThing, onPages: z.boolean() },
      },
      /** Whether what is up is on participants' pages too. */
      'put-on-pages': { by: ['facilitator'], asks: { onPages: z.boolean(), ...ofWhat } },
      'turn-page': { by: ['facilitator'], asks: { page, ...ofWhat } },
      /** Plays on, or stops, from so many seconds after the beginning. */
      play: { by: ['facilitator'], asks: { ...playing, ...ofWhat } },
      'take-down': { by: ['facilitator'], asks: ofWhat },
    },
    events,
  },
  {
    decide: {
      'put-up'(state, { roomId, promptId, onPages = false }) {
        if (roomsWith(state, { roomId, promptId }).length === 0) return refuse({ code: 'nothing-to-put-up' })
        const before = state.putUp
        const isUp =
          before?.is === 'work' &&
          before.roomId === roomId &&
          before.promptId === promptId &&
          before.onPages === onPages
        return isUp ? nothing : happens({ type: 'put-up', roomId, promptId, onPages })
      },
      'put-up-thing'(state, { thing, onPages }) {
        if (thing.is === 'given') {
          const given = state.given.find(({ id }) => id === thing.givenId)
          if (!given) return refuse({ code: 'nothing-to-put-up' })
          return putUpThing(state, { is: 'material', thing: given.thing }, onPages)
        }
        if (thing.is === 'question' && !state.questions.some(({ id }) => id === thing.questionId))
          return refuse({ code: 'nothing-to-put-up' })
        return putUpThing(state, thing, onPages)
      },
      'put-up-material': (state, { thing, onPages }) => putUpThing(state, thing, onPages),
      'put-on-pages'({ putUp: up }, { onPages, upSince }) {
        if (isAnother(up, upSince)) return refuse({ code: 'another-up' })
        return up && up.onPages !== onPages ? happens({ type: 'put-up-on-pages', onPages }) : nothing
      },
      'turn-page'({ putUp: up }, { page: wanted, upSince }) {
        if (isAnother(up, upSince)) return refuse({ code: 'another-up' })
        if (up?.is !== 'material' || up.thing.is !== 'pdf') return refuse({ code: 'nothing-to-put-up' })
        return up.page === wanted ? nothing : happens({ type: 'page-turned', page: wanted })
      },
      play({ putUp: up }, { at, on, upSince }) {
        if (isAnother(up, upSince)) return refuse({ code: 'another-up' })
        if (!plays(up)) return refuse({ code: 'nothing-that-plays' })
        return happens({ type: 'played', at, on })
      },
      'take-down'({ putUp: up }, { upSince }) {
        if (isAnother(up, upSince)) return refuse({ code: 'another-up' })
        return up ? happens({ type: 'taken-down' }) : nothing
      },
    },
    evolve: {
      'put-up': (_state, { roomId, promptId, onPages = false }, at) =>
        nowUp({ is: 'work', roomId, promptId }, onPages, at),
      'thing-put-up': (_state, { thing, onPages }, at) => nowUp(thing, onPages, at),
      'put-up-on-pages': ({ putUp: up }, { onPages }) => ({ putUp: up && { ...up, onPages } }),
      'page-turned': ({ putUp: up }, { page: turned }) => ({ putUp: up && { ...up, page: turned } }),
      played: ({ putUp: up }, { at, on }, since) => ({ putUp: up && { ...up, playing: { at, since, on } } }),
      'taken-down': () => ({ putUp: null }),
    },
    views: {
      facilitator: state => ({ putUp: putUpNow(state) }),
      projector: state => ({ putUp: putUpNow(state) }),
      participant: (state, me) => ({ putUp: seesPutUp(state, me) ? putUpNow(state) : null }),
    },
    words: {
      'nothing-to-put-up': () =>
        'There is nothing here to put up: no room works on it, it is not open to the room yet, or it was taken back.',
      'another-up': () => 'Something else has been put up meanwhile, and stays as it is.',
      'nothing-that-plays': () => 'No sound and no video is up that could be played.',
    },
  },
)

const nowUp = (thing: PutUpWork | OtherThing, onPages: boolean, since: number): PutUpState => ({
  putUp: { ...thing, onPages, upSince: since, page: 1, playing: { at: 0, since, on: false } },
})

function putUpThing({ putUp: up }: PutUpState, thing: OtherThing, onPages: boolean) {
  const isUp = up !== null && up.onPages === onPages && isEqual(thing, whatOf(up))
  return isUp ? nothing : happens({ type: 'thing-put-up' as const, thing, onPages })
}

/** Whether what is meant is no longer what is up, but something else. */
const isAnother = (up: PutUp | null, upSince: number | undefined): boolean =>
  up !== null && upSince !== undefined && up.upSince !== upSince

const whatOf = ({ onPages: _, upSince: _since, page: _page, playing: _playing, ...thing }: PutUp) => thing

/** Whether what is up is for this participant's page too: not for who still waits at the door. */
export const seesPutUp = (state: PutUpState, me: Pick<Participant, 'admitted' | 'released'>): boolean =>
  state.putUp?.onPages === true && me.admitted && !me.released
