import * as Y from 'yjs'
import { KeptDocument } from './kept-document'
import { forgetSession, keepView, keptBoards, keptSessions, keptView } from './kept-store'
import { sendLate } from './late'

// Node has no store of this kind, as some browsers' private windows have none.
test('where nothing can be kept, nothing is kept and nothing fails', async () => {
  expect(typeof indexedDB).toBe('undefined')
  const about = { sessionId: 's', participantId: 'ana', copyId: 'copy', promptId: null }
  expect(await KeptDocument.open('ana:copy', about, new Y.Doc())).toBeNull()
  await keepView('s', 'ana', {}, 1)
  expect(await keptView('s', 'ana')).toBeUndefined()
  expect(await keptBoards('s')).toEqual([])
  expect(await keptSessions(0)).toEqual({ kept: [], tooLong: [] })
  expect(await sendLate('s', 'ana', null)).toEqual({ kept: 0, refused: [], waits: false })
  await forgetSession('s')
})
