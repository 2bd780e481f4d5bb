import { useEffect, useState } from 'react'
import { ask } from '../../live-client/ask'

/** What an address of a session offers under a name, looked up once, and how one of it is chosen there. */
export function useOffered<Offer>(address: string, name: string, onDone?: () => void) {
  const [offered, setOffered] = useState<Offer[] | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  useEffect(() => {
    fetch(address)
      .then(answer => answer.json())
      .then(
        found => setOffered(found[name]),
        () => setProblem('This could not be fetched. Cancel and try once more.'),
      )
  }, [address, name])
  const choose = async (chosen: object) => {
    const answer = await ask(address, chosen)
    setProblem(answer.ok ? null : answer.message)
    if (answer.ok) onDone?.()
  }
  return { offered, problem, choose }
}
