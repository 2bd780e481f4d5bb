import { Box, chakra, Flex } from '@chakra-ui/react'
import { EyeOff } from 'lucide-react'
import { useEffect, useState, useSyncExternalStore } from 'react'
import type { PromptSpaceProps } from '../prompt-space'
import { CardsSpace } from './cards-space'

type Props = PromptSpaceProps<'cards'>

/** Cards that each writes alone at first: one's own, and once they are opened everybody's. */
export default function HiddenCards(props: Props) {
  const { prompt, hidden, connection, myId } = props
  const isShut = prompt.settings.seen === 'when-opened' && hidden && !(prompt.id in hidden.openedBy)
  const { bringIn } = connection
  useEffect(() => {
    if (!isShut) bringIn?.(prompt.id)
  }, [isShut, bringIn, prompt.id])
  if (!isShut) return <CardsSpace {...props} />
  if (myId === null)
    return <Note>Everybody writes alone here: what they write is seen when you open it.</Note>
  return <OwnCards {...props} />
}

/** A document of one's own, as long as this is shown. */
function OwnCards(props: Props) {
  const { prompt, connection } = props
  const [own] = useState(() => connection.own?.(prompt.id))
  return (
    <Box>
      <Note>Only you see your cards now. The facilitator shows everybody’s to the room later.</Note>
      {own ? <OpenCards {...props} own={own} /> : <CardsSpace {...props} />}
    </Box>
  )
}

type Own = ReturnType<NonNullable<Props['connection']['own']>>

function OpenCards({ own, ...props }: Props & { own: Own }) {
  const { ready, full, closed, authors } = useSyncExternalStore(own.subscribe, own.getStatus, own.getStatus)
  if (closed) return <chakra.p color="quiet">This is closed now. What you wrote is kept.</chakra.p>
  if (!ready) return <chakra.p color="quiet">Opening…</chakra.p>
  return <CardsSpace {...props} connection={own} full={full} authors={authors} />
}

const Note = ({ children }: { children: string }) => (
  <Flex color="quiet" fontSize="s" gap="6px" align="center" mb="8px">
    <EyeOff size={16} aria-hidden="true" style={{ flexShrink: 0 }} />
    <p>{children}</p>
  </Flex>
)
