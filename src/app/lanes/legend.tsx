import { chakra, Flex } from '@chakra-ui/react'
import { memo } from 'react'
import { MARK_KINDS, MARK_LOOK } from '../live/marks'

/** What the marks on the lanes mean: the same for as long as they are looked at. */
export const Legend = memo(function Legend() {
  return (
    <Flex
      as="ul"
      listStyleType="none"
      wrap="wrap"
      gap="4px 16px"
      fontSize="s"
      color="quiet"
      aria-label="Marks on the lanes"
    >
      {MARK_KINDS.map(kind => {
        const { icon: Icon, word } = MARK_LOOK[kind]
        return (
          <chakra.li key={kind} display="inline-flex" alignItems="center" gap="5px">
            <Icon size={14} aria-hidden="true" />
            {word}
          </chakra.li>
        )
      })}
      <li>bars: work per half minute</li>
    </Flex>
  )
})
