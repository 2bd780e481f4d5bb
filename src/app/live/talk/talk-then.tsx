import { chakra, Stack } from '@chakra-ui/react'

interface TalkThenProps {
  lines: readonly { by: string; text: string; at?: string | undefined; takenOff?: boolean }[]
}

/** What was said in a room's talk, read afterwards; nothing where nothing was. */
export function TalkThen({ lines }: TalkThenProps) {
  if (lines.length === 0) return null
  return (
    <chakra.details mt="8px" fontSize="s">
      <chakra.summary cursor="pointer" color="quiet">
        Talk: {lines.length === 1 ? '1 line' : `${lines.length} lines`}
      </chakra.summary>
      <Stack as="ul" gap="2px" listStyleType="none" mt="4px">
        {lines.map(({ by, text, at, takenOff }, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: the same may be said twice, and none ever moves.
          <chakra.li key={index} overflowWrap="anywhere">
            {at && <chakra.span color="quiet">{at} </chakra.span>}
            <b>{by}</b> {text}
            {takenOff && <chakra.span color="quiet"> (taken off the screens)</chakra.span>}
          </chakra.li>
        ))}
      </Stack>
    </chakra.details>
  )
}
