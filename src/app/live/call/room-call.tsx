import { Phone } from 'lucide-react'
import { Suspense, useState } from 'react'
import type { CallHere } from '~/core/live/call/ways'
import { whenMet } from '../../prompts/when-met'
import { Button } from '../../ui/button'
import { CallLink } from './call-link'

const CallPanel = whenMet(() => import('./call-panel'))

interface RoomCallProps {
  sessionId: string
  /** The call of the room; null where only a link leads to one. */
  call: CallHere | null
  link: string
}

/** How the people of a room talk aloud: in its call here, or by a link to one elsewhere. */
export default function RoomCall({ sessionId, call, link }: RoomCallProps) {
  const [isIn, setIsIn] = useState(false)
  if (!call) return <CallLink link={link}>Join the call of your room</CallLink>
  if (!isIn)
    return (
      <Button alignSelf="flex-start" onClick={() => setIsIn(true)}>
        <Phone size={16} aria-hidden="true" /> Join the call of your room
      </Button>
    )
  return (
    <Suspense fallback={null}>
      <CallPanel sessionId={sessionId} call={call} onLeave={() => setIsIn(false)} />
    </Suspense>
  )
}
