import { chakra, Flex } from '@chakra-ui/react'
import { type SubmissionResult, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { useEffect, useState } from 'react'
import { useFetcher } from 'react-router'
import { cohortForm, personForm } from '~/contracts/forms/cohorts'
import type { Column } from '~/core/people/columns'
import { Button } from '../../ui/button'
import { Field, Input, Select } from '../../ui/fields'
import type { Person } from './person'

/** Fields of one person; with `person` they are changed, otherwise somebody is added. */
interface PersonFormProps {
  person?: Person
  columns: Column[]
  onDone?: () => void
}

function PersonForm({ person, columns: now, onDone }: PersonFormProps) {
  const fetcher = useFetcher<SubmissionResult | null>()
  /** As it was when the form was opened: what somebody else changes meanwhile is theirs. */
  const [opened] = useState({ person, columns: now })
  const columns = person ? columnsSince(opened.columns, now) : now
  const textIn = (name: string) => opened.person?.columns[name] ?? ''
  const values = opened.columns.map(({ name }) => ({ column: name, value: textIn(name) }))
  const [form, fields] = useForm({
    lastResult: fetcher.data,
    defaultValue: opened.person,
    shouldRevalidate: 'onInput',
    onValidate: ({ formData }) => parseWithZod(formData, { schema: personForm }),
  })
  const saved = fetcher.state === 'idle' && fetcher.data?.status === 'success'
  useEffect(() => {
    if (saved) onDone?.()
  }, [saved, onDone])
  const boxes = [
    { field: fields.firstName, label: 'First name' },
    { field: fields.familyName, label: 'Family name' },
    { field: fields.shownAs, label: 'Shown as', hint: person ? undefined : 'Empty: first name and initial.' },
    { field: fields.email, label: 'Email' },
  ]
  return (
    <fetcher.Form method="post" action="people" id={form.id} onSubmit={form.onSubmit} noValidate>
      <input type="hidden" name="intent" value="save" />
      {person && <input type="hidden" name="personId" value={person.id} />}
      {person && <input type="hidden" name="base" value={JSON.stringify({ ...opened.person, values })} />}
      <Flex gap="10px" align="flex-start" wrap="wrap">
        {boxes.map(({ field, label, hint }) => (
          <chakra.div key={label} flex="1" minW="150px" maxW="240px">
            <Field label={label} hint={hint} errors={field.errors}>
              {parts => (
                <Input {...parts} name={field.name} autoComplete="off" defaultValue={field.initialValue} />
              )}
            </Field>
          </chakra.div>
        ))}
        {columns.map(({ name, kind }, index) => {
          const place = `values[${index}].value`
          const control = { name: place, defaultValue: textIn(name) }
          return (
            <chakra.div key={name} flex="1" minW="130px" maxW="200px">
              <input type="hidden" name={`values[${index}].column`} value={name} />
              <Field label={name} errors={form.allErrors[place]}>
                {parts =>
                  kind === 'yes-no' ? (
                    <Select {...parts} {...control}>
                      <option value="">not known</option>
                      <option value="yes">yes</option>
                      <option value="no">no</option>
                    </Select>
                  ) : (
                    <Input
                      {...parts}
                      {...control}
                      inputMode={kind === 'number' ? 'decimal' : undefined}
                      autoComplete="off"
                    />
                  )
                }
              </Field>
            </chakra.div>
          )
        })}
        <Flex gap="8px" pt="24px">
          <Button type="submit" kind="main">
            {person ? 'Save' : 'Add to the list'}
          </Button>
          {person && <Button onClick={onDone}>Cancel</Button>}
        </Flex>
      </Flex>
    </fetcher.Form>
  )
}

/** Those the form was opened with, whose values stay in it whatever becomes of them, and after them those that came since. */
function columnsSince(opened: Column[], now: Column[]): Column[] {
  const had = new Set(opened.map(({ name }) => name))
  return [...opened, ...now.filter(({ name }) => !had.has(name))]
}

export const AddPerson = ({ columns }: { columns: Column[] }) => <PersonForm columns={columns} />
export const ChangePerson = PersonForm

export function RenameCohort({ name, onDone }: { name: string; onDone: () => void }) {
  const fetcher = useFetcher<SubmissionResult | null>()
  const [form, fields] = useForm({
    lastResult: fetcher.data,
    defaultValue: { name },
    onValidate: ({ formData }) => parseWithZod(formData, { schema: cohortForm }),
  })
  const saved = fetcher.state === 'idle' && fetcher.data?.status === 'success'
  useEffect(() => {
    if (saved) onDone()
  }, [saved, onDone])
  return (
    <fetcher.Form method="post" id={form.id} onSubmit={form.onSubmit} noValidate>
      <Flex gap="8px" align="flex-start" fontWeight="400">
        <Field label="Name of the cohort" hideLabel errors={fields.name.errors}>
          {parts => (
            <Input
              {...parts}
              name="name"
              autoFocus
              autoComplete="off"
              defaultValue={fields.name.initialValue}
            />
          )}
        </Field>
        <Button type="submit" kind="main">
          Save
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </Flex>
    </fetcher.Form>
  )
}
