import { chakra } from '@chakra-ui/react'
import { useSyncExternalStore } from 'react'
import type { Role } from '~/core/grouping/roles'
import type { ParticipantView } from '~/core/live/views'
import type { BoardStatus } from '../../live-client/board-connection'
import type { LastTold } from '../../live-client/last-told'

interface SaidAloudProps {
  view: ParticipantView
  saved: LastTold<BoardStatus['saved']>
}

/**
 * What a screen reader says by itself, wherever one is on the page: that one is somewhere else now, that something is asked or shown, and that what is
 * written is not saved. What others write and how the time goes on is read where it stands.
 */
export default function SaidAloud({ view, saved }: SaidAloudProps) {
  const now = useSyncExternalStore(saved.subscribe, saved.get, saved.get)
  return (
    <>
      <Said>{whereOf(view)}</Said>
      <Said>{view.question ? 'A question is asked.' : ''}</Said>
      <Said>{view.putUp ? 'Something is put up for all to see.' : ''}</Said>
      <Said>{NOT_SAVED[now] ?? ''}</Said>
    </>
  )
}

const NOT_SAVED: Partial<Record<BoardStatus['saved'], string>> = {
  away: 'There is no line now. What you write is kept here.',
  full: 'Nothing more goes onto this board.',
}
const ROLES: Record<Role, string> = {
  lead: 'leading',
  scribe: 'writing',
  reporter: 'reporting',
  timekeeper: 'keeping time',
}

const Said = ({ children }: { children: string }) => (
  <chakra.p role="status" srOnly>
    {children}
  </chakra.p>
)

function whereOf({ whereabouts, roles, me, session }: ParticipantView): string {
  if (session.phase === 'ended') return ''
  if (whereabouts.where !== 'room')
    return whereabouts.where === 'waiting' ? '' : 'You are with the whole group.'
  const mine = roles?.roles.find(({ id }) => id === me.id)
  return `You are in ${whereabouts.name}.${mine ? ` Your role: ${ROLES[mine.role]}.` : ''}`
}
