import { chakra, Flex } from '@chakra-ui/react'
import { Pin } from 'lucide-react'
import { memo, useDeferredValue } from 'react'
import type { LanePerson } from '~/core/live/door/shown'
import { Button } from '../../ui/button'

interface GroupsToHoldProps {
  groups: readonly { id: string; name: string; people: readonly LanePerson[] }[]
  held: ReadonlySet<string>
  onHold: (ids: string[], on: boolean) => void
}

/** Who is in which group, to be kept there while the others are made again: a whole group, or single people. */
export function GroupsToHold({ groups, held, onHold }: GroupsToHoldProps) {
  const shown = useDeferredValue(groups)
  return (
    <chakra.ul listStyleType="none" aria-label="Who is in which group">
      {shown.map((group, place) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: groups that are made again change what stands there.
        <HeldGroup key={place} group={group} held={held} onHold={onHold} />
      ))}
    </chakra.ul>
  )
}

const HeldGroup = memo(function HeldGroup({
  group: { name, people },
  held,
  onHold,
}: Omit<GroupsToHoldProps, 'groups'> & { group: GroupsToHoldProps['groups'][number] }) {
  const all = people.length > 0 && people.every(person => held.has(person.id))
  return (
    <chakra.li
      py="4px"
      borderTopWidth="1px"
      // Out of sight it is not laid out: forty groups made again must not hold up the page.
      css={{ contentVisibility: 'auto', containIntrinsicSize: 'auto 48px' }}
    >
      <Flex justify="space-between" gap="8px" align="flex-start">
        <span>
          <b>{name}</b>{' '}
          {people.map(({ id, shownName }) => (
            <button
              key={id}
              type="button"
              className="lane-name"
              aria-pressed={held.has(id)}
              aria-label={`Hold ${shownName}`}
              onClick={() => onHold([id], !held.has(id))}
            >
              {shownName}
              {held.has(id) && <Pin size={13} aria-hidden="true" />}
            </button>
          ))}
        </span>
        {people.length > 0 && (
          <Button
            size="small"
            aria-pressed={all}
            flexShrink="0"
            onClick={() =>
              onHold(
                people.map(person => person.id),
                !all,
              )
            }
          >
            {all && <Pin size={16} aria-hidden="true" />} Hold <chakra.span srOnly>{name}</chakra.span>
          </Button>
        )}
      </Flex>
    </chakra.li>
  )
})
