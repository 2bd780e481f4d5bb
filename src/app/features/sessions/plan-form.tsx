import { Box, chakra, Flex, Grid, Stack } from '@chakra-ui/react'
import { type SubmissionResult, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { useState } from 'react'
import { Form, useNavigate } from 'react-router'
import { sessionForm } from '~/contracts/forms/sessions'
import { Button } from '../../ui/button'
import { Field, Input, Select, Tick } from '../../ui/fields'
import { Message, Section } from '../../ui/layout'
import { AtTheFront } from './at-the-front'
import { NothingToPlan } from './nothing-to-plan'
import type { Plan, SavedPlan } from './plan'
import { useBeginning } from './plan-beginning'
import { Ribbon } from './ribbon'
import { RoomNames } from './room-names'
import { TimeZones } from './time-zones'
import { WhatPeopleMay } from './what-people-may'

interface PlanFormProps {
  groupings: { id: string; name: string; cohortName: string; sizes: number[]; rounds: number }[]
  boards: { id: string; title: string }[]
  plan: Plan
  lastResult?: SubmissionResult
  /** What the plan was when this form was filled, as it is sent back with what was made of it. */
  base?: string
  /** The answer to the last saving; null where nothing was saved. */
  saved?: SavedPlan | null
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

function FilledForm({ groupings, boards, plan, lastResult, base = '', saved = null }: PlanFormProps) {
  const navigate = useNavigate()
  const [form, fields] = useForm({
    lastResult,
    defaultValue: { roomMinutes: 12, graceSeconds: 60, boardId: boards[0]?.id, ...plan },
    shouldRevalidate: 'onInput',
    onValidate: ({ formData }) => parseWithZod(formData, { schema: sessionForm }),
  })
  // What was changed since that answer came is not saved yet.
  const [changedSince, setChangedSince] = useState<SavedPlan | null>(null)
  // Choosing another grouping reads the plan anew, and leaves what was typed: it goes on from what it was filled with.
  const [filledWith, setFilledWith] = useState(base)
  if (saved && saved.base !== filledWith) setFilledWith(saved.base)
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
      onChange={() => setChangedSince(saved)}
      noValidate
    >
      <input type="hidden" name="intent" value="save" />
      <input type="hidden" name="base" value={filledWith} />
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
          <WhatPeopleMay
            writing={fields.writing.initialValue}
            pictures={fields.pictures.initialValue}
            callWay={fields.callWay.initialValue}
          />
        </Stack>
        <Stack gap="20px">
          <Section title="Rooms">
            <RoomNames rooms={plan.rooms} prefix={fields.rooms.name} facilitators={plan.duties} />
          </Section>
          {plan.duties && plan.duties.length > 1 && (
            <AtTheFront duties={plan.duties} prefix={fields.duties.name} />
          )}
        </Stack>
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
          {saved &&
            saved !== changedSince &&
            (saved.others ? 'Saved, with what somebody else had changed.' : 'Saved.')}
        </chakra.span>
      </Flex>
    </Form>
  )
}
