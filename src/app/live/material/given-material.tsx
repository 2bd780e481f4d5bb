import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { Paperclip } from 'lucide-react'
import { useContext, useState } from 'react'
import type { Given } from '~/core/live/material/given'
import { FilesAt } from '../../prompts/drawing/files-at'
import { ShownFile } from '../../prompts/file/shown-file'
import { useKeptText } from '../../ui/use-kept'

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
      {open && <Opened thing={thing} />}
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

function Opened({ thing }: { thing: Exclude<Given['thing'], { is: 'link' }> }) {
  const filesAt = useContext(FilesAt)
  const [page, setPage] = useState(1)
  const at = `${filesAt}/${thing.file}`
  if (thing.is !== 'picture')
    return (
      <Box pb="10px">
        <ShownFile is={thing.is} address={`${at}/whole`} title={thing.title} page={page} onPage={setPage} />
      </Box>
    )
  return (
    <Flex direction="column" gap="4px" pb="10px">
      <chakra.img
        src={`${at}/1280.webp`}
        srcSet={`${at}/480.webp 480w, ${at}/1280.webp 1280w, ${at}/2400.webp 2400w`}
        sizes="(max-width: 760px) 100vw, 720px"
        width={thing.width ?? undefined}
        height={thing.height ?? undefined}
        alt={thing.title}
        w="full"
        h="auto"
        borderRadius="4px"
      />
      <chakra.a
        href={`${at}/2400.webp`}
        target="_blank"
        rel="noopener noreferrer"
        color="live"
        fontWeight="600"
        fontSize="s"
        minH="24px"
      >
        Look closer
      </chakra.a>
    </Flex>
  )
}
