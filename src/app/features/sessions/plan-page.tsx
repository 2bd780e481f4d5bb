import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import type { SubmissionResult } from '@conform-to/react'
import { useState } from 'react'
import { Form } from 'react-router'
import { WHO_WORDS } from '~/core/live/rights/right-words'
import { CALL_WAY_WORDS } from '../../live/call/call-words'
import { Button } from '../../ui/button'
import { Message, Section } from '../../ui/layout'
import { RoomMark } from '../../ui/room-mark'
import type { Plan, SavedPlan } from './plan'
import { PlanForm } from './plan-form'
import { Ribbon } from './ribbon'
import { RunningOrder, type RunningOrderProps } from './running-order/running-order'
import { PICTURE_WORDS } from './what-people-may'

interface PlanPageProps {
  phase: 'planned' | 'open' | 'ended'
  joinCode: string
  joinAddress: string
  groupings: { id: string; name: string; cohortName: string; sizes: number[]; rounds: number }[]
  boards: { id: string; title: string }[]
  plan: Plan
  base: string
  order: RunningOrderProps & { key: string }
  result?: { form?: SubmissionResult; opening?: string; saved?: SavedPlan }
}

export function PlanPage(props: PlanPageProps) {
  const { phase, joinCode, joinAddress, groupings, boards, plan, base, order, result } = props
  const { key, ...running } = order
  const saved = result?.saved ?? null
  // What others had changed comes into the fields; what was only one's own stands in them already.
  const [filled, setFilled] = useState(base)
  if (saved?.others && filled !== saved.base) setFilled(saved.base)
  return (
    <Stack gap="20px">
      {phase === 'planned' ? (
        <Opening code={joinCode} address={joinAddress} problem={result?.opening} />
      ) : null}
      {phase === 'planned' && <RunningOrder key={key} {...running} />}
      {phase === 'planned' ? (
        <PlanForm
          groupings={groupings}
          boards={boards}
          key={filled}
          plan={saved ? { ...plan, ...saved.plan } : plan}
          base={base}
          lastResult={result?.form}
          saved={saved}
        />
      ) : (
        <KeptPlan plan={plan} groupings={groupings} boards={boards} />
      )}
    </Stack>
  )
}

/** Opening the session is the one step from planning to running. */
function Opening({ code, address, problem }: { code: string; address: string; problem?: string }) {
  return (
    <Box bg="panel" borderWidth="1px" borderRadius="8px" p="16px">
      <Flex justify="space-between" align="center" gap="16px" wrap="wrap">
        <div>
          <chakra.p>
            People join at <b>{address}</b> with the code{' '}
            <chakra.b fontVariantNumeric="tabular-nums" letterSpacing="0.04em">
              {code}
            </chakra.b>
          </chakra.p>
          <chakra.p color="quiet" fontSize="s">
            Nobody can come in before you open the session.
          </chakra.p>
        </div>
        <Form method="post">
          <Button type="submit" kind="main" size="large" name="intent" value="open">
            Open the session
          </Button>
        </Form>
      </Flex>
      {problem && (
        <Box mt="12px">
          <Message kind="problem">{problem}</Message>
        </Box>
      )}
    </Box>
  )
}

/** The plan of a session that has been opened: to read only. */
function KeptPlan({ plan, groupings, boards }: Pick<PlanPageProps, 'plan' | 'groupings' | 'boards'>) {
  return (
    <>
      <Message>
        This session has been opened, so its plan stays as it is. Rooms are renamed from the live view.
      </Message>
      <Ribbon minutes={plan.roomMinutes ?? 0} graceSeconds={plan.graceSeconds ?? 0} />
      <p>
        Grouping: <b>{groupings.find(grouping => grouping.id === plan.groupingId)?.name ?? 'none'}</b>. Board:{' '}
        <b>{boards.find(board => board.id === plan.boardId)?.title ?? 'none'}</b>. Waiting list:{' '}
        <b>{plan.waitingList ? 'on' : 'off'}</b>. Rooms talk aloud{' '}
        <b>{CALL_WAY_WORDS[plan.callWay ?? 'links']}</b>. In rooms <b>{WHO_WORDS[plan.writing ?? 'all']}</b>,
        and pictures of their own <b>{PICTURE_WORDS[plan.pictures ?? 'added']}</b>.
      </p>
      {plan.rooms.length > 0 && <PlannedRooms rooms={plan.rooms} />}
    </>
  )
}

function PlannedRooms({ rooms }: Pick<Plan, 'rooms'>) {
  return (
    <Section title="Rooms">
      <Stack as="ul" gap="6px" listStyleType="none">
        {rooms.map((room, index) => (
          <Flex as="li" key={room.groupId} gap="10px" align="center">
            <RoomMark index={index} />
            {room.name} <chakra.span color="quiet">{room.people}</chakra.span>
          </Flex>
        ))}
      </Stack>
    </Section>
  )
}
