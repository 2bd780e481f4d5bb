import { Box, chakra, Flex } from '@chakra-ui/react'
import { Mic, MicOff, ScreenShare } from 'lucide-react'
import { useEffect, useRef } from 'react'
import type { CallMember } from '~/contracts/call-told'
import type { Pictures } from '../../live-client/call/media'

interface CallTileProps {
  member: CallMember
  isOwn: boolean
  simulated: boolean
  pictures: Pictures | undefined
}

/** Somebody in a call: who they are, whether they can be heard and speak, and their pictures. */
export function CallTile({ member, isOwn, simulated, pictures }: CallTileProps) {
  const { name, microphone, camera, sharing, speaking } = member
  return (
    <chakra.li
      borderWidth="2px"
      borderColor={speaking ? 'live' : 'line'}
      borderRadius="6px"
      bg="panel"
      overflow="hidden"
      w={sharing ? '100%' : '132px'}
    >
      {sharing && (
        <Shown picture={pictures?.screen} simulated={simulated} what={`The screen of ${name}`} isScreen />
      )}
      {camera && <Shown picture={pictures?.camera} simulated={simulated} what={`The camera of ${name}`} />}
      <Flex gap="6px" align="center" px="8px" py="4px" fontSize="s">
        {microphone ? (
          <Mic size={14} aria-label="Microphone on" {...KEEPS_SIZE} />
        ) : (
          <MicOff size={14} aria-label="Microphone off" {...KEEPS_SIZE} />
        )}
        {sharing && <ScreenShare size={14} aria-label="Shows their screen" {...KEEPS_SIZE} />}
        <Box minW="0" lineHeight="1.25">
          <chakra.span display="block" overflowWrap="anywhere">
            {isOwn ? `${name} (you)` : name}
          </chakra.span>
          {speaking && (
            <chakra.b color="live" display="block">
              speaks
            </chakra.b>
          )}
        </Box>
      </Flex>
    </chakra.li>
  )
}

/** Beside a long name as well. */
const KEEPS_SIZE = { style: { flexShrink: 0 } }

interface ShownProps {
  picture: MediaStream | null | undefined
  simulated: boolean
  what: string
  isScreen?: boolean
}

function Shown({ picture, simulated, what, isScreen = false }: ShownProps) {
  const video = useRef<HTMLVideoElement>(null)
  useEffect(() => {
    if (video.current) video.current.srcObject = picture ?? null
  }, [picture])
  const size = isScreen ? { w: '100%', aspectRatio: '16/10', maxH: '420px' } : { w: '128px', h: '96px' }
  if (simulated)
    return (
      <Flex
        role="img"
        aria-label={what}
        {...size}
        bg="sunk"
        color="quiet"
        align="center"
        justify="center"
        fontSize="s"
      >
        {isScreen ? 'A screen, simulated' : 'A picture, simulated'}
      </Flex>
    )
  return (
    <chakra.video
      ref={video}
      aria-label={what}
      autoPlay
      muted
      playsInline
      {...size}
      bg="sunk"
      objectFit={isScreen ? 'contain' : 'cover'}
    />
  )
}
