import { Box, chakra, Flex } from '@chakra-ui/react'
import { ExternalLink } from 'lucide-react'
import { useMemo } from 'react'
import type { Prompt } from '~/core/boards/board'
import { CardsSpace } from '../cards/cards-space'
import type { PromptSpaceProps } from '../prompt-space'
import { ScanCode } from './scan-code'

/** A page elsewhere, the code that leads a phone to it, and what the group remarks on it. */
export default function LinkSpace(props: PromptSpaceProps<'link'>) {
  const { prompt } = props
  const { address } = prompt.settings
  const remarks = useMemo<Extract<Prompt, { kind: 'cards' }>>(
    () => ({ id: prompt.id, kind: 'cards', text: prompt.text, settings: {} }),
    [prompt.id, prompt.text],
  )
  return (
    <Box>
      {address === '' ? (
        <chakra.p color="quiet">No address was given.</chakra.p>
      ) : (
        <Flex gap="14px" align="center" wrap="wrap" mb="12px">
          <ScanCode address={address} size="112px" />
          <chakra.a
            href={address}
            target="_blank"
            rel="noopener noreferrer"
            color="live"
            fontWeight="600"
            textDecoration="underline"
            overflowWrap="anywhere"
            minH="24px"
          >
            {address} <ExternalLink size={16} aria-hidden="true" style={{ display: 'inline' }} />
            <chakra.span srOnly> (opens beside this page)</chakra.span>
          </chakra.a>
        </Flex>
      )}
      <CardsSpace {...props} prompt={remarks} called={REMARKS} />
    </Box>
  )
}

const REMARKS = { one: 'remark', many: 'remarks' }
