import { chakra } from '@chakra-ui/react'
import { Input } from '../../ui/fields'

/** What a heap is called, to be said by anybody. */
export function HeapName({
  name,
  readOnly,
  onName,
}: {
  name: string
  readOnly: boolean
  onName: (name: string) => void
}) {
  if (readOnly) return <chakra.p fontWeight="600">{name || 'A heap'}</chakra.p>
  return (
    <Input
      aria-label="Name of the heap"
      placeholder="Name this heap"
      value={name}
      maxLength={80}
      mb="8px"
      fontWeight="600"
      onChange={event => onName(event.target.value)}
    />
  )
}
