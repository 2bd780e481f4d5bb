import { useEffect } from 'react'

/** So soon after another, what says the same is the same press, in milliseconds. */
const ONE_PRESS_MS = 1_000

/** Holds a form back that is sent once more with the same in it: a hand that presses twice means it once. */
export function useOnePress(): void {
  useEffect(() => {
    const last = new WeakMap<HTMLFormElement, { said: string; at: number }>()
    const hold = (event: SubmitEvent) => {
      const form = event.target
      if (!(form instanceof HTMLFormElement) || form.method !== 'post') return
      const said = saidIn(new FormData(form, event.submitter))
      const before = last.get(form)
      if (before?.said === said && event.timeStamp - before.at < ONE_PRESS_MS) {
        event.preventDefault()
        event.stopImmediatePropagation()
      } else last.set(form, { said, at: event.timeStamp })
    }
    addEventListener('submit', hold, true)
    return () => removeEventListener('submit', hold, true)
  }, [])
}

const saidIn = (fields: FormData): string =>
  JSON.stringify([...fields].map(([name, value]) => [name, typeof value === 'string' ? value : value.name]))
