import { Box, chakra, Flex, Grid } from '@chakra-ui/react'
import type { ProjectorView } from '~/core/live/views'
import { Instructions } from '../../board-view/instructions'
import { BroadcastOnWall } from '../../live/messages/broadcast-on-wall'
import { PutUpOnWall } from '../../live/put-up/put-up-on-wall'
import { QuestionOnWall } from '../../live/questions/question-on-wall'
import { ReportingOnWall } from '../../live/report/reporting-on-wall'
import { RoomsOnWall } from '../../live/rooms/rooms-on-wall'
import { WallClock } from '../../live/rounds/wall-clock'
import { ProgramLine } from '../../live/segments/program-line'
import RehearsalMark from '../../live/session/rehearsal-mark'
import { useLive } from '../../live-client/use-live'

interface ProjectorPageProps {
  sessionId: string
  view: ProjectorView
  join: { code: string; address: string; image: string }
  now: number
}

const CodeToScan = ({ image, size }: { image: string; size: string }) => (
  <chakra.img
    src={image}
    alt="Code to scan for joining"
    w={size}
    h={size}
    flexShrink="0"
    borderRadius="4px"
  />
)

/** Before there are rooms the way in is all there is to see. */
function LargeCode({ join }: Pick<ProjectorPageProps, 'join'>) {
  return (
    <Flex h="full" align="center" justify="center" gap="48px" wrap="wrap">
      <CodeToScan image={join.image} size="min(50vh, 480px)" />
      <Box textAlign="center" minW="0">
        <chakra.p fontSize="xl" overflowWrap="anywhere">
          Join at <b>{join.address}</b>
        </chakra.p>
        <chakra.p fontSize="64px" fontWeight="700" letterSpacing="0.05em" lineHeight="1.3">
          {join.code}
        </chakra.p>
      </Box>
    </Flex>
  )
}

/** What the class sees, to be read from the last row: who goes where, the clock, the task, the join code. */
export function ProjectorPage({ sessionId, view: first, join, now }: ProjectorPageProps) {
  const { view } = useLive<ProjectorView>(`/events/${sessionId}/projector`, first)
  const { session, clock, rooms, task, broadcast, program, shown } = view
  // Its text stands over its results.
  const resultsAreUp = view.putUp?.is === 'question' && view.putUp.results.id === view.question?.id
  return (
    <Grid as="main" minH="100vh" templateRows="auto 1fr auto" p="28px" gap="20px">
      <Flex justify="space-between" align="center" gap="28px">
        <Box minW="0">
          {session.isRehearsal && <RehearsalMark />}
          <chakra.h1 fontSize="xl">{session.title}</chakra.h1>
          <chakra.div fontSize="l" mt="6px">
            {session.phase === 'open' && <ProgramLine program={program} />}
          </chakra.div>
          {shown && (
            <chakra.p fontSize="xl" mt="8px" whiteSpace="pre-wrap" overflowWrap="anywhere">
              {shown}
            </chakra.p>
          )}
          <chakra.div fontSize="l" color="quiet" mt="6px">
            {task.title}
          </chakra.div>
          <Box mt="8px">
            <Instructions steps={task.steps} large />
          </Box>
        </Box>
        {clock ? <WallClock clock={clock} pageMadeAt={now} /> : null}
      </Flex>
      <Box>
        <BroadcastOnWall broadcast={broadcast} />
        {view.reporting && <ReportingOnWall reporting={view.reporting} pageMadeAt={now} />}
        {!resultsAreUp && <QuestionOnWall question={view.question} pageMadeAt={now} />}
        {view.putUp ? (
          <PutUpOnWall
            sessionId={sessionId}
            putUp={view.putUp}
            pageMadeAt={now}
            joinCode={<LargeCode join={join} />}
          />
        ) : (
          <RoomsOnWall rooms={rooms} />
        )}
        {session.phase === 'open' && rooms.length === 0 && !view.putUp && <LargeCode join={join} />}
      </Box>
      {session.phase === 'open' ? (
        rooms.length > 0 && (
          <Flex justify="space-between" align="center" gap="24px" borderTopWidth="2px" pt="14px">
            <chakra.p fontSize="xl">
              Join at <b>{join.address}</b> with the code{' '}
              <chakra.b letterSpacing="0.05em">{join.code}</chakra.b>
            </chakra.p>
            <CodeToScan image={join.image} size="120px" />
          </Flex>
        )
      ) : (
        <chakra.p fontSize="xl">The session has ended. Thank you.</chakra.p>
      )}
    </Grid>
  )
}
