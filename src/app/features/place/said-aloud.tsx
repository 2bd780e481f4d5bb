import { chakra } from '@chakra-ui/react'
import { useSyncExternalStore } from 'react'
import type { ParticipantView } from '~/core/live/views'
import { YOU_DO } from '../../live/roles/role-words'
import type { BoardStatus } from '../../live-client/board-connection'
import type { LastTold } from '../../live-client/last-told'
import { lost, SAVED_WORDS } from './saved-words'

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
      <Said>
        {view.question ? `A question${view.question.text === '' ? '.' : `: ${view.question.text}`}` : ''}
      </Said>
      <Said>{view.putUp ? 'Something is put up for all to see.' : ''}</Said>
      <Said>{lost(now) ? SAVED_WORDS[now] : ''}</Said>
    </>
  )
}

const Said = ({ children }: { children: string }) => (
  <chakra.p role="status" srOnly>
    {children}
  </chakra.p>
)

function whereOf({ whereabouts, roles, me, session }: ParticipantView): string {
  if (session.phase === 'ended') return ''
  if (whereabouts.where === 'waiting') return 'You are on the waiting list.'
  if (whereabouts.where === 'whole') return 'You are with the whole group.'
  const mine = roles?.roles.find(({ id }) => id === me.id)
  return `You are in ${whereabouts.name}.${mine ? ` ${YOU_DO[mine.role]}` : ''}`
}
