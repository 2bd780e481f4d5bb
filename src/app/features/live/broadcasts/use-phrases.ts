import { useCallback, useEffect, useState } from 'react'
import type { Phrase, PhraseChange } from '~/contracts/phrases'
import { ask } from '../../../live-client/ask'

const ADDRESS = '/phrases'

/** One's own ready phrases, and changing them; null until they are there. */
export function usePhrases() {
  const [phrases, setPhrases] = useState<Phrase[] | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const read = useCallback(async () => {
    try {
      setPhrases((await (await fetch(ADDRESS)).json()).phrases)
    } catch {
      setProblem('Your phrases could not be fetched.')
    }
  }, [])
  useEffect(() => void read(), [read])
  const change = async (wanted: PhraseChange) => {
    const answer = await ask(ADDRESS, wanted)
    setProblem(answer.ok ? null : answer.message)
    if (answer.ok) await read()
  }
  return { phrases, problem, change }
}
