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
  const [changing, setChanging] = useState<Column | null>(null)
  const removal = useFetcher<{ removed: { id: string; name: string } | null }>()
  const gone = changing && columns.every(({ name }) => name !== changing.name) ? [changing] : []
  return (
    <Section title="Columns">
      {removal.data?.removed && (
        <RemovedMessage key={removal.data.removed.id} removed={removal.data.removed} />
      )}
      <Rows label="Columns">
        {/* What is being written of a column stays in sight when that is gone. */}
        {[...columns, ...gone].map(column =>
          changing?.name === column.name ? (
            <Row key={column.name}>
              <ColumnForm column={changing} onDone={() => setChanging(null)} />
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
                  onClick={() => setChanging(column)}
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
        <ColumnForm />
      </chakra.div>
    </Section>
  )
}

function RemovedMessage({ removed }: { removed: { id: string; name: string } }) {
  const undo = useFetcher<{ problem: string | null }>()
  if (undo.data?.problem === null) return null
  return (
    <chakra.div mb="10px">
      <Message>
        <Flex gap="12px" align="center" wrap="wrap">
          <span>{undo.data?.problem ?? `The column “${removed.name}” was taken away.`}</span>
          <Button
            size="small"
            disabled={undo.state !== 'idle'}
            onClick={() =>
              undo.submit({ intent: 'restore', removed: removed.id }, { method: 'post', action: 'columns' })
            }
          >
            Undo
          </Button>
        </Flex>
      </Message>
    </chakra.div>
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
