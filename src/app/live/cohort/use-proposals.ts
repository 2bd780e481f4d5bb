import { useEffect, useState } from 'react'
import type { Named, Proposal } from '~/core/people/likeness'

type Proposals = ReadonlyMap<string, Proposal>
const NONE: Proposals = new Map()

/**
 * Who of the list each of those typed may be, by their ids; worked out beside the page, anew only for other names: views come with
 * new objects for the same. Null until it is known; nobody is proposed where it can not be.
 */
export function useProposals(typed: readonly Named[], listed: readonly Named[]): Proposals | null {
  const [found, setFound] = useState<Proposals | null>(null)
  const key = [typed, listed]
    .map(names => names.map(({ id, name }) => `${id} ${name}`).join('\n'))
    .join('\n\n')
  // biome-ignore lint/correctness/useExhaustiveDependencies: `key` stands for both lists.
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/likeness.worker.ts', import.meta.url), {
      type: 'module',
    })
    worker.onmessage = ({ data }: MessageEvent<Proposal[]>) =>
      setFound(new Map(data.map(proposal => [proposal.id, proposal])))
    worker.onerror = () => setFound(NONE)
    worker.postMessage({ typed, listed })
    return () => worker.terminate()
  }, [key])
  return found
}
