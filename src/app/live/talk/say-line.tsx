import { Flex } from '@chakra-ui/react'
import { LONGEST_LINE } from '~/core/live/talk/line'
import { Button } from '../../ui/button'
import { Input } from '../../ui/fields'
import { useKeptText } from '../../ui/use-kept'

interface SayLineProps {
  /** Under which what is half typed survives a reload. */
  keptAs: string
  onSay: (text: string) => Promise<boolean>
}

/** Where a line of the talk is typed. */
export function SayLine({ keptAs, onSay }: SayLineProps) {
  const [text, setText] = useKeptText(keptAs)
  return (
    <Flex
      as="form"
      gap="8px"
      onSubmit={async event => {
        event.preventDefault()
        if (text.trim() !== '' && (await onSay(text))) setText('')
      }}
    >
      <Input
        aria-label="Say something to this room"
        placeholder="To this room"
        autoComplete="off"
        flex="1"
        minW="0"
        maxLength={LONGEST_LINE}
        value={text}
        onChange={event => setText(event.target.value)}
      />
      <Button type="submit" disabled={text.trim() === ''}>
        Say
      </Button>
    </Flex>
  )
}
