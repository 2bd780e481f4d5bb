import { hash, verify } from '@node-rs/argon2'
import { newToken } from '../tokens.server'
import { onWorkThread } from '../work/work-thread.server'

/**
 * Argon2id as the OWASP "Password Storage Cheat Sheet" recommends it at the least: 19 MiB, two passes, one lane. The
 * library works on threads of its own, so that nobody waits for somebody else's password.
 */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 }

/** So many passwords are worked on at once; others wait, and each takes some 20 MB meanwhile. */
const AT_ONCE = 2
let running = 0
const queue: (() => void)[] = []

async function fewAtOnce<Value>(work: () => Promise<Value>): Promise<Value> {
  if (running >= AT_ONCE) await new Promise<void>(resolve => queue.push(resolve))
  running++
  try {
    return await work()
  } finally {
    running--
    queue.shift()?.()
  }
}

/** More than so many in the queue wait for longer than anybody does. */
const MANY = 60

/** Whether so many passwords are being worked on that another had better come later. */
export const arePasswordsWaiting = (): boolean => queue.length > MANY

/** What is kept of a password. */
export const hashPassword = (password: string): Promise<string> => fewAtOnce(() => hash(password, COST))

/** Hashes of the first versions were made by bcrypt, which reads 72 bytes. */
export const isOldHash = (passwordHash: string): boolean => passwordHash.startsWith('$2')

/** Whether a password is the one a hash was made of, whichever way it was made. */
export const checkPassword = (password: string, passwordHash: string): Promise<boolean> =>
  fewAtOnce(() =>
    isOldHash(passwordHash)
      ? onWorkThread('oldPassword', { password, passwordHash })
      : verify(passwordHash, password),
  )

let noAccountHash: Promise<string> | undefined

/** A hash nobody knows a password for: an unknown address takes as long to refuse as a wrong password. */
export function hashOfNobody(): Promise<string> {
  noAccountHash ??= hashPassword(newToken())
  return noAccountHash
}
