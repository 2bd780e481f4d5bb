import { facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { whatWasObserved, whatWasSaid } from './said'

test('all that was said stands in order: to whom, how many saw it, and who answered what from where', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  session.tell(3, facilitator, {
    type: 'broadcast',
    messageId: 'm',
    text: 'Read this.',
    link: 'https://tides.example',
  })
  session.tell(4, facilitator, {
    type: 'note',
    messageId: 'n',
    roomId: 'reeds',
    text: 'Go on.',
    helpId: null,
  })
  session.tell(5, facilitator, {
    type: 'note-to-person',
    messageId: 'p',
    participantId: 'chi',
    text: 'Well done.',
  })
  session.tell(6, participant('ana'), { type: 'see-messages', messageIds: ['m'] })
  session.tell(6, participant('ana'), { type: 'put-away', messageId: 'm' })
  session.tell(6, participant('bo'), { type: 'put-away', messageId: 'm' })
  session.tell(7, participant('bo'), { type: 'answer-message', messageId: 'm', text: 'Done.', answerId: 'w' })
  session.tell(8, facilitator, { type: 'end' })
  expect(whatWasSaid(session.state)).toEqual([
    {
      id: 'm',
      kind: 'broadcast',
      at: 3,
      from: 'Marit',
      text: 'Read this.',
      to: null,
      thing: 'https://tides.example',
      seen: 2,
      answers: [{ id: 'w', by: 'Bo', room: 'Reeds', text: 'Done.' }],
    },
    expect.objectContaining({ id: 'n', kind: 'note', to: ['Reeds'], seen: 0, answers: [] }),
    expect.objectContaining({ id: 'p', to: ['Chi'] }),
  ])
})

test('observations are kept with the name of the room or person they are on; of nothing said or seen there is nothing', () => {
  const session = new Rehearsed()
  expect([whatWasSaid(session.state), whatWasObserved(session.state)]).toEqual([[], []])
  session.join(1, 'ana')
  session.tell(2, facilitator, {
    type: 'observe',
    on: { roomId: 'birds' },
    text: 'Loud.',
    observationId: 'o',
  })
  session.tell(3, facilitator, {
    type: 'observe',
    on: { participantId: 'ana' },
    text: 'Shy.',
    observationId: 'p',
  })
  session.tell(4, facilitator, { type: 'release', participantId: 'ana' })
  expect(whatWasObserved(session.state)).toEqual([
    { id: 'o', at: 2, from: 'Marit', text: 'Loud.', on: 'Birds' },
    { id: 'p', at: 3, from: 'Marit', text: 'Shy.', on: 'Ana' },
  ])
})
