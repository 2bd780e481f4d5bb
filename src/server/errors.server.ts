/**
 * Errors that end a request. Expected failures inside a use-case are values; these are for what no form can answer:
 * something is not there, or may not be seen. Their message is safe to show. The HTTP status is decided here alone.
 */
export class RoundTableError extends Error {
  constructor(
    readonly code:
      | 'not-found'
      | 'not-allowed'
      | 'not-signed-in'
      | 'too-many-tries'
      | 'bad-request'
      | 'damaged',
    message: string,
    options?: { cause?: unknown },
  ) {
    super(message, options)
    this.name = 'RoundTableError'
  }
}

const STATUS: Record<RoundTableError['code'], number> = {
  'not-found': 404,
  'not-allowed': 403,
  'not-signed-in': 401,
  'too-many-tries': 429,
  'bad-request': 400,
  damaged: 500,
}

export const statusOf = (error: RoundTableError): number => STATUS[error.code]

/** What a missing thing is called when it is not found. */
export const notFound = (what: string): RoundTableError =>
  new RoundTableError(
    'not-found',
    `This ${what} is not here. It may have been removed, or the address is not complete.`,
  )

/** For catching: what is not there is null, and everything else goes on as it was thrown. */
export function nullWhenGone(error: unknown): null {
  if (error instanceof RoundTableError && error.code === 'not-found') return null
  throw error
}
