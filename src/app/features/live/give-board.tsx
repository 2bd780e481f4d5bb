import { Flex } from '@chakra-ui/react'
import { ClipboardPenLine } from 'lucide-react'
import { useState } from 'react'
import type { BoardToGive } from '~/contracts/corrections'
import { Button } from '../../ui/button'
import { Field, Select } from '../../ui/fields'
import { useOffered } from './use-offered'

interface GiveBoardProps {
  sessionId: string
  /** Null for all rooms there are and will be, or with `toCome` for those that will be. */
  roomId: string | null
  toCome?: true
  label: string
}

/** Another board of the library for rooms in which nobody has been yet: looked up once somebody wants to. */
export function GiveBoard(props: GiveBoardProps) {
  const [open, setOpen] = useState(false)
  if (open) return <ChooseBoard {...props} onDone={() => setOpen(false)} />
  return (
    <Button size="small" kind="bare" alignSelf="flex-start" onClick={() => setOpen(true)}>
      <ClipboardPenLine size={16} aria-hidden="true" /> {props.label}
    </Button>
  )
}

function ChooseBoard({ sessionId, roomId, toCome, label, onDone }: GiveBoardProps & { onDone: () => void }) {
  const address = `/sessions/${sessionId}/boards`
  const { offered: boards, problem, choose } = useOffered<BoardToGive>(address, 'boards', onDone)
  const [boardId, setBoardId] = useState('')
  return (
    <Flex
      as="form"
      gap="8px"
      align="flex-end"
      wrap="wrap"
      onSubmit={event => {
        event.preventDefault()
        choose({ boardId, roomId, toCome })
      }}
    >
      <Field label={label} errors={problem === null ? undefined : [problem]}>
        {parts => (
          <Select {...parts} autoFocus value={boardId} onChange={event => setBoardId(event.target.value)}>
            <option value="">
              {!boards ? 'Fetching…' : boards.length > 0 ? 'Choose one' : 'There is no finished board'}
            </option>
            {boards?.map(({ id, title }) => (
              <option key={id} value={id}>
                {title}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Button type="submit" disabled={boardId === ''}>
        Give it
      </Button>
      <Button kind="bare" onClick={onDone}>
        Cancel
      </Button>
    </Flex>
  )
}
