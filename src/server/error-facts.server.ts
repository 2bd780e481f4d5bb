import { DrizzleQueryError } from 'drizzle-orm/errors'

/**
 * What a log may say of an error. The message of a failed query holds its parameters, which are people's names and
 * words; so only the query, the database's code and its own message, which has no values in it, are kept.
 */
export function errorFacts(error: unknown): Record<string, unknown> {
  if (error instanceof DrizzleQueryError) {
    const { message, code, constraint } = (error.cause ?? {}) as {
      message?: string
      code?: string
      constraint?: string
    }
    return { name: error.name, query: error.query, message, code, constraint }
  }
  if (error instanceof Error) return { name: error.name, message: error.message, stack: error.stack }
  return { name: typeof error }
}
