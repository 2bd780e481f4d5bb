import { chakra } from '@chakra-ui/react'

/** What every participant may know before they write anything: what is kept, who reads it, for how long. */
export function WhatIsKept() {
  return (
    <chakra.p fontSize="s" color="quiet">
      Kept are your name, when you were here, and what you write. Your group and the facilitators read it, for
      as long as they keep this session.
    </chakra.p>
  )
}
