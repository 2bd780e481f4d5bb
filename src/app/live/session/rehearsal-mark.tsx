import { Box } from '@chakra-ui/react'

/** That nothing of this page is real. */
export default function RehearsalMark() {
  return (
    <Box bg="ink" color="paper" px="16px" py="2px" fontSize="s">
      <b>Rehearsal.</b> What is written here is not kept.
    </Box>
  )
}
