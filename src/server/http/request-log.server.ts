import type { RequestHandler } from 'express'
import type { Logger } from 'pino'
import { pinoHttp, startTime } from 'pino-http'

/** A request that takes longer than this is worth knowing of, in milliseconds. */
const SLOW_MS = 1_000

/** What somebody may not, or too much at once. */
const REFUSED = new Set([403, 413, 429])

/** Logs requests that failed, were refused or took long; of the others nothing is kept. */
export const requestLog = (log: Logger): RequestHandler =>
  pinoHttp({
    logger: log,
    customLogLevel(_request, response, error) {
      if (error || response.statusCode >= 500) return 'error'
      if (REFUSED.has(response.statusCode)) return 'warn'
      const began = response[startTime]
      return Date.now() - began > SLOW_MS && !isStream(response.getHeader('Content-Type')) ? 'warn' : 'silent'
    },
    serializers: {
      req: ({ method, url }: { method: string; url: string }) => ({ method, path: knownPart(url) }),
      res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
      err: ({ type }: { type: string }) => ({ type }),
    },
  })

const isStream = (type: unknown) => type === 'text/event-stream'

/** The words of an address that are ours: codes, tokens and ids are left out, and so is what was asked for. */
export const knownPart = (url: string): string =>
  (url.split('?')[0] ?? '')
    .split('/')
    .map(part => (/^[a-z]+(-[a-z]+)*(\.[a-z]+)?$/.test(part) || part === '' ? part : ':'))
    .join('/')
