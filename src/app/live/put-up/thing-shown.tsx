import { chakra, Flex, Grid, Stack } from '@chakra-ui/react'
import { lazy, type ReactNode, Suspense } from 'react'
import type { PutUpShown } from '~/core/live/put-up/shown'
import { clockText } from '~/core/schedule/lengths'
import { Instructions } from '../../board-view/instructions'
import { useServerNow } from '../../live-client/server-clock'
import { loadAgain } from '../../ui/load-again'
import { RoomMark } from '../../ui/room-mark'
import { ResultsShown } from '../questions/results-shown'

/** What shows files is fetched when one is up. */
const MaterialUp = lazy(() => loadAgain(() => import('./material-up')))

interface ThingShownProps {
  up: Exclude<PutUpShown, { is: 'work' }>
  /** On the projector, to be read from the last row, and with nothing to press. */
  isWall: boolean
  pageMadeAt: number
  /** The way into the session. */
  joinCode: ReactNode
}

/** What is up, when it is not the work of rooms. */
export function ThingShown({ up, isWall, pageMadeAt, joinCode }: ThingShownProps) {
  switch (up.is) {
    case 'groups':
      return <Groups rooms={up.rooms} isWall={isWall} />
    case 'clock':
      return <Clock {...up} isWall={isWall} pageMadeAt={pageMadeAt} />
    case 'instructions':
      return <Tasks {...up} isWall={isWall} />
    case 'join-code':
      return joinCode
    case 'question':
      return <ResultsShown results={up.results} before={up.before} large={isWall} drawn={isWall} />
    case 'material':
      return (
        <Suspense fallback={<p>Opening {up.thing.title}…</p>}>
          <MaterialUp {...up} isWall={isWall} />
        </Suspense>
      )
  }
}

interface GroupsProps {
  rooms: Extract<PutUpShown, { is: 'groups' }>['rooms']
  isWall: boolean
}

function Groups({ rooms, isWall }: GroupsProps) {
  if (rooms.length === 0) return <p>There are no rooms yet.</p>
  return (
    <Grid
      as="ul"
      listStyleType="none"
      templateColumns={`repeat(auto-fill, minmax(${isWall ? 270 : 150}px, 1fr))`}
      gap={isWall ? '14px' : '8px'}
      aria-label="Who is in which room"
    >
      {rooms.map(({ name, members }, index) => (
        <chakra.li key={name} borderWidth="1px" borderRadius="8px" p={isWall ? '14px' : '8px'}>
          <Flex gap="8px" align="center" mb="4px">
            <RoomMark index={index} size={isWall ? 28 : 20} />
            <chakra.h3 fontSize={isWall ? 'xl' : 'm'} overflowWrap="anywhere" minW="0">
              {name}
            </chakra.h3>
          </Flex>
          <chakra.p fontSize={isWall ? 'l' : 's'} overflowWrap="anywhere">
            {members.length === 0 ? 'Nobody yet' : members.join(', ')}
          </chakra.p>
        </chakra.li>
      ))}
    </Grid>
  )
}

type ClockProps = Extract<PutUpShown, { is: 'clock' }> & Pick<ThingShownProps, 'isWall' | 'pageMadeAt'>

function Clock({ what, endsAt, isWall, pageMadeAt }: ClockProps) {
  const now = useServerNow(pageMadeAt)
  if (endsAt === null) return <p>No time is running.</p>
  const left = endsAt - now
  return (
    <chakra.div textAlign="center">
      <chakra.div
        role="timer"
        fontSize={isWall ? 'min(24vw, 320px)' : '64px'}
        lineHeight="1.1"
        fontWeight="650"
        fontVariantNumeric="tabular-nums"
        color={left < 60_000 ? 'ask' : 'ink'}
      >
        {clockText(left)}
      </chakra.div>
      <chakra.p fontSize={isWall ? 'xl' : 'm'}>{left < 0 ? `${what}: the time is over` : what}</chakra.p>
    </chakra.div>
  )
}

type TasksProps = Extract<PutUpShown, { is: 'instructions' }> & Pick<ThingShownProps, 'isWall'>

function Tasks({ said, tasks, isWall }: TasksProps) {
  if (said === '' && tasks.length === 0) return <p>Nothing is written down for the rooms yet.</p>
  return (
    <Stack gap="16px">
      {said !== '' && (
        <chakra.p fontSize={isWall ? 'xl' : 'm'} whiteSpace="pre-wrap" overflowWrap="anywhere">
          {said}
        </chakra.p>
      )}
      {tasks.map(({ title, steps }) => (
        <chakra.div key={title}>
          <chakra.h3 fontSize={isWall ? 'xl' : 'l'} overflowWrap="anywhere">
            {title}
          </chakra.h3>
          <Instructions steps={steps} large={isWall} />
        </chakra.div>
      ))}
    </Stack>
  )
}
