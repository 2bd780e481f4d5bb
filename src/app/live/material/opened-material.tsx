import { Box, chakra, Flex } from '@chakra-ui/react'
import { useContext, useState } from 'react'
import type { GivenThing } from '~/core/live/material/given'
import { FilesAt } from '../../prompts/drawing/files-at'
import { ShownFile } from '../../prompts/file/shown-file'

/** A file as it opens under what speaks of it. */
export function OpenedMaterial({ thing }: { thing: Exclude<GivenThing, { is: 'link' }> }) {
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
