import { useLayoutEffect, useMemo, useRef, useState } from 'react'

/** The same object for as long as it says the same; for what JSON can hold. What hangs on it is then not drawn anew. */
export function useSame<Value>(value: Value): Value {
  const said = JSON.stringify(value)
  return useMemo(() => JSON.parse(said) as Value, [said])
}

type Acts = Record<string, (...given: never[]) => unknown>

/** The same functions for as long as a component stands, each doing what was last given under its name. */
export function useSameActs<Does extends Acts>(does: Does): Does {
  const latest = useRef(does)
  useLayoutEffect(() => {
    latest.current = does
  })
  const [same] = useState(() => {
    const act = (name: string) => [name, (...given: never[]) => latest.current[name]?.(...given)] as const
    return Object.fromEntries(Object.keys(does).map(act)) as Does
  })
  return same
}
