import { facilitator, Rehearsed } from 'tests/fixtures/rehearsed'
import { facilitatorView } from '~/core/live/views'
import type { LiveView } from '../../live/live-view'
import { withDraft } from './draft-rooms'

test('everybody stands where the draft has them, who is in no group of it nowhere, and the view stays as it was', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.tell(2, facilitator, { type: 'set-waiting-list', on: true })
  const view = facilitatorView(session.state) as LiveView
  const before = structuredClone(view)
  const drawn = withDraft(view, { names: ['One', 'Two'], groups: [['chi'], ['ana']] })
  expect(drawn.rooms.map(({ id, name, used }) => [id, name, used])).toEqual([
    ['draft-0', 'One', false],
    ['draft-1', 'Two', false],
  ])
  expect(drawn.people.map(({ id, roomId }) => [id, roomId])).toEqual([
    ['ana', 'draft-1'],
    ['bo', null],
    ['chi', 'draft-0'],
  ])
  expect(view).toEqual(before)
})
