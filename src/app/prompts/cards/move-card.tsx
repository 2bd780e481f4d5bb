import { Flex } from '@chakra-ui/react'
import { Suspense, useId, useState } from 'react'
import { Button } from '../../ui/button'
import { whenMet } from '../when-met'
import { type MoveCardProps, saidOn } from './cards-here'

const MoveWays = whenMet(() => import('./move-ways'))

/** Where a card can go, for keys and thumbs: up and down, into another column, onto another card's heap. */
export function MoveCard(props: MoveCardProps) {
  const [isOpen, setOpen] = useState(false)
  const id = useId()
  return (
    <>
      <Button
        size="small"
        kind="bare"
        aria-expanded={isOpen}
        aria-controls={id}
        aria-label={`Move the ${props.here.called.one}: ${saidOn(props.card)}`}
        onClick={() => setOpen(!isOpen)}
      >
        Move
      </Button>
      {isOpen && (
        <Flex id={id} gap="6px" wrap="wrap" w="full" py="4px" order={1}>
          <Suspense fallback={null}>
            <MoveWays {...props} onDone={() => setOpen(false)} />
          </Suspense>
        </Flex>
      )}
    </>
  )
}
