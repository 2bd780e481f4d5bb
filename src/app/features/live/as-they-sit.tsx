import { chakra, Stack } from '@chakra-ui/react'
import { Users } from 'lucide-react'
import type { LanePerson } from '~/core/live/door/shown'
import type { LiveView, Send } from '../../live/live-view'
import { Button } from '../../ui/button'

/** People name who sits beside them; the groups grow here, and are made when they are as they should be. */
export function AsTheySit({ view, here, send }: { view: LiveView; here: readonly LanePerson[]; send: Send }) {
  const { sitting } = view
  if (!sitting)
    return (
      <Stack gap="10px">
        <p>
          Everybody is asked on their page who sits beside them. Two who name each other are in one group.
        </p>
        <Button
          kind="main"
          alignSelf="flex-start"
          disabled={here.length < 2}
          onClick={() => send({ type: 'ask-sitting' })}
        >
          Ask who sits where
        </Button>
      </Stack>
    )
  const nameOf = (id: string) => here.find(person => person.id === id)?.shownName ?? ''
  const grouped = new Set(sitting.groups.flat())
  const alone = here.filter(({ id }) => !grouped.has(id))
  const make = async () => {
    const groups = sitting.groups.map((participantIds, index) => ({
      name: `Group ${index + 1}`,
      participantIds,
    }))
    if (await send({ type: 'make-rooms', groups })) send({ type: 'end-sitting' })
  }
  return (
    <Stack gap="10px">
      <chakra.p role="status">
        {sitting.answered} of {here.length} have named somebody. {sitting.groups.length}{' '}
        {sitting.groups.length === 1 ? 'group' : 'groups'} so far.
      </chakra.p>
      <chakra.ol listStyleType="none" aria-label="Groups so far">
        {sitting.groups.map((ids, index) => (
          <chakra.li key={ids[0]} py="4px" borderTopWidth="1px">
            <b>Group {index + 1}</b> {ids.map(nameOf).join(', ')}
          </chakra.li>
        ))}
      </chakra.ol>
      {alone.length > 0 && (
        <chakra.p color="quiet">In no group yet: {alone.map(person => person.shownName).join(', ')}</chakra.p>
      )}
      <Stack direction="row" gap="8px">
        <Button kind="main" disabled={sitting.groups.length === 0} onClick={make}>
          <Users size={18} aria-hidden="true" /> Make these groups
        </Button>
        <Button onClick={() => send({ type: 'end-sitting' })}>Stop asking</Button>
      </Stack>
    </Stack>
  )
}
