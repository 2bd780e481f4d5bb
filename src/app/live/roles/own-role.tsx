import { chakra, Flex } from '@chakra-ui/react'
import type { ParticipantView } from '~/core/live/views'
import { Button } from '../../ui/button'
import type { SendFromPlace } from '../live-view'
import { ROLE_DOES, YOU_DO } from './role-words'

/** Who does what in this room; one's own role can be passed on where that is allowed. */
export function OwnRole({ view, send }: { view: ParticipantView; send: SendFromPlace }) {
  const { roles, whereabouts, me } = view
  if (!roles || whereabouts.where !== 'room') return null
  const mine = roles.roles.find(({ id }) => id === me.id)
  const others = whereabouts.members.filter(({ id }) => id !== me.id)
  const nameOf = (id: string) => whereabouts.members.find(member => member.id === id)?.shownName
  return (
    <Flex as="section" aria-label="Roles" gap="4px 12px" align="center" wrap="wrap">
      {mine && <b>{YOU_DO[mine.role]}</b>}
      <chakra.span color="quiet">
        {roles.roles
          .filter(({ id }) => id !== me.id && nameOf(id))
          .map(({ id, role }) => `${nameOf(id)} ${ROLE_DOES[role]}`)
          .join(', ')}
      </chakra.span>
      {mine && roles.mayPass && others.length > 0 && (
        <chakra.details>
          <chakra.summary cursor="pointer" color="live" minH="32px" display="list-item">
            Pass it on
          </chakra.summary>
          <Flex gap="6px" wrap="wrap" pt="4px">
            {others.map(({ id, shownName }) => (
              <Button key={id} size="small" onClick={() => send({ type: 'pass-role', toId: id })}>
                {shownName}
              </Button>
            ))}
          </Flex>
        </chakra.details>
      )}
    </Flex>
  )
}
