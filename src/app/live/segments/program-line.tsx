import { chakra } from '@chakra-ui/react'
import type { Program } from '~/core/live/segments/shown'

/** What is now and what comes, as participants and the class read it. */
export function ProgramLine({ program }: { program: Program | null }) {
  if (!program || (!program.now && !program.next)) return null
  const { now, next } = program
  return (
    <chakra.p>
      {now && <b>{now.name}</b>}
      {next && (
        <chakra.span color="quiet">
          {now ? ' · then: ' : 'Then: '}
          {next.name}, {next.minutes} min
        </chakra.span>
      )}
    </chakra.p>
  )
}
