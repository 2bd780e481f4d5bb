import { chakra } from '@chakra-ui/react'
import { Message } from './layout'
import type { WholeList } from './use-whole-list'

/** Says of a long list that its rest is still coming, or could not be had. Nothing once it is there. */
export function ListOnItsWay({ list, count }: { list: WholeList<unknown>; count: number }) {
  if (list.state === 'broken')
    return (
      <Message kind="problem">
        The rest of the list could not be fetched. Load the page again when the line is back.
      </Message>
    )
  return list.items.length < count ? (
    <chakra.p role="status" color="quiet" mb="8px">
      {list.items.length} of {count} people are here; the others are coming…
    </chakra.p>
  ) : null
}
