import { chakra, Flex } from '@chakra-ui/react'
import { type SubmissionResult, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { useEffect, useState } from 'react'
import { useFetcher } from 'react-router'
import { columnForm } from '~/contracts/forms/cohorts'
import { COLUMN_KINDS, type Column } from '~/core/people/columns'
import { Button } from '../../ui/button'
import { Field, Input, Select } from '../../ui/fields'
import { Message, Row, Rows, Section } from '../../ui/layout'
import { KIND_WORDS } from './import-text'

/** The cohort's own columns: what else is known of everybody, and in which form. */
export function ColumnsSection({ columns }: { columns: Column[] }) {
  const [changing, setChanging] = useState<string | null>(null)
  const removal = useFetcher<{ removed?: string; restored?: boolean }>()
  const removed = removal.data?.removed
  return (
    <Section title="Columns">
      {removed && (
        <chakra.div mb="10px">
          <Message>
            <Flex gap="12px" align="center" wrap="wrap">
              <span>
                The column “{(JSON.parse(removed) as { column: Column }).column.name}” was taken away.
              </span>
              <Button
                size="small"
                onClick={() =>
                  removal.submit({ intent: 'restore', removed }, { method: 'post', action: 'columns' })
                }
              >
                Undo
              </Button>
            </Flex>
          </Message>
        </chakra.div>
      )}
      <Rows label="Columns">
        {columns.map(column =>
          changing === column.name ? (
            <Row key={column.name}>
              <ColumnForm column={column} onDone={() => setChanging(null)} />
            </Row>
          ) : (
            <Row key={column.name}>
              <span>
                <b>{column.name}</b> <chakra.span color="quiet">{KIND_WORDS[column.kind]}</chakra.span>
              </span>
              <span>
                <Button
                  size="small"
                  kind="bare"
                  aria-label={`Change the column ${column.name}`}
                  onClick={() => setChanging(column.name)}
                >
                  Change
                </Button>
                <Button
                  size="small"
                  kind="bare"
                  aria-label={`Take the column ${column.name} away`}
                  onClick={() =>
                    removal.submit(
                      { intent: 'remove', column: column.name },
                      { method: 'post', action: 'columns' },
                    )
                  }
                >
                  Remove
                </Button>
              </span>
            </Row>
          ),
        )}
      </Rows>
      <chakra.div mt="12px">
        <ColumnForm key={columns.length} />
      </chakra.div>
    </Section>
  )
}

function ColumnForm({ column, onDone }: { column?: Column; onDone?: () => void }) {
  const fetcher = useFetcher<SubmissionResult | null>()
  const [form, fields] = useForm({
    lastResult: fetcher.data,
    defaultValue: column ?? { kind: 'text' },
    shouldRevalidate: 'onInput',
    onValidate: ({ formData }) => parseWithZod(formData, { schema: columnForm }),
  })
  const saved = fetcher.state === 'idle' && fetcher.data?.status === 'success'
  useEffect(() => {
    if (saved) onDone?.()
  }, [saved, onDone])
  return (
    <fetcher.Form method="post" action="columns" id={form.id} onSubmit={form.onSubmit} noValidate>
      <input type="hidden" name="intent" value="save" />
      {column && <input type="hidden" name="column" value={column.name} />}
      <Flex gap="10px" align="flex-start" wrap="wrap">
        <chakra.div w="240px">
          <Field label={column ? 'Name of the column' : 'New column'} errors={fields.name.errors}>
            {parts => (
              <Input {...parts} name="name" autoComplete="off" defaultValue={fields.name.initialValue} />
            )}
          </Field>
        </chakra.div>
        <chakra.div w="160px">
          <Field label="Holds" errors={fields.kind.errors}>
            {parts => (
              <Select {...parts} name="kind" defaultValue={fields.kind.initialValue}>
                {COLUMN_KINDS.map(kind => (
                  <option key={kind} value={kind}>
                    {KIND_WORDS[kind]}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        </chakra.div>
        <Flex gap="8px" pt="24px">
          <Button type="submit" kind={column ? 'main' : undefined}>
            {column ? 'Save' : 'Add the column'}
          </Button>
          {column && <Button onClick={onDone}>Cancel</Button>}
        </Flex>
      </Flex>
    </fetcher.Form>
  )
}
