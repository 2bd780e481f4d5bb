import { Box, chakra, Flex } from '@chakra-ui/react'
import { useContext, useState } from 'react'
import type { PutUpShown } from '~/core/live/put-up/shown'
import { CAPTIONS_NAME } from '~/core/material/material'
import { FilesAt } from '../../prompts/drawing/files-at'
import { ShownFile } from '../../prompts/file/shown-file'
import { Button } from '../../ui/button'
import { InStep } from './in-step'

type MaterialUpProps = Omit<Extract<PutUpShown, { is: 'material' }>, 'is' | 'onPages'> & { isWall: boolean }

/** Material for all to see: turned to the same page and played in step for all; on a page of one's own one may look back. */
export default function MaterialUp({ thing, page, playing, isWall }: MaterialUpProps) {
  const filesAt = useContext(FilesAt)
  if (thing.is === 'link')
    return (
      <chakra.p fontSize={isWall ? 'xl' : 'm'} overflowWrap="anywhere">
        {isWall ? (
          thing.address
        ) : (
          <chakra.a href={thing.address} target="_blank" rel="noreferrer" color="live" fontWeight="600">
            {thing.address}
          </chakra.a>
        )}
      </chakra.p>
    )
  const at = `${filesAt}/${thing.file}`
  if (thing.is === 'picture')
    return (
      <chakra.img
        src={`${at}/1280.webp`}
        srcSet={`${at}/480.webp 480w, ${at}/1280.webp 1280w, ${at}/2400.webp 2400w`}
        sizes={isWall ? '90vw' : '(max-width: 760px) 100vw, 720px'}
        width={thing.width ?? undefined}
        height={thing.height ?? undefined}
        alt={thing.title}
        maxW="full"
        maxH={isWall ? '62vh' : undefined}
        w={isWall ? 'auto' : 'full'}
        h="auto"
        mx="auto"
        display="block"
        borderRadius="4px"
      />
    )
  if (thing.is === 'pdf')
    return isWall ? (
      <Box maxW="min(100%, 90vh)" mx="auto">
        <ShownFile is="pdf" address={`${at}/whole`} title={thing.title} page={page} onPage={null} />
      </Box>
    ) : (
      <Pages address={`${at}/whole`} title={thing.title} page={page} />
    )
  return (
    <InStep
      is={thing.is}
      address={`${at}/whole`}
      title={thing.title}
      playing={playing}
      captions={thing.captioned ? `${at}/${CAPTIONS_NAME}` : null}
      isWall={isWall}
    />
  )
}

/** Follows the page that all are at, until one turns to another oneself. */
function Pages({ address, title, page }: { address: string; title: string; page: number }) {
  const [own, setOwn] = useState<number | null>(null)
  return (
    <Box>
      <Flex gap="8px" align="center" wrap="wrap" mb="6px" minH="36px">
        {own === null || own === page ? (
          <chakra.span color="quiet" fontSize="s">
            You follow the page that is shown. You may look back.
          </chakra.span>
        ) : (
          <Button size="small" onClick={() => setOwn(null)}>
            Back to page {page}, which is shown
          </Button>
        )}
      </Flex>
      <ShownFile
        is="pdf"
        address={address}
        title={title}
        page={own ?? page}
        onPage={turned => setOwn(turned === page ? null : turned)}
      />
    </Box>
  )
}
