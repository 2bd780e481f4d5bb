import { Menu, Portal } from '@chakra-ui/react'
import { memo, useEffect, useRef, useState } from 'react'
import { flushSync } from 'react-dom'
import { ROLES, type Role } from '~/core/grouping/roles'
import type { LanePerson } from '~/core/live/door/shown'
import { roughLength } from '~/core/schedule/lengths'
import { useServerNow } from '../../live-client/server-clock'
import type { LiveView, Send } from '../live-view'
import { ROLE_DOES } from '../roles/role-words'
import { useChoosing, useChosen, useIsChosen } from './chosen-people'
import { type DragListeners, DragSource } from './drag-people'
import { useWriteTo } from './write-to'

interface PersonMenuProps {
  person: LanePerson
  rooms: LiveView['rooms']
  /** The session has a list, and they are not on it. */
  isGuest: boolean
  inRound: boolean
  /** What they do in their room in this round. */
  role?: Role | undefined
  send: Send
}

/**
 * Somebody's name with what can be done: let in, move, take to the whole group, free the name, remove. The menu is made when it
 * is first opened: with hundreds of people their menus would be most of the page.
 */
export const PersonMenu = memo(function PersonMenu(props: PersonMenuProps) {
  const { person, isGuest, role } = props
  // By person: a name stands in for another when rooms are made again.
  const [madeFor, setMadeFor] = useState<string | null>(null)
  // Once somebody else stands here, a menu that was open is gone: it must not open by itself when they come back.
  useEffect(() => setMadeFor(made => (made === person.id ? made : null)), [person.id])
  const [near, setNear] = useState(false)
  const row = useRef<HTMLSpanElement>(null)
  const drag = useRef<DragListeners>(undefined)
  const choosing = useChoosing()
  const { toggle } = useChosen()
  return (
    <span
      ref={row}
      className="lane-person"
      // The press that may begin a drag follows at once: by then the name must be listening.
      onPointerEnter={near ? undefined : () => flushSync(() => setNear(true))}
      onMouseDownCapture={event => drag.current?.onMouseDown?.(event)}
      onTouchStartCapture={event => drag.current?.onTouchStart?.(event)}
      onClickCapture={event => {
        const wantsMany = choosing || event.ctrlKey || event.metaKey || event.shiftKey
        // What a menu over it was pressed for is not meant for the name.
        if (!wantsMany || !row.current?.contains(event.target as Node)) return
        event.preventDefault()
        event.stopPropagation()
        toggle(person.id)
      }}
    >
      {near && <DragSource key={person.id} personId={person.id} row={row} drag={drag} />}
      {madeFor === person.id ? (
        <MadeMenu key={person.id} {...props} />
      ) : (
        <NameButton
          person={person}
          isGuest={isGuest}
          does={role}
          aria-haspopup="menu"
          onClick={() => setMadeFor(person.id)}
        />
      )}
    </span>
  )
}, samePerson)

const isRole = (value: string): value is Role => ROLES.some(role => role === value)

/** Views come with new objects for the same people; what is shown of them decides. */
function samePerson(before: PersonMenuProps, after: PersonMenuProps): boolean {
  const { person } = before
  return (
    before.inRound === after.inRound &&
    before.isGuest === after.isGuest &&
    before.role === after.role &&
    before.send === after.send &&
    before.rooms === after.rooms &&
    (Object.keys(person) as (keyof LanePerson)[]).every(key => person[key] === after.person[key])
  )
}

function MadeMenu({ person, rooms, isGuest, inRound, role, send }: PersonMenuProps) {
  const writeTo = useWriteTo()
  const act = (value: string) => {
    if (value === 'write') writeTo?.(person.id)
    else if (value === 'let-in') send({ type: 'let-in', participantIds: [person.id] })
    else if (value === 'remove') send({ type: 'remove', participantIds: [person.id] })
    else if (value === 'unmatch') send({ type: 'unmatch-people', participantIds: [person.id] })
    else if (value === 'hide-name' || value === 'show-name') send({ type: value, participantId: person.id })
    else if (value === 'free') send({ type: 'release', participantId: person.id })
    else if (isRole(value)) send({ type: 'give-role', participantId: person.id, role: value })
    else if (value === 'whole') send({ type: 'place', participantId: person.id, roomId: null })
    else send({ type: 'place', participantId: person.id, roomId: value })
  }
  const isHidden = !person.onList && person.typedName !== person.shownName
  const elsewhere = rooms.filter(room => room.id !== person.roomId || (inRound && !person.inRoom))
  return (
    <Menu.Root
      id={`lane-person-${person.id}`}
      defaultOpen
      lazyMount
      unmountOnExit
      onSelect={({ value }) => act(value)}
    >
      <Menu.Trigger asChild>
        <NameButton person={person} isGuest={isGuest} does={role} />
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content>
            {!person.admitted && <Menu.Item value="let-in">Let in</Menu.Item>}
            {person.admitted && (
              <Menu.ItemGroup>
                <Menu.ItemGroupLabel>{inRound ? 'Send to' : 'Give the room'}</Menu.ItemGroupLabel>
                {elsewhere.map(room => (
                  <Menu.Item key={room.id} value={room.id}>
                    {room.name}
                  </Menu.Item>
                ))}
                {person.inRoom && <Menu.Item value="whole">Whole group</Menu.Item>}
              </Menu.ItemGroup>
            )}
            {inRound && person.inRoom && (
              <Menu.ItemGroup>
                <Menu.ItemGroupLabel>In their room</Menu.ItemGroupLabel>
                {ROLES.filter(each => each !== role).map(each => (
                  <Menu.Item key={each} value={each}>
                    {person.shownName} {ROLE_DOES[each]}
                  </Menu.Item>
                ))}
              </Menu.ItemGroup>
            )}
            <Menu.Separator />
            {writeTo && <Menu.Item value="write">Note or observation</Menu.Item>}
            {person.onList && person.typedName !== person.shownName && (
              <Menu.Item value="unmatch">
                Came in as “{person.typedName}”: not {person.shownName}
              </Menu.Item>
            )}
            {!person.onList && (
              <Menu.Item value={isHidden ? 'show-name' : 'hide-name'}>
                {isHidden ? `Give back the name “${person.typedName}”` : 'Take the name off all screens'}
              </Menu.Item>
            )}
            {person.hasDevice && <Menu.Item value="free">Free the name</Menu.Item>}
            <Menu.Item value="remove">Remove from the session</Menu.Item>
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  )
}

/** Plain elements with classes of the theme: there are hundreds, and rooms made again change all of them at once. */
function NameButton({
  person,
  isGuest,
  does,
  className = '',
  ...rest
}: { person: LanePerson; isGuest: boolean; does?: Role | undefined } & React.ComponentProps<'button'>) {
  const isChosen = useIsChosen(person.id)
  const words = [does && ROLE_DOES[does], isGuest && 'not on the list', !person.hasDevice && 'no device']
  return (
    <button
      type="button"
      // A menu's trigger brings a class of its own.
      className={`lane-name ${isChosen ? 'lane-name-chosen' : ''} ${className}`}
      data-away={person.connected ? undefined : ''}
      aria-pressed={isChosen || undefined}
      {...rest}
    >
      {/* A filled dot for somebody who is here, a ring for somebody who dropped. */}
      <span className="lane-presence" aria-hidden="true" />
      {person.shownName}
      {words.map(word => word && <small key={word}> {word}</small>)}
      {!person.connected && <Away since={person.seenAt} />}
    </button>
  )
}

function Away({ since }: { since: number }) {
  const now = useServerNow(since, 1_000)
  return <span> (away {roughLength(now - since)})</span>
}
