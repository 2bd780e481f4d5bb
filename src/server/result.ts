/** How a use-case ends: with a value, or with a problem the person can do something about. */
export type Result<Value, Problem> = { ok: true; value: Value } | { ok: false; problem: Problem }

export const done = <Value>(value: Value): { ok: true; value: Value } => ({ ok: true, value })
export const refused = <Problem>(problem: Problem): { ok: false; problem: Problem } => ({
  ok: false,
  problem,
})
