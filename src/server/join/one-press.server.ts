import type { Result } from '../result'

/** What the same browser asks for so soon after is the same press, in milliseconds: a slow line holds both up alike. */
const SAME_PRESS_MS = 5_000

/** What presses came to, or will, by the browser and what it pressed. */
const presses = new Map<string, Promise<Result<unknown, unknown>>>()

/**
 * Does once what a hand that presses twice asks for twice: the second time gives what came of the first. `door` is what the browser
 * was given with the page; without it, and after a refusal, each press is one of its own.
 */
export async function onePress<Value, Problem>(
  door: string | null,
  what: string,
  act: () => Promise<Result<Value, Problem>>,
): Promise<Result<Value, Problem>> {
  if (door === null) return act()
  const key = JSON.stringify([door, what])
  const before = presses.get(key) as Promise<Result<Value, Problem>> | undefined
  if (before) return before
  const mine = act()
  presses.set(key, mine)
  const forget = () => presses.delete(key)
  try {
    const result = await mine
    if (result.ok) setTimeout(forget, SAME_PRESS_MS).unref()
    else forget()
    return result
  } catch (error) {
    forget()
    throw error
  }
}
