import { Box, chakra, Flex } from '@chakra-ui/react'

/** The round to scale: the time in rooms, then the grace to come back. Time runs to the right. */
export function Ribbon({ minutes, graceSeconds }: { minutes: number; graceSeconds: number }) {
  const total = minutes * 60 + graceSeconds
  const share = (seconds: number) => (total > 0 ? `${(100 * seconds) / total}%` : '0%')
  return (
    <Box>
      <Flex
        h="40px"
        borderRadius="6px"
        overflow="hidden"
        borderWidth="1px"
        borderColor="edge"
        aria-hidden="true"
      >
        <Flex
          bg="liveWash"
          w={share(minutes * 60)}
          align="center"
          px="10px"
          borderRightWidth="3px"
          borderColor="live"
          overflow="hidden"
        >
          <b>Rooms</b>
        </Flex>
        <Box bg="askWash" w={share(graceSeconds)} />
      </Flex>
      <Flex justify="space-between" color="quiet" fontSize="s" mt="4px">
        <span>Sent out</span>
        <chakra.span fontVariantNumeric="tabular-nums">
          {minutes} min in rooms, then {graceSeconds} s to finish the sentence and come back
        </chakra.span>
      </Flex>
    </Box>
  )
}
