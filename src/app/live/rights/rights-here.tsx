import { chakra, Flex } from '@chakra-ui/react'
import { mayInAll, ROOM_RIGHTS } from '~/core/live/rights/may-in'
import { RIGHT_WORDS } from '~/core/live/rights/right-words'
import { boardOf } from '~/core/live/rooms/room'
import { SmallSelect } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'

interface RightsHereProps {
  room: LiveView['rooms'][number]
  view: LiveView
  send: Send
}

/** What people of one room may do by themselves, where that is otherwise than in all rooms. */
export function RightsHere({ room, view, send }: RightsHereProps) {
  const own = view.rightsIn[room.id] ?? {}
  const adds = addsPictures(boardOf(view, room))
  const shown = ROOM_RIGHTS.filter(
    right =>
      (right !== 'pass-roles' || view.rolesRule !== null || right in own) &&
      (right !== 'pictures' || adds || right in own),
  )
  const others = Object.keys(own).length
  return (
    <chakra.details fontSize="s">
      <chakra.summary cursor="pointer" fontWeight="600">
        What people may do here{others > 0 && ` (${others} otherwise)`}
      </chakra.summary>
      <Flex direction="column" gap="6px" pt="8px" color="quiet">
        {shown.map(right => {
          const { of, may, mayNot } = RIGHT_WORDS[right]
          const said = own[right]
          return (
            <Flex as="label" key={right} gap="8px" align="center" justify="space-between">
              {of}
              <SmallSelect
                maxW="230px"
                value={said === undefined ? '' : String(said)}
                onChange={event => {
                  const { value } = event.target
                  const now = value === '' ? null : value === 'true'
                  send({ type: 'set-room-right', roomId: room.id, right, may: now })
                }}
              >
                <option value="">as in all rooms: {mayInAll(view, right) ? may : mayNot}</option>
                <option value="true">{may}</option>
                <option value="false">{mayNot}</option>
              </SmallSelect>
            </Flex>
          )
        })}
      </Flex>
    </chakra.details>
  )
}

/** Whether people add pictures of their own, where a board asks for any. */
export function PicturesRule({ view, send }: Pick<RightsHereProps, 'view' | 'send'>) {
  if (!view.boards.some(addsPictures)) return null
  return (
    <>
      ,{' '}
      <SmallSelect
        maxW="150px"
        aria-label="Whether people add pictures of their own"
        value={String(view.mayAddPictures)}
        onChange={event => send({ type: 'allow-pictures', may: event.target.value === 'true' })}
      >
        <option value="true">add pictures</option>
        <option value="false">add no pictures</option>
      </SmallSelect>
    </>
  )
}

const addsPictures = ({ prompts }: LiveView['boards'][number]): boolean =>
  prompts.some(prompt => prompt.kind === 'pictures' && prompt.settings.add === true)
