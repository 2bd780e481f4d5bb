import { useState } from 'react'
import { Button } from './button'
import { Input } from './fields'

interface CopyLinkProps {
  /** Of this server. */
  path: string
  /** What the button and the field are called for who does not see them beside the name. */
  label: string
}

/**
 * Copies the whole address of one of our pages. A browser may refuse, and has no clipboard on pages without HTTPS: then the
 * address is there to be copied by hand.
 */
export function CopyLink({ path, label }: CopyLinkProps) {
  const [given, setGiven] = useState<'copied' | 'shown' | null>(null)
  const copy = () =>
    Promise.resolve(navigator.clipboard)
      .then(clipboard => clipboard.writeText(`${location.origin}${path}`))
      .then(() => setGiven('copied'))
      .catch(() => setGiven('shown'))
  return (
    <>
      <Button size="small" aria-label={`Copy the ${label}`} onClick={copy}>
        {given === 'copied' ? 'Copied' : 'Copy'}
      </Button>
      {given === 'shown' && (
        <Input
          readOnly
          aria-label={label.charAt(0).toUpperCase() + label.slice(1)}
          value={`${location.origin}${path}`}
          onFocus={event => event.target.select()}
        />
      )}
    </>
  )
}
