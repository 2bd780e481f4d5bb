import { chakra, Flex } from '@chakra-ui/react'
import { Button } from '../../../ui/button'

interface ProgressProps {
  busy: boolean
  progress: number | null
  onStop: () => void
}

/** A search at work: how far it is, and a way to be content with what there is. */
export function Progress({ busy, progress, onStop }: ProgressProps) {
  if (!busy || progress === null) return null
  return (
    <Flex gap="10px" align="center" mt="8px">
      <chakra.progress value={progress} max={1} aria-label="Looking for better groups" w="220px" />
      <span>looking for better groups</span>
      <Button size="small" onClick={onStop}>
        That will do
      </Button>
    </Flex>
  )
}
