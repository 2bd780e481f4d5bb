import type * as Y from 'yjs'

/**
 * What is only taken away moves no clock, so that nobody could see from the clocks whether it is on disk. A mark of the same
 * writer goes with it, which does. Gives how to stop.
 */
export function markRemovals(doc: Y.Doc): () => void {
  const mark = ({ local, deleteSet, beforeState, afterState }: Y.Transaction) => {
    const { clientID } = doc
    const wrote = (afterState.get(clientID) ?? 0) > (beforeState.get(clientID) ?? 0)
    if (local && !wrote && deleteSet.clients.size > 0) doc.getMap('removals').set(String(clientID), true)
  }
  doc.on('afterTransaction', mark)
  return () => doc.off('afterTransaction', mark)
}
