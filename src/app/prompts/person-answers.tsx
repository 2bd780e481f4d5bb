import { Box, chakra, Flex, Stack } from '@chakra-ui/react'

interface SpreadProps {
  counts: readonly number[]
  labels: readonly string[]
  /** Where two labels can be the same. */
  keys?: readonly string[]
  label: string
}

/** How many answered what: bars with their counts in words. */
export function Spread({ counts, labels, keys = labels, label }: SpreadProps) {
  const most = Math.max(1, ...counts)
  return (
    <Stack as="ul" gap="4px" listStyleType="none" aria-label={label} fontSize="s">
      {labels.map((name, place) => (
        <Flex as="li" key={keys[place]} gap="8px" align="center">
          <chakra.span w="110px" flexShrink="0" overflowWrap="anywhere">
            {name}
          </chakra.span>
          <Box flex="1" h="14px" bg="sunk" borderRadius="3px" aria-hidden="true">
            <Box
              h="full"
              bg="live"
              borderRadius="3px"
              style={{ width: `${((counts[place] ?? 0) / most) * 100}%` }}
            />
          </Box>
          <chakra.span minW="24px" textAlign="right" fontVariantNumeric="tabular-nums">
            {counts[place] ?? 0}
          </chakra.span>
        </Flex>
      ))}
    </Stack>
  )
}

/** Why people answered as they did, with who said so where that is known. */
export function Reasons({
  reasons,
}: {
  reasons: readonly { key: string; name: string | undefined; said: string; reason: string }[]
}) {
  const given = reasons.filter(({ reason }) => reason.trim())
  if (given.length === 0) return null
  return (
    <Stack as="ul" gap="4px" listStyleType="none" aria-label="Reasons" fontSize="s" mt="8px">
      {given.map(({ key, name, said, reason }) => (
        <chakra.li key={key} overflowWrap="anywhere" whiteSpace="pre-wrap">
          <b>{said}</b> {reason.trim()} {name && <chakra.span color="quiet">{name}</chakra.span>}
        </chakra.li>
      ))}
    </Stack>
  )
}
