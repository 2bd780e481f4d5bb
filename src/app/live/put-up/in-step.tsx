import { chakra, Flex } from '@chakra-ui/react'
import { Volume2, VolumeX } from 'lucide-react'
import { useEffect, useId, useRef, useState } from 'react'
import { type Playing, playedUntil } from '~/core/live/put-up/things'
import { serverSpeed, serverTime } from '../../live-client/server-clock'
import { Button } from '../../ui/button'
import { Tick } from '../../ui/fields'
import { useSwitch } from '../../ui/use-kept'
import { correction } from './correction'

/** Browsers play no faster (Chromium, `HTMLMediaElement::kMaxPlaybackRate`, from memory). */
const FASTEST_PLAYED = 16
/** How often it is looked whether all are still in step, in milliseconds. */
const LOOK_EVERY_MS = 500
/** A jump that takes longer, in seconds, is waited for no more by the next: it was the line. */
const LONGEST_JUMP = 2

interface InStepProps {
  is: 'sound' | 'video'
  address: string
  title: string
  playing: Playing
  /** Where what is said can be read along; null for nowhere. */
  captions: string | null
  isWall: boolean
  /** Told how long it is, in seconds, when that is known. */
  onLength?: (seconds: number) => void
}

/** A sound or video that plays where the facilitator has it, in step with everybody's; how loud is each one's own. */
export function InStep({ is, address, title, playing, captions, isWall, onLength }: InStepProps) {
  const player = useRef<HTMLVideoElement & HTMLAudioElement>(null)
  const [refused, setRefused] = useState(false)
  const [muted, setMuted] = useState(false)
  const [volume, setVolume] = useState(1)
  const [reads, setReads] = useSwitch('captions', false)
  const [said, setSaid] = useState('')
  const track = useRef<HTMLTrackElement>(null)
  /** When the last jump began, in milliseconds, and how long it took, in seconds. */
  const jump = useRef({ began: 0, took: 0 })
  const id = useId()
  useEffect(() => {
    const media = player.current
    if (!media) return
    const look = () => {
      // A jump under way arrives first: on a slow device each would otherwise be broken off by the next.
      if (media.seeking) return
      const { seek, rate, play } = correction(
        {
          at: media.currentTime,
          length: Number.isFinite(media.duration) ? media.duration : null,
          jumpTook: jump.current.took,
        },
        playedUntil(playing, serverTime()),
        playing.on,
      )
      if (seek !== null) {
        jump.current.began = performance.now()
        media.currentTime = seek
      }
      // In a rehearsal it plays as fast as everything else, as far as browsers can.
      media.playbackRate = Math.min(FASTEST_PLAYED, rate * serverSpeed())
      if (play && media.paused)
        media.play().catch((error: DOMException) => {
          // Browsers let nothing be heard before somebody has pressed something: it goes on without sound.
          if (error.name !== 'NotAllowedError' || media.muted) return
          media.muted = true
          setRefused(true)
          media.play().catch(() => undefined)
        })
      if (!play && !media.paused) media.pause()
    }
    const arrived = () => {
      jump.current.took = Math.min(LONGEST_JUMP, (performance.now() - jump.current.began) / 1_000)
    }
    look()
    const timer = setInterval(look, LOOK_EVERY_MS)
    media.addEventListener('loadedmetadata', look)
    media.addEventListener('seeked', arrived)
    return () => {
      clearInterval(timer)
      media.removeEventListener('loadedmetadata', look)
      media.removeEventListener('seeked', arrived)
    }
  }, [playing])
  useEffect(() => {
    const shown = track.current?.track
    if (!shown) return
    shown.mode = reads ? 'hidden' : 'disabled'
    const tell = () =>
      setSaid([...(shown.activeCues ?? [])].map(cue => (cue as VTTCue).getCueAsHTML().textContent).join('\n'))
    shown.addEventListener('cuechange', tell)
    return () => {
      shown.removeEventListener('cuechange', tell)
      setSaid('')
    }
  }, [reads])
  const hear = () => {
    if (player.current) player.current.muted = false
    setRefused(false)
    setMuted(false)
  }
  const media = {
    ref: player,
    src: address,
    preload: 'auto',
    'aria-label': title,
    onLoadedMetadata: () => player.current && onLength?.(player.current.duration),
  } as const
  const isSilent = muted || refused
  const captionTrack = captions !== null && <track ref={track} kind="captions" src={captions} />
  return (
    <>
      {is === 'sound' ? (
        <chakra.audio {...media}>{captionTrack}</chakra.audio>
      ) : (
        <chakra.video
          {...media}
          playsInline
          w="full"
          maxH={isWall ? '62vh' : '60vh'}
          borderRadius="4px"
          bg="black"
        >
          {captionTrack}
        </chakra.video>
      )}
      {captions !== null && reads && (
        <chakra.p
          aria-label="Captions"
          minH="2.8em"
          whiteSpace="pre-wrap"
          textAlign="center"
          fontSize={isWall ? 'xl' : 'm'}
          bg="sunk"
          borderRadius="4px"
          p="6px"
          mt="4px"
        >
          {said}
        </chakra.p>
      )}
      {is === 'sound' && (
        <chakra.p fontSize={isWall ? 'xl' : 'm'}>{playing.on ? 'Playing' : 'Stopped'}</chakra.p>
      )}
      <Flex gap="10px" align="center" wrap="wrap" mt="8px">
        {isSilent ? (
          <Button size="small" onClick={hear}>
            <VolumeX size={16} aria-hidden="true" /> Turn the sound on
          </Button>
        ) : (
          <Button
            size="small"
            onClick={() => {
              if (player.current) player.current.muted = true
              setMuted(true)
            }}
          >
            <Volume2 size={16} aria-hidden="true" /> Turn the sound off
          </Button>
        )}
        {captions !== null && (
          <Tick checked={reads} onChange={event => setReads(event.target.checked)}>
            Captions
          </Tick>
        )}
        <chakra.label htmlFor={id} fontSize="s" color="quiet">
          How loud here
        </chakra.label>
        <chakra.input
          id={id}
          type="range"
          min={0}
          max={1}
          step={0.05}
          value={volume}
          minH="24px"
          onChange={event => {
            const loud = Number(event.target.value)
            setVolume(loud)
            if (player.current) player.current.volume = loud
          }}
        />
      </Flex>
    </>
  )
}
