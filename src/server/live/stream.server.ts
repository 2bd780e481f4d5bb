import type { Request, Response } from 'express'
import type { StreamMessage } from '~/contracts/live'
import { AsJson } from './sections.server'

/** A line now and then keeps proxies and phones from closing a quiet stream, in milliseconds. */
const KEEP_ALIVE_MS = 20_000
/** A reader this far behind is let go; it comes back by itself and is told what it missed. In bytes. */
const MOST_BACKLOG = 1_000_000

/** An event stream to one browser (WHATWG HTML, "Server-sent events"). */
export class EventStream {
  private readonly timer: NodeJS.Timeout

  constructor(
    request: Request,
    private readonly response: Response,
  ) {
    request.socket.setNoDelay(true)
    // A chunk would be written in three pieces. What has no chunks ends with the connection, as event streams do anyway.
    response.useChunkedEncodingByDefault = false
    response.writeHead(200, {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-cache, no-transform',
      'X-Accel-Buffering': 'no',
    })
    response.write('retry: 1000\n\n')
    this.timer = setInterval(() => response.write(': here\n\n'), KEEP_ALIVE_MS)
    response.on('close', () => clearInterval(this.timer))
  }

  send = (message: StreamMessage, seq: number): void => {
    if (this.response.writableLength > MOST_BACKLOG) {
      this.response.destroy()
      return
    }
    // Otherwise Node holds it back until this turn is over and everybody else is told.
    this.response.cork()
    this.response.write(`id: ${seq}\ndata: ${messageText(message)}\n\n`)
    this.response.uncork()
  }

  end(): void {
    this.response.end()
  }
}

/** JSON of a message; sections that are JSON already are not read and written again. */
function messageText(message: StreamMessage): string {
  if (message.kind === 'view') return `{"kind":"view","sections":${partsText(message.sections)}}`
  if (message.kind === 'put-up') return partsText({ ...message })
  if (message.kind !== 'change') return JSON.stringify(message)
  return `{"kind":"change","sections":${partsText(message.sections)},"added":${partsText(message.added)}}`
}

function partsText(parts: Record<string, unknown>): string {
  const texts = Object.entries(parts).map(
    ([name, part]) => `${JSON.stringify(name)}:${part instanceof AsJson ? part.text : JSON.stringify(part)}`,
  )
  return `{${texts.join(',')}}`
}

/** Where a browser that comes back was before: the id of the last event it got. */
export function lastSeqOf(request: Request): number | null {
  const header = request.headers['last-event-id']
  const seq = typeof header === 'string' && header !== '' ? Number(header) : Number.NaN
  return Number.isSafeInteger(seq) && seq >= 0 ? seq : null
}
