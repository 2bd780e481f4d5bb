import { clock, door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import type { ActorKind } from './actors'
import { decide } from './decide'
import { COMMAND_SHAPES, type Command, facilitatorRequestSchema, participantRequestSchema } from './topics'

/** Who may ask for what, written down once more by hand: a topic that lets more in is found here. */
const MAY: Record<ActorKind, string[]> = {
  facilitator: [
    'add-room',
    'add-time',
    'allow-pictures',
    'answer-comment',
    'ask-again',
    'ask-question',
    'ask-sitting',
    'attach-cohort',
    'begin-report',
    'bring-in',
    'broadcast',
    'broadcast-material',
    'call-back',
    'call-room',
    'clear-signals',
    'close-choosing',
    'close-question',
    'close-room',
    'comment',
    'correct-board',
    'drop-observation',
    'drop-scheduled',
    'end',
    'end-report',
    'end-seeing',
    'end-sitting',
    'facilitator-comes',
    'facilitator-goes',
    'give-back',
    'give-board',
    'give-duty',
    'give-material',
    'give-pen',
    'give-role',
    'go-on',
    'hand-over',
    'hear-room',
    'hide-name',
    'insert-segment',
    'join-in',
    'leave-room',
    'let-help-go',
    'let-in',
    'link-room',
    'list-people',
    'lock-door',
    'make-rooms',
    'match-people',
    'move-segment',
    'mute',
    'next-room',
    'next-segment',
    'note',
    'note-to-person',
    'observe',
    'offer-times',
    'open',
    'open-choosing',
    'open-hidden-text',
    'open-office',
    'open-part',
    'open-parts',
    'open-talk',
    'place',
    'place-people',
    'play',
    'put-in',
    'put-on-pages',
    'put-up',
    'put-up-material',
    'put-up-thing',
    'release',
    'remove',
    'rename-room',
    'rename-session',
    'reopen-rooms',
    'reopen-session',
    'say-again',
    'say-line',
    'see',
    'send-out',
    'set-call',
    'set-late',
    'set-lengths',
    'set-reporter',
    'set-roles',
    'set-room-right',
    'set-terms',
    'set-waiting-list',
    'set-writing',
    'settle-comment',
    'settle-doubt',
    'show-name',
    'shut-part',
    'silence-call',
    'skip-segment',
    'take-down',
    'take-everything',
    'take-help',
    'take-line-off',
    'take-material-back',
    'take-off',
    'take-points',
    'turn-page',
    'undo-rooms',
    'unmatch-people',
    'visit',
    'withdraw-time',
  ],
  participant: [
    'answer-comment',
    'answer-message',
    'answer-question',
    'call-help',
    'choose-room',
    'come-back',
    'enter-room',
    'give-time-back',
    'join-line',
    'leave-line',
    'name-beside',
    'not-me',
    'note-answer',
    'open-hidden-text-here',
    'pass-pen',
    'pass-role',
    'put-away',
    'put-in-beside',
    'say-line',
    'say-minutes',
    'say-part-done',
    'see-messages',
    'set-signal',
    'settle-comment',
    'take-out-beside',
    'take-time',
    'withdraw-help',
  ],
  door: ['claim-name', 'connect', 'disconnect', 'join'],
  clock: [
    'call-back',
    'close-question',
    'draw-answers',
    'finish-grace',
    'lose-answers',
    'open-due-parts',
    'say-on-schedule',
    'say-scheduled',
    'warn',
  ],
}
const ACTORS = { facilitator, participant: participant('ana'), door, clock }

test.each(Object.keys(ACTORS) as ActorKind[])('what the %s may ask for is what is written here', kind => {
  const open = [...COMMAND_SHAPES].filter(([, { by }]) => by.includes(kind)).map(([type]) => type)
  expect(open.sort()).toEqual(MAY[kind])
})

test.each(Object.keys(ACTORS) as ActorKind[])('everything else is refused to the %s', kind => {
  const { state } = new Rehearsed()
  for (const type of COMMAND_SHAPES.keys()) {
    if (MAY[kind].includes(type)) continue
    expect(decide(state, { type } as Command, ACTORS[kind], 1)).toEqual({
      ok: false,
      problem: { code: 'not-allowed' },
    })
  }
})

test('a participant can not ask for what only facilitators may', () => {
  for (const request of [
    { type: 'end' },
    { type: 'place', participantId: 'x', roomId: null },
    { type: 'open' },
  ]) {
    expect(participantRequestSchema.safeParse(request).success).toBe(false)
  }
  expect(participantRequestSchema.parse({ type: 'call-help', participantId: 'another' })).toEqual({
    type: 'call-help',
  })
})

test('ids of new things are not the browser’s to choose', () => {
  expect(facilitatorRequestSchema.parse({ type: 'broadcast', text: 'x', messageId: 'mine' })).toEqual({
    type: 'broadcast',
    text: 'x',
  })
})

test('what only the server says is no request, and texts are bounded before they are looked at', () => {
  expect(facilitatorRequestSchema.safeParse({ type: 'open', plan: {} }).success).toBe(false)
  expect(facilitatorRequestSchema.safeParse({ type: 'broadcast', text: 'x'.repeat(5001) }).success).toBe(
    false,
  )
  const names = Array.from({ length: 61 }, (_, number) => `Person ${number}`)
  expect(facilitatorRequestSchema.safeParse({ type: 'put-in', names }).success).toBe(false)
  const ids = Array.from({ length: 501 }, (_, number) => `p${number}`)
  expect(facilitatorRequestSchema.safeParse({ type: 'let-in', participantIds: ids }).success).toBe(false)
})

test.each(['toString', '__proto__', 'constructor', 'hasOwnProperty'])('%s is nobody’s id', id => {
  expect(facilitatorRequestSchema.safeParse({ type: 'let-in', participantIds: [id] }).success).toBe(false)
  expect(facilitatorRequestSchema.safeParse({ type: 'visit', roomId: id }).success).toBe(false)
})
