import { Box, chakra, Stack } from '@chakra-ui/react'
import { Paperclip } from 'lucide-react'
import { useState } from 'react'
import type { Given } from '~/core/live/material/given'
import { useKeptText } from '../../ui/use-kept'
import { OpenedMaterial } from './opened-material'

/** What the facilitator has given here while the session runs: marked as new until it was opened once. */
export default function GivenMaterial({ given }: { given: readonly Given[] }) {
  return (
    <Stack as="ul" listStyleType="none" gap="8px" aria-label="Material from the facilitator">
      {given.map(each => (
        <OneGiven key={each.id} given={each} />
      ))}
    </Stack>
  )
}

function OneGiven({ given: { id, thing } }: { given: Given }) {
  const [seenHere, keep] = useKeptText(`given-${id}`)
  const seen = seenHere !== ''
  const [open, setOpen] = useState(false)
  const head = (
    <>
      <Paperclip size={18} aria-hidden="true" />
      <chakra.span fontWeight="600" overflowWrap="anywhere" minW="0">
        {thing.title}
      </chakra.span>
      {!seen && (
        <chakra.span bg="live" color="paper" borderRadius="4px" px="6px" fontSize="s">
          new
        </chakra.span>
      )}
    </>
  )
  if (thing.is === 'link')
    return (
      <Frame isNew={!seen}>
        <chakra.a
          href={thing.address}
          target="_blank"
          rel="noreferrer"
          color="live"
          display="flex"
          gap="8px"
          alignItems="center"
          minH="44px"
          onClick={() => keep('seen')}
        >
          {head}
        </chakra.a>
      </Frame>
    )
  return (
    <Frame isNew={!seen}>
      <chakra.button
        type="button"
        aria-expanded={open}
        display="flex"
        gap="8px"
        alignItems="center"
        minH="44px"
        w="full"
        textAlign="left"
        cursor="pointer"
        onClick={() => {
          keep('seen')
          setOpen(!open)
        }}
      >
        {head}
        <chakra.span ms="auto" color="live" fontSize="s" flexShrink="0">
          {open ? 'Close' : 'Open'}
        </chakra.span>
      </chakra.button>
      {open && <OpenedMaterial thing={thing} />}
    </Frame>
  )
}

const Frame = ({ isNew, children }: { isNew: boolean; children: React.ReactNode }) => (
  <Box
    as="li"
    bg="panel"
    borderWidth={isNew ? '2px' : '1px'}
    borderColor={isNew ? 'live' : 'edge'}
    borderRadius="8px"
    px="10px"
  >
    {children}
  </Box>
)
