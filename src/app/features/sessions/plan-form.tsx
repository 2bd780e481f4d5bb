import { Box, chakra, Flex, Grid, Stack } from '@chakra-ui/react'
import { type SubmissionResult, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { useState } from 'react'
import { Form, useNavigate } from 'react-router'
import { sessionForm } from '~/contracts/forms/sessions'
import { CALL_WAYS, type CallWay } from '~/core/live/call/ways'
import { CALL_WAY_WORDS } from '../../live/call/call-words'
import { Button } from '../../ui/button'
import { Field, Input, Select, Tick } from '../../ui/fields'
import { Message, Section } from '../../ui/layout'
import { NothingToPlan } from './nothing-to-plan'
import { useBeginning } from './plan-beginning'
import { Ribbon } from './ribbon'
import { RoomNames } from './room-names'
import { TimeZones } from './time-zones'

export interface Plan {
  title?: string
  date?: string
  time?: string
  timeZone?: string
  groupingId: string
  groupingRound: number
  /** Rounds stand in the running order: what they are is changed there. */
  hasOrder?: boolean
  boardId?: string
  roomMinutes?: number
  graceSeconds?: number
  waitingList?: boolean
  callWay?: CallWay
  rooms: { groupId: string; name: string; people: number }[]
}

interface PlanFormProps {
  groupings: { id: string; name: string; cohortName: string; sizes: number[]; rounds: number }[]
  boards: { id: string; title: string }[]
  plan: Plan
  lastResult?: SubmissionResult
  /** The answer to the last saving; null where nothing was saved. */
  saved?: object | null
}

const HIDDEN = ['groupingRound', 'boardId', 'roomMinutes', 'graceSeconds'] as const

/** The plan of a session. Choosing another grouping shows its rooms. */
export function PlanForm(props: PlanFormProps) {
  const { groupings, boards, plan } = props
  return groupings.length === 0 || boards.length === 0 ? (
    <NothingToPlan groupings={groupings.length} groupingId={plan.groupingId} />
  ) : (
    <FilledForm {...props} />
  )
}

function FilledForm({ groupings, boards, plan, lastResult, saved }: PlanFormProps) {
  const navigate = useNavigate()
  const [form, fields] = useForm({
    lastResult,
    defaultValue: { roomMinutes: 12, graceSeconds: 60, boardId: boards[0]?.id, ...plan },
    shouldRevalidate: 'onInput',
    onValidate: ({ formData }) => parseWithZod(formData, { schema: sessionForm }),
  })
  // What was changed since that answer came is not saved yet.
  const [changedSince, setChangedSince] = useState<object | null>(null)
  const cohort = groupings.find(grouping => grouping.id === plan.groupingId)?.cohortName ?? 'Session'
  useBeginning(form.id, plan.date === undefined, cohort)
  const minutes = Number(fields.roomMinutes.value ?? 12)
  const grace = Number(fields.graceSeconds.value ?? 60)
  const choose = (groupingId: string, round = 0) => {
    const search = `?grouping=${groupingId}&round=${round}`
    navigate({ search }, { replace: true, preventScrollReset: true })
  }
  const rounds = groupings.find(grouping => grouping.id === plan.groupingId)?.rounds ?? 1
  return (
    <Form
      method="post"
      id={form.id}
      onSubmit={form.onSubmit}
      onChange={() => setChangedSince(saved ?? null)}
      noValidate
    >
      <input type="hidden" name="intent" value="save" />
      {form.errors && (
        <Box mb="16px">
          <Message kind="problem">{form.errors.join(' ')}</Message>
        </Box>
      )}
      <Grid templateColumns={{ base: '1fr', lg: '1fr 1fr' }} gap="20px 36px">
        <Stack gap="14px">
          <Field label="Title" errors={fields.title.errors}>
            {parts => <Input {...parts} name="title" defaultValue={fields.title.initialValue} />}
          </Field>
          <Flex gap="12px" wrap="wrap">
            <Box flex="1" minW="140px">
              <Field label="Date" errors={fields.date.errors}>
                {parts => (
                  <Input {...parts} type="date" name="date" defaultValue={fields.date.initialValue} />
                )}
              </Field>
            </Box>
            <Box flex="1" minW="110px">
              <Field label="Begins at" errors={fields.time.errors}>
                {parts => (
                  <Input {...parts} type="time" name="time" defaultValue={fields.time.initialValue} />
                )}
              </Field>
            </Box>
            <Box flex="1" minW="170px">
              <Field label="Time zone" errors={fields.timeZone.errors}>
                {parts => <TimeZones {...parts} name="timeZone" chosen={fields.timeZone.initialValue} />}
              </Field>
            </Box>
          </Flex>
          <Field label="Grouping" errors={fields.groupingId.errors}>
            {parts => (
              <Select
                {...parts}
                name="groupingId"
                defaultValue={fields.groupingId.initialValue}
                onChange={event => choose(event.target.value)}
              >
                {groupings.map(grouping => (
                  <option key={grouping.id} value={grouping.id}>
                    {grouping.name} ({grouping.cohortName}, {grouping.sizes.length} groups)
                  </option>
                ))}
              </Select>
            )}
          </Field>
          {plan.hasOrder ? (
            HIDDEN.map(name => (
              <input key={name} type="hidden" name={name} value={String(plan[name] ?? '')} />
            ))
          ) : (
            <>
              {rounds > 1 && (
                <Field label="Round of the grouping" errors={fields.groupingRound.errors}>
                  {parts => (
                    <Select
                      {...parts}
                      name="groupingRound"
                      defaultValue={plan.groupingRound}
                      onChange={event => choose(plan.groupingId, Number(event.target.value))}
                    >
                      {Array.from({ length: rounds }, (_, round) => (
                        // biome-ignore lint/suspicious/noArrayIndexKey: rounds have nothing but their number.
                        <option key={round} value={round}>
                          round {round + 1}
                        </option>
                      ))}
                    </Select>
                  )}
                </Field>
              )}
              <Field label="Board" errors={fields.boardId.errors} hint="Every room gets its own copy of it.">
                {parts => (
                  <Select {...parts} name="boardId" defaultValue={fields.boardId.initialValue}>
                    {boards.map(board => (
                      <option key={board.id} value={board.id}>
                        {board.title}
                      </option>
                    ))}
                  </Select>
                )}
              </Field>
              <Flex gap="12px">
                <Box flex="1">
                  <Field label="Time in rooms (minutes)" errors={fields.roomMinutes.errors}>
                    {parts => (
                      <Input
                        {...parts}
                        type="number"
                        name="roomMinutes"
                        min={1}
                        max={240}
                        defaultValue={fields.roomMinutes.initialValue}
                      />
                    )}
                  </Field>
                </Box>
                <Box flex="1">
                  <Field label="Grace to come back (seconds)" errors={fields.graceSeconds.errors}>
                    {parts => (
                      <Input
                        {...parts}
                        type="number"
                        name="graceSeconds"
                        min={0}
                        max={600}
                        defaultValue={fields.graceSeconds.initialValue}
                      />
                    )}
                  </Field>
                </Box>
              </Flex>
            </>
          )}
          <Tick
            name="waitingList"
            defaultChecked={fields.waitingList.initialValue === 'on' || plan.waitingList === true}
          >
            Waiting list: people come in when you let them
          </Tick>
          <Field label="Rooms talk aloud" hint="Can be changed while the session runs.">
            {parts => (
              <Select {...parts} name="callWay" defaultValue={fields.callWay.initialValue ?? 'links'}>
                {CALL_WAYS.map(way => (
                  <option key={way} value={way}>
                    {CALL_WAY_WORDS[way]}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        </Stack>
        <Section title="Rooms">
          <RoomNames rooms={plan.rooms} prefix={fields.rooms.name} />
        </Section>
      </Grid>
      {!plan.hasOrder && (
        <Box my="20px">
          <Ribbon
            minutes={Number.isFinite(minutes) ? minutes : 0}
            graceSeconds={Number.isFinite(grace) ? grace : 0}
          />
        </Box>
      )}
      <Flex gap="12px" align="center" mt="16px">
        <Button type="submit" kind="main">
          Save the plan
        </Button>
        <chakra.span role="status" color="live" fontWeight="600">
          {saved && saved !== changedSince ? 'Saved.' : ''}
        </chakra.span>
      </Flex>
    </Form>
  )
}
