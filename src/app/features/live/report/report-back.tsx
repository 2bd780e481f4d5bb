import { Stack } from '@chakra-ui/react'
import { Speech } from 'lucide-react'
import { useRef, useState } from 'react'
import { flushSync } from 'react-dom'
import type { RoomWorkNow } from '~/contracts/live'
import type { LiveView, Send } from '../../../live/live-view'
import { Button } from '../../../ui/button'
import { BeginReport } from './begin-report'
import { ReportNow } from './report-now'

interface ReportBackProps {
  sessionId: string
  view: LiveView
  work: Readonly<Record<string, RoomWorkNow>>
  pageMadeAt: number
  send: Send
}

/** The rooms report to everybody: set up, then called one after the other. */
export function ReportBack({ sessionId, view, work, pageMadeAt, send }: ReportBackProps) {
  const [open, setOpen] = useState(false)
  const opener = useRef<HTMLButtonElement>(null)
  const { now: report } = view.report
  const close = () => {
    flushSync(() => setOpen(false))
    opener.current?.focus()
  }
  if (report) return <ReportNow key="now" report={report} view={view} pageMadeAt={pageMadeAt} send={send} />
  if (view.report.rooms.length === 0) return null
  if (!open)
    return (
      <Button ref={opener} size="small" onClick={() => setOpen(true)}>
        <Speech size={16} aria-hidden="true" /> Report back
      </Button>
    )
  return (
    <Stack
      as="section"
      aria-label="Report back"
      gap="10px"
      w="full"
      bg="panel"
      borderWidth="1px"
      borderRadius="8px"
      p="12px"
      onKeyDown={event => event.key === 'Escape' && close()}
    >
      <BeginReport sessionId={sessionId} view={view} work={work} onClose={close} send={send} />
    </Stack>
  )
}
