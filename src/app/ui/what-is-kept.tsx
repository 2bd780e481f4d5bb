import { chakra } from '@chakra-ui/react'

/**
 * What every participant may know before they write anything: what is kept, who reads it, for how long. In a session also what
 * stays in their own browser meanwhile, and whether the page opens from there without a line.
 */
export function WhatIsKept({ opensWithoutLine }: { opensWithoutLine?: boolean }) {
  return (
    <chakra.p fontSize="s" color="quiet">
      Kept are your name, when you were here, and what you write. Your group and the facilitators read it, for
      as long as they keep this session. The talk of a room is read by those in it, and by a facilitator who
      visits.
      {opensWithoutLine !== undefined &&
        ` ${opensWithoutLine ? 'This page, with your board, also opens without a line' : 'Your board is also kept in this browser'}, until the session is over or you give your name back.`}
    </chakra.p>
  )
}
