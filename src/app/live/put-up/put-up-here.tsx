import { Presentation } from 'lucide-react'
import { Button } from '../../ui/button'
import type { LiveView, Send } from '../live-view'
import { useOnPages } from './use-on-pages'

interface PutUpHereProps {
  is: 'groups' | 'clock' | 'instructions' | 'join-code'
  /** As in `Put up the clock`. */
  name: string
  /** Said beside the icon, where what is put up does not stand beside it. */
  word?: string
  view: Pick<LiveView, 'putUp'>
  send: Send
}

/** Puts up what stands beside it in one press; pressed once more it is taken down. */
export function PutUpHere({ is, name, word, view: { putUp }, send }: PutUpHereProps) {
  const [onPages] = useOnPages()
  const isUp = putUp?.is === is
  const label = isUp ? `Take down ${name}` : `Put up ${name}`
  return (
    <Button
      size="small"
      // On a phone there is no room for it, with its word on a tablet neither; the panel has it all.
      display={{ base: 'none', md: word ? 'none' : 'inline-flex', xl: 'inline-flex' }}
      px={word ? undefined : '5px'}
      kind={isUp ? 'main' : 'plain'}
      aria-label={label}
      title={label}
      onClick={() =>
        send(
          isUp
            ? { type: 'take-down', upSince: putUp.upSince }
            : { type: 'put-up-thing', thing: { is }, onPages },
        )
      }
    >
      <Presentation size={16} aria-hidden="true" />
      {word}
    </Button>
  )
}
