import { value } from 'tests/fixtures/class'
import { runningServer } from 'tests/fixtures/running'
import { facilitatorView } from '~/core/live/views'
import { askAsFacilitator, askAsParticipant } from './requests.server'

const HOW_MANY = 500

test.each([
  ['with names', false],
  ['without names', true],
])(
  'five hundred who answer %s at the same moment, every third pressing twice, are each counted once',
  async (_, anonymous) => {
    const running = await runningServer()
    const { hub, sessionId } = running
    const ids = Array.from({ length: HOW_MANY }, (_each, number) => `p${String(number).padStart(3, '0')}`)
    for (const participantId of ids) {
      const join = { type: 'join' as const, participantId, personId: null, shownName: participantId }
      value(await hub.command(sessionId, { kind: 'door' }, join))
    }
    const lead = (request: Parameters<typeof askAsFacilitator>[3]) =>
      askAsFacilitator(running, running.by, sessionId, request)
    // A crowd that comes all at once waits at the door.
    value(await lead({ type: 'let-in', participantIds: ids }))
    await lead({ type: 'ask-question', text: 'Afraid?', answers: ['Yes', 'No', 'A little'], anonymous })
    const questionId = (await hub.state(sessionId)).questions.at(-1)?.id ?? ''
    const presses = ids.flatMap((_id, number) => (number % 3 === 0 ? [number, number] : [number]))
    const outcomes = await Promise.all(
      presses.map(number =>
        askAsParticipant(running, sessionId, ids[number] ?? '', {
          type: 'answer-question',
          questionId,
          answer: number % 5 === 0 ? 2 : number % 2,
        }),
      ),
    )
    // Without names the second press is refused as answered already; with names it says the same again.
    expect(outcomes.filter(({ ok }) => ok)).toHaveLength(anonymous ? HOW_MANY : presses.length)
    await lead({ type: 'close-question', questionId })
    await running.answersApart.stop()
    // A fifth of 500 took the third answer; of the other 400 half are even.
    expect(facilitatorView(await hub.state(sessionId)).questionNow?.results).toMatchObject({
      answered: HOW_MANY,
      counts: [200, 200, 100],
    })
    await running.stop()
  },
  60_000,
)
