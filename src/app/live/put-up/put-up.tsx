import { chakra, Flex } from '@chakra-ui/react'
import { Presentation } from 'lucide-react'
import { lazy, Suspense } from 'react'
import { Button } from '../../ui/button'
import { Select, Tick } from '../../ui/fields'
import { loadAgain } from '../../ui/load-again'
import type { LiveView, Send } from '../live-view'
import { putUpWords } from './put-up-words'
import { useOnPages } from './use-on-pages'

/** Fetched when material is up. */
const LeadMaterial = lazy(() => loadAgain(() => import('./lead-material')))

interface PutUpNowProps {
  view: LiveView
  send: Send
}

/** What is up, taken down in one move; pages are turned and films are played from here. */
export function PutUpNow({ view: { putUp }, send }: PutUpNowProps) {
  if (!putUp) return null
  const { what, whose } = putUpWords(putUp)
  const { onPages, upSince } = putUp
  return (
    <>
      <Flex gap="8px" align="center" wrap="wrap" role="status" aria-label="On the projector">
        <Presentation size={16} aria-hidden="true" />
        <span>
          {onPages ? 'On the projector and every page' : 'On the projector'}: <b>{what}</b>
          {whose && `, ${whose === 'All rooms' ? 'all rooms' : whose}`}
        </span>
        <Button size="small" onClick={() => send({ type: 'put-on-pages', onPages: !onPages, upSince })}>
          {onPages ? 'Only on the projector' : 'On every page too'}
        </Button>
        <Button size="small" onClick={() => send({ type: 'take-down', upSince })}>
          Take down
        </Button>
      </Flex>
      {putUp.is === 'material' && (
        <Suspense fallback={null}>
          <LeadMaterial key={upSince} {...putUp} send={send} />
        </Suspense>
      )}
    </>
  )
}

type Prompts = readonly { id: string; text: string }[]

export const Options = ({ first, prompts }: { first: string; prompts: Prompts }) => (
  <>
    <option value="" disabled>
      {first}
    </option>
    {prompts.map(({ id, text }) => (
      <option key={id} value={id}>
        {text}
      </option>
    ))}
  </>
)

interface PutUpOfRoomProps {
  roomId: string
  prompts: Prompts
  view: LiveView
  send: Send
}

/** Puts up a room's board, or one prompt of it. */
export function PutUpOfRoom({ roomId, prompts, view: { putUp }, send }: PutUpOfRoomProps) {
  const [onPages, setOnPages] = useOnPages()
  if (prompts.length === 0) return null
  const isUp = putUp?.is === 'work' && putUp.roomId === roomId
  return (
    <Flex gap="8px" align="center" wrap="wrap">
      <Button size="small" onClick={() => send({ type: 'put-up', roomId, promptId: null, onPages })}>
        <Presentation size={16} aria-hidden="true" /> Put up this board
      </Button>
      {prompts.length > 1 && (
        <Select
          aria-label="Put up one prompt"
          w="auto"
          maxW="220px"
          value={(isUp && putUp.promptId) || ''}
          onChange={event => send({ type: 'put-up', roomId, promptId: event.target.value, onPages })}
        >
          <Options first="or one prompt" prompts={prompts} />
        </Select>
      )}
      <Tick checked={onPages} onChange={event => setOnPages(event.target.checked)}>
        On every page too
      </Tick>
      {isUp && (
        <chakra.span color="quiet" fontSize="s">
          It is up.
        </chakra.span>
      )}
    </Flex>
  )
}
