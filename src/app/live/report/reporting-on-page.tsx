import { Box, chakra } from '@chakra-ui/react'
import type { ParticipantView } from '~/core/live/views'
import { clockText } from '~/core/schedule/lengths'
import { useServerNow } from '../../live-client/server-clock'

interface ReportingOnPageProps {
  reporting: NonNullable<ParticipantView['reporting']>
  pageMadeAt: number
}

/** Which room reports, and when it is one's own turn. */
export default function ReportingOnPage({
  reporting: { now, turn, iReport },
  pageMadeAt,
}: ReportingOnPageProps) {
  const said = whenSaid(turn, iReport)
  return (
    <Box
      as="section"
      aria-label="Report back"
      borderWidth="2px"
      borderColor={turn === 'now' ? 'live' : 'line'}
      borderRadius="8px"
      p="12px"
    >
      {now ? (
        <p>
          Reporting now: <b>{now.room}</b>
          {now.reporter !== '' && `, ${now.reporter}`} ·{' '}
          <TimeLeft endsAt={now.endsAt} pageMadeAt={pageMadeAt} />
        </p>
      ) : (
        <p>The rooms report to everybody.</p>
      )}
      {said !== '' && (
        <chakra.p fontWeight="600" role="status">
          {said}
        </chakra.p>
      )}
    </Box>
  )
}

function TimeLeft({ endsAt, pageMadeAt }: { endsAt: number; pageMadeAt: number }) {
  const left = endsAt - useServerNow(pageMadeAt)
  return (
    <chakra.span role="timer" fontVariantNumeric="tabular-nums">
      {clockText(left)}
    </chakra.span>
  )
}

/** When it is one's turn, in words. */
function whenSaid(turn: ReportingOnPageProps['reporting']['turn'], iReport: boolean): string {
  const who = iReport ? 'you report for it' : 'somebody else of it reports'
  switch (turn) {
    case 'now':
      return iReport ? 'You report for your room now.' : 'It is your room’s turn.'
    case 'next':
      return `Your room is next: ${who}.`
    case 'later':
      return iReport ? 'Your room’s turn comes: you report for it.' : ''
    case 'heard':
    case null:
      return ''
  }
}
