import { setImmediate } from 'node:timers/promises'

/** So many are written at once; in between, everybody else's requests are looked after. */
const AT_ONCE = 250

/** What comes of a list from the place on that is asked for with `from`, one JSON text a line: the rest of a long list. */
export function jsonLines(request: Request, items: readonly unknown[]): Response {
  const encoder = new TextEncoder()
  let index = Math.max(0, Number(new URL(request.url).searchParams.get('from')) || 0)
  const stream = new ReadableStream<Uint8Array>({
    async pull(controller) {
      await setImmediate()
      const slice = items.slice(index, index + AT_ONCE)
      index += AT_ONCE
      if (slice.length === 0) controller.close()
      else controller.enqueue(encoder.encode(slice.map(item => `${JSON.stringify(item)}\n`).join('')))
    },
  })
  return new Response(stream, {
    headers: { 'Content-Type': 'application/x-ndjson' },
  })
}
