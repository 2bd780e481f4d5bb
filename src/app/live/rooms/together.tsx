import { chakra, Stack } from '@chakra-ui/react'
import type { ParticipantView } from '~/core/live/views'

/** With the whole group, or still waiting: what happens next. */
export function Together({ view, ownLink }: { view: ParticipantView; ownLink: string }) {
  const { whereabouts, me } = view
  if (whereabouts.where === 'waiting') {
    return (
      <Stack gap="8px" py="24px">
        <chakra.h2 fontSize="l">Welcome, {me.shownName}</chakra.h2>
        <p>You are on the waiting list. The facilitator lets you in; leave this page open.</p>
      </Stack>
    )
  }
  if (whereabouts.where !== 'whole') return null
  return (
    <Stack gap="12px" py="16px">
      {whereabouts.next ? (
        <>
          <p>{view.clock ? 'Your room is' : 'You will be in'}</p>
          <chakra.h2 fontSize="xl">{whereabouts.next.name}</chakra.h2>
          <p>
            with{' '}
            {whereabouts.next.members.filter(name => name !== me.shownName).join(', ') ||
              'people who have not arrived yet'}
          </p>
          <chakra.p color="quiet">
            {!view.clock
              ? 'Everyone stays here until you are sent out.'
              : view.moves?.enter
                ? 'You are asked to go there now.'
                : 'The others are in their rooms now. The facilitator sends you there; leave this page open.'}
          </chakra.p>
        </>
      ) : (
        <p>
          {view.clock ? 'The others are in their rooms now. ' : ''}You have no room yet.
          {!view.roomsToChoose && ' The facilitator will place you; leave this page open.'}
        </p>
      )}
      {view.roundsBegun > 0 && (
        <chakra.p fontSize="s">
          <a href={ownLink}>What the rooms you were in have made</a>
        </chakra.p>
      )}
    </Stack>
  )
}
