import { type DrawReply, drawRequest } from '~/contracts/grouping-worker'
import { drawGrouping } from '~/core/grouping/grouping'

/** Draws groupings beside the page, so that the page stays responsive however long it takes. */
self.onmessage = (event: MessageEvent<unknown>) => {
  const { id, ...problem } = drawRequest.parse(event.data)
  self.postMessage({ id, ...drawGrouping(problem) } satisfies DrawReply)
}
