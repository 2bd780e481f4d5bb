import { Box, chakra, Flex } from '@chakra-ui/react'
import { Pause, Play, RotateCcw } from 'lucide-react'
import { useContext, useEffect, useId, useState } from 'react'
import type { PutUpShown } from '~/core/live/put-up/shown'
import { playedUntil } from '~/core/live/put-up/things'
import { CAPTIONS_NAME } from '~/core/material/material'
import { clockText } from '~/core/schedule/lengths'
import { serverTime, useServerNow } from '../../live-client/server-clock'
import { FilesAt } from '../../prompts/drawing/files-at'
import { ShownFile } from '../../prompts/file/shown-file'
import { Button } from '../../ui/button'
import type { Send } from '../live-view'
import { InStep } from './in-step'

type LeadMaterialProps = Omit<Extract<PutUpShown, { is: 'material' }>, 'is' | 'onPages'> & { send: Send }

/** Turns the pages, or plays what is up, for all who see it. */
export default function LeadMaterial({ thing, page, playing, upSince, send }: LeadMaterialProps) {
  const filesAt = useContext(FilesAt)
  if (thing.is === 'link' || thing.is === 'picture') return null
  const address = `${filesAt}/${thing.file}/whole`
  if (thing.is === 'pdf')
    return (
      <Box maxW="420px">
        <ShownFile
          is="pdf"
          address={address}
          title={thing.title}
          page={page}
          onPage={turned => send({ type: 'turn-page', page: turned, upSince })}
        />
      </Box>
    )
  const captions = thing.captioned ? `${filesAt}/${thing.file}/${CAPTIONS_NAME}` : null
  return (
    <Player
      is={thing.is}
      address={address}
      title={thing.title}
      captions={captions}
      playing={playing}
      upSince={upSince}
      send={send}
    />
  )
}

interface PlayerProps {
  is: 'sound' | 'video'
  address: string
  title: string
  captions: string | null
  playing: LeadMaterialProps['playing']
  upSince: number
  send: Send
}

function Player({ playing, upSince, send, ...shown }: PlayerProps) {
  const [length, setLength] = useState<number | null>(null)
  /** Where it is being drawn to, until it is let go there. */
  const [drawn, setDrawn] = useState<number | null>(null)
  const id = useId()
  const now = useServerNow(playing.since, 500)
  const reached = playedUntil(playing, Math.max(now, playing.since))
  const at = drawn ?? (length === null ? reached : Math.min(reached, length))
  const isOver = length !== null && at >= length
  const isOn = playing.on && !isOver
  const go = (to: number, on: boolean) => send({ type: 'play', at: Math.max(0, to), on, upSince })
  useEffect(() => {
    // When what is up changes, it is where that is.
    if (playing) setDrawn(null)
  }, [playing])
  const letGo = () => {
    if (drawn !== null) go(drawn, isOn)
  }
  return (
    <Box as="section" aria-label={`Show ${shown.title}`} maxW="420px">
      <InStep {...shown} playing={playing} isWall={false} onLength={setLength} />
      <Flex gap="8px" align="center" wrap="wrap" mt="8px">
        {isOn ? (
          <Button kind="main" onClick={() => go(playedUntil(playing, serverTime()), false)}>
            <Pause size={18} aria-hidden="true" /> Stop it for all
          </Button>
        ) : (
          <Button kind="main" onClick={() => go(isOver ? 0 : at, true)}>
            <Play size={18} aria-hidden="true" /> Play it for all
          </Button>
        )}
        <Button onClick={() => go(0, false)}>
          <RotateCcw size={18} aria-hidden="true" /> To the beginning
        </Button>
      </Flex>
      <Flex gap="8px" align="center" mt="6px">
        <chakra.label htmlFor={id} fontSize="s">
          Moment
        </chakra.label>
        <chakra.input
          id={id}
          type="range"
          flex="1"
          minH="24px"
          min={0}
          max={length ?? 1}
          step={1}
          value={at}
          disabled={length === null}
          aria-valuetext={clockText(at * 1000)}
          onChange={event => setDrawn(Number(event.target.value))}
          onPointerUp={letGo}
          onKeyUp={letGo}
          onBlur={letGo}
        />
        <chakra.span fontSize="s" fontVariantNumeric="tabular-nums">
          {clockText(at * 1000)}
          {length !== null && ` of ${clockText(length * 1000)}`}
        </chakra.span>
      </Flex>
    </Box>
  )
}
