import { Box, chakra, Flex } from '@chakra-ui/react'
import { Bell, BellOff, Hand } from 'lucide-react'
import { Suspense, useState } from 'react'
import type { ParticipantView } from '~/core/live/views'
import { HelpButton } from '../../live/help/help-button'
import type { SendFromPlace } from '../../live/live-view'
import { RoomTalk } from '../../live/talk/room-talk'
import { whenMet } from '../../prompts/when-met'
import { Button } from '../../ui/button'
import { chime } from '../../ui/sound'

const HelpCalled = whenMet(() => import('../../live/help/help-called'))
const SignalChoices = whenMet(() => import('../../live/signals/signal-choices'))
const ShownSignal = whenMet(() => import('../../live/signals/shown-signal'))

interface PlaceFootProps
  extends Pick<ParticipantView, 'help' | 'visits' | 'signal' | 'minutesSaid' | 'talk' | 'talkOpen'> {
  /** The copy of the board of the room one is in; null with the whole group. */
  copyId: string | null
  canSay: boolean
  /** Whether warnings before the end are also heard and felt. */
  aloud: boolean
  onAloud: (on: boolean) => void
  onSend: SendFromPlace
}

/** Always at the bottom: signals, help; and who is visiting, so that nobody is startled. */
export function PlaceFoot({
  help,
  visits,
  signal,
  minutesSaid,
  talk,
  talkOpen,
  copyId,
  canSay,
  aloud,
  onAloud,
  onSend,
}: PlaceFootProps) {
  const [choosing, setChoosing] = useState(false)
  // In a room help can be called, warnings come, and there is a talk.
  const inRoom = copyId !== null
  const noSignal = (
    <>
      <Hand size={18} aria-hidden="true" /> Signal
    </>
  )
  return (
    <Box as="footer" position="sticky" bottom="0" bg="paper" borderTopWidth="1px" px="16px" py="10px">
      <Flex justify="space-between" align="center" gap="8px" wrap="wrap">
        {copyId !== null && (
          <RoomTalk
            key={copyId}
            talk={talk}
            talkOpen={talkOpen}
            canSay={canSay}
            copyId={copyId}
            send={onSend}
          />
        )}
        {inRoom && (
          <Button
            kind="bare"
            size="small"
            aria-pressed={aloud}
            aria-label="Sound and vibration with warnings"
            px="6px"
            onClick={() => {
              onAloud(!aloud)
              if (!aloud) chime('warning')
            }}
          >
            {aloud ? <Bell size={18} aria-hidden="true" /> : <BellOff size={18} aria-hidden="true" />}
            <chakra.span display={{ base: 'none', md: 'inline' }}>
              {aloud ? 'Sound on' : 'Sound off'}
            </chakra.span>
          </Button>
        )}
        {choosing && (
          <Suspense fallback={null}>
            <SignalChoices
              signal={signal}
              minutesSaid={minutesSaid}
              inRoom={inRoom}
              onChosen={() => setChoosing(false)}
              send={onSend}
            />
          </Suspense>
        )}
        <Button
          aria-expanded={choosing}
          kind={signal ? 'main' : 'plain'}
          onClick={() => setChoosing(!choosing)}
        >
          {signal ? (
            <Suspense fallback={noSignal}>
              <ShownSignal signal={signal} />
            </Suspense>
          ) : (
            noSignal
          )}
        </Button>
        {help && !choosing && (
          <Suspense fallback={null}>
            <HelpCalled help={help} onSend={onSend} />
          </Suspense>
        )}
        {(!help || choosing || visits.length > 0) && (
          // On a phone who has come stands above the buttons, which are in one line then.
          <chakra.p
            role="status"
            fontSize="s"
            flex={visits.length > 0 ? { base: '1 0 100%', md: '1' } : '1'}
            order={visits.length > 0 ? { base: '-1', md: '0' } : undefined}
          >
            {visits.map(visitWords).join(' ')}
          </chakra.p>
        )}
        {inRoom && (
          <HelpButton
            help={help}
            onSend={request => {
              // What is said of help takes the place of the signals: both together would be half of a phone.
              setChoosing(false)
              return onSend(request)
            }}
          />
        )}
      </Flex>
    </Box>
  )
}

const visitWords = ({ name, writesAs }: ParticipantView['visits'][number]): string =>
  writesAs === null ? `${name} is in your room, listening.` : `${name} has joined in and writes along.`
