import { chakra, Stack } from '@chakra-ui/react'
import { MessagesSquare } from 'lucide-react'
import { type ComponentProps, Suspense, useEffect, useState } from 'react'
import { whenMet } from '../../prompts/when-met'
import type AllOfIt from './talk-panel'

const TalkPanel = whenMet(() => import('./talk-panel'))

/** The talk of one's room: one line of it, and all of it when it is opened. */
export function RoomTalk(props: ComponentProps<typeof AllOfIt>) {
  const { talk } = props
  const [open, setOpen] = useState(false)
  /** So many lines were there when they were last looked at. */
  const [seen, setSeen] = useState(talk.length)
  const last = talk.at(-1)
  useEffect(() => {
    if (open || talk.length < seen) setSeen(talk.length)
  }, [open, seen, talk.length])
  return (
    // A line of its own on a phone; elsewhere, until it is opened, beside what else stands at the bottom.
    <Stack gap="8px" minW="0" flex={open ? '1 0 100%' : { base: '1 0 100%', md: '1 1 140px' }}>
      <chakra.button
        type="button"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        display="flex"
        gap="8px"
        alignItems="center"
        minH="32px"
        fontSize="s"
        textAlign="start"
        cursor="pointer"
      >
        <MessagesSquare size={18} aria-hidden="true" />
        <b>Talk</b>
        {!open && talk.length > seen && <chakra.b color="ask">{talk.length - seen} new</chakra.b>}
        <chakra.span color="quiet" lineClamp={1} flex="1">
          {open ? 'Close' : last && !last.gone && `${last.by}: ${last.text}`}
        </chakra.span>
      </chakra.button>
      {open && (
        <Suspense fallback={null}>
          <TalkPanel {...props} />
        </Suspense>
      )}
    </Stack>
  )
}
