import { type ReactNode, useState } from 'react'
import { Button } from './button'
import { TextArea } from './fields'

interface CopyTextProps {
  text: string
  /** What the text is, for the button and for the field it stands in when it can not be copied. */
  label: string
  children: ReactNode
}

/**
 * Copies a text. A browser may refuse, and has no clipboard on pages without HTTPS: then the text is there to be copied by hand.
 */
export function CopyText({ text, label, children }: CopyTextProps) {
  const [given, setGiven] = useState<{ how: 'copied' | 'shown'; text: string } | null>(null)
  // What was copied may have changed since.
  const how = given?.text === text ? given.how : null
  const copy = () =>
    Promise.resolve(navigator.clipboard)
      .then(clipboard => clipboard.writeText(text))
      .then(() => setGiven({ how: 'copied', text }))
      .catch(() => setGiven({ how: 'shown', text }))
  return (
    <>
      <Button size="small" kind="bare" alignSelf="flex-start" aria-label={`Copy ${label}`} onClick={copy}>
        {how === 'copied' ? 'Copied' : children}
      </Button>
      {how === 'shown' && (
        <TextArea
          readOnly
          aria-label={label.charAt(0).toUpperCase() + label.slice(1)}
          rows={Math.min(8, text.split('\n').length)}
          value={text}
          onFocus={event => event.target.select()}
        />
      )}
    </>
  )
}
