import type { RequestHandler } from 'express'

/**
 * Begins requests one a turn of the event loop. A class that joins asks hundreds of things in the same moment; begun all at
 * once they would keep sockets and event streams waiting until the last of them had its turn.
 */
export function oneATurn(): RequestHandler {
  const waiting: (() => void)[] = []
  const begin = () => {
    waiting.shift()?.()
    if (waiting.length > 0) setImmediate(begin)
  }
  return (_request, _response, next) => {
    waiting.push(next)
    if (waiting.length === 1) setImmediate(begin)
  }
}
