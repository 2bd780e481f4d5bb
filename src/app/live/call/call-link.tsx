import { chakra } from '@chakra-ui/react'

/** Leads to the call of a room in a service elsewhere, in a window of its own: the room stays open here. */
export function CallLink({ link, children }: { link: string; children: string }) {
  return (
    <chakra.a
      href={link}
      target="_blank"
      rel="noreferrer"
      color="live"
      fontWeight="600"
      overflowWrap="anywhere"
    >
      {children}
    </chakra.a>
  )
}
