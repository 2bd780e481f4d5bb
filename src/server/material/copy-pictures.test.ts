import { facilitator, plan, Rehearsed } from 'tests/fixtures/rehearsed'
import { copyForPictures } from './copy-pictures.server'

test('a picture goes onto the board of one’s own room, where its prompt takes any, from whoever may write there', () => {
  const pictures = (id: string, add: boolean) => ({
    id,
    kind: 'pictures' as const,
    text: 'What do you see?',
    settings: { pictures: [], add },
  })
  const prompts = [...plan.board.prompts, pictures('open', true), pictures('shut', false)]
  const session = new Rehearsed({ board: { ...plan.board, prompts } })
  session.join(1, 'ana', 'chi')
  const copyFor = (id: string, promptId = 'open') => copyForPictures(session.state, id, promptId)
  expect(copyFor('ana')).toBeNull()
  session.sendOut(2)
  const copyOf = (roomId: string) => session.state.rooms.find(({ id }) => id === roomId)?.copyId
  expect([copyFor('ana'), copyFor('chi')]).toEqual([copyOf('reeds'), copyOf('birds')])
  expect([copyFor('ana', 'shut'), copyFor('ana', 'none'), copyFor('nobody')]).toEqual([null, null, null])
  session.tell(3, facilitator, { type: 'mute', participantId: 'ana', muted: true })
  expect([copyFor('ana'), copyFor('chi')]).toEqual([null, copyOf('birds')])
  session.tell(4, facilitator, { type: 'mute', participantId: 'ana', muted: false })
  expect(copyFor('ana')).toBe(copyOf('reeds'))
})
