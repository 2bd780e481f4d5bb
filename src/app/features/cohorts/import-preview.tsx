import { chakra, Flex, Grid, Table } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { Form, useFetcher, useNavigation, useSubmit } from 'react-router'
import { type Matching, PERSON_FIELDS } from '~/core/formats/people-headers'
import type { ImportPlan, ImportRow } from '~/core/formats/people-import'
import type { Column } from '~/core/people/columns'
import { fullName } from '~/core/people/shown-name'
import { Button, ButtonLink } from '../../ui/button'
import { Field, Select } from '../../ui/fields'
import { Message, Section, Tag } from '../../ui/layout'
import { FIELD_WORDS, KIND_WORDS, OUTCOME_WORDS, rowProblemText } from './import-text'

type Counts = Record<ImportRow['outcome'], number>

/** The plan of an import with the first rows of each kind. */
type PreviewPlan =
  | (Extract<ImportPlan, { ok: true }> & { counts: Counts })
  | Extract<ImportPlan, { ok: false }>

export interface PreviewStep {
  step: 'preview'
  source: { text: string; read: string; classes: string[]; notes: string[] }
  chosenClass: string
  plan: PreviewPlan
  problem?: string
}

const OUTCOMES = ['refused', 'changed', 'added', 'same'] as const

interface ImportPreviewProps extends PreviewStep {
  cohortId: string
  /** The free columns the cohort has. */
  columns: Column[]
}

export function ImportPreview({ cohortId, columns, ...step }: ImportPreviewProps) {
  const { source, chosenClass, plan, problem } = step
  const navigation = useNavigation()
  const busy = navigation.state !== 'idle'
  const saving = navigation.formData?.get('intent') === 'import'
  const counts = plan.ok ? plan.counts : NONE
  const writes = counts.added + counts.changed
  return (
    <>
      <Message kind={problem ? 'problem' : 'good'}>
        {problem ??
          `Read as ${source.read}. ${OUTCOMES.filter(outcome => counts[outcome] > 0)
            .map(outcome => `${counts[outcome]} ${OUTCOME_WORDS[outcome]}`)
            .join(', ')}. Nothing has changed yet.`}
      </Message>
      {source.notes.map(note => (
        <chakra.p key={note} mt="8px">
          {note}
        </chakra.p>
      ))}
      <chakra.div h="18px" />
      <HowToRead {...step} ownColumns={columns} />
      <Form method="post" encType="multipart/form-data">
        <SourceFields source={source} chosenClass={chosenClass} matching={plan.matching} />
        <Flex gap="8px" my="16px">
          <Button type="submit" kind="main" name="intent" value="import" disabled={writes === 0 || busy}>
            {saving ? 'Saving…' : busy ? 'Reading…' : `Add ${counts.added}, change ${counts.changed}`}
          </Button>
          <ButtonLink to={`/cohorts/${cohortId}/import`}>Start again</ButtonLink>
        </Flex>
      </Form>
      {plan.ok && <RowByRow key={plan.matching.join()} step={step} rows={plan.rows} counts={counts} />}
    </>
  )
}

/** What each column of the list is taken for; choosing something else shows at once what that would do. */
function HowToRead({ source, chosenClass, plan, ownColumns }: PreviewStep & { ownColumns: Column[] }) {
  const submit = useSubmit()
  const kindOf = (header: string) =>
    plan.ok ? plan.columns.find(column => column.name === header.trim())?.kind : undefined
  const again = (changes: { matching?: Matching; chosenClass?: string }) => {
    const form = new FormData()
    for (const [name, value] of sourceFields(
      source,
      changes.chosenClass ?? chosenClass,
      changes.matching ?? plan.matching,
    ))
      form.append(name, value)
    submit(form, { method: 'post', encType: 'multipart/form-data', preventScrollReset: true })
  }
  return (
    <Section title="What each column is">
      {source.classes.length > 1 && (
        <chakra.div maxW="260px" mb="12px">
          <Field label="Only the class">
            {parts => (
              <Select
                {...parts}
                value={chosenClass}
                onChange={event => again({ chosenClass: event.target.value })}
              >
                <option value="">all of them</option>
                {source.classes.map(title => (
                  <option key={title}>{title}</option>
                ))}
              </Select>
            )}
          </Field>
        </chakra.div>
      )}
      <Grid templateColumns="repeat(auto-fill, minmax(190px, 1fr))" gap="10px">
        {plan.headers.map((header, index) => (
          <Field
            // biome-ignore lint/suspicious/noArrayIndexKey: two columns of a list may have the same header.
            key={index}
            label={header.trim() || `Column ${index + 1}`}
          >
            {parts => (
              <Select
                {...parts}
                value={plan.matching[index]}
                onChange={event => {
                  const chosen = event.target.value as Matching[number]
                  again({ matching: plan.matching.map((match, at) => (at === index ? chosen : match)) })
                }}
              >
                {PERSON_FIELDS.map(field => (
                  <option key={field} value={field}>
                    {FIELD_WORDS[field]}
                  </option>
                ))}
                {ownColumns.map(column => (
                  <option key={column.name} value={`as:${column.name}`}>
                    {column.name}
                  </option>
                ))}
                <option value="column">
                  own column{kindOf(header) ? ` (${KIND_WORDS[kindOf(header) ?? 'text']})` : ''}
                </option>
                <option value="ignore">left out</option>
              </Select>
            )}
          </Field>
        ))}
      </Grid>
    </Section>
  )
}

const sourceFields = (
  source: PreviewStep['source'],
  chosenClass: string,
  matching: Matching,
): [string, string][] => [
  ['text', source.text],
  ['read', source.read],
  ['class', chosenClass],
  ['matching', JSON.stringify(matching)],
  ...source.classes.map((title): [string, string] => ['classes', title]),
  ...source.notes.map((note): [string, string] => ['notes', note]),
]

function SourceFields(props: { source: PreviewStep['source']; chosenClass: string; matching: Matching }) {
  return sourceFields(props.source, props.chosenClass, props.matching).map(([name, value]) => (
    <input
      key={name === 'classes' || name === 'notes' ? `${name} ${value}` : name}
      type="hidden"
      name={name}
      value={value}
    />
  ))
}

const NONE: Counts = { added: 0, changed: 0, same: 0, refused: 0 }

interface RowByRowProps {
  step: Pick<PreviewStep, 'source' | 'chosenClass' | 'plan'>
  rows: ImportRow[]
  counts: Counts
}

/** The rows kind by kind, those that need a look first. The first of each kind came along; further ones are asked for. */
function RowByRow({ step, rows: first, counts }: RowByRowProps) {
  const there = OUTCOMES.filter(outcome => counts[outcome] > 0)
  const [chosen, setChosen] = useState<ImportRow['outcome'] | null>(null)
  const more = useFetcher<{ step: string; rows?: ImportRow[] }>()
  const [further, setFurther] = useState<ImportRow[]>([])
  useEffect(() => {
    if (more.state !== 'idle' || !more.data?.rows) return
    const { rows } = more.data
    setFurther(before => {
      const known = new Set(before.map(row => row.row))
      return [...before, ...rows.filter(row => !known.has(row.row))]
    })
  }, [more.state, more.data])
  const known = [...first, ...further]
  const shown = there
    .filter(outcome => chosen === null || outcome === chosen)
    .flatMap(outcome => known.filter(row => row.outcome === outcome))
  const total = there.reduce((sum, outcome) => sum + counts[outcome], 0)
  const left = (chosen === null ? total : counts[chosen]) - shown.length
  const askForMore = () => {
    const form = new FormData()
    for (const [name, value] of sourceFields(step.source, step.chosenClass, step.plan.matching))
      form.append(name, value)
    form.set('intent', 'rows')
    form.set('outcome', chosen ?? '')
    form.set('from', String(shown.length))
    more.submit(form, { method: 'post', encType: 'multipart/form-data' })
  }
  return (
    <Section title="Row by row">
      <Flex gap="8px" mb="10px" wrap="wrap" role="group" aria-label="Rows to show">
        {[null, ...there].map(outcome => (
          <Button
            key={outcome ?? 'all'}
            size="small"
            aria-pressed={chosen === outcome}
            onClick={() => setChosen(outcome)}
          >
            {outcome ? `${counts[outcome]} ${OUTCOME_WORDS[outcome]}` : `All ${total}`}
          </Button>
        ))}
      </Flex>
      <Table.Root>
        <Table.Body>
          {shown.map(row => (
            <RowLine key={row.row} row={row} />
          ))}
        </Table.Body>
      </Table.Root>
      {left > 0 && chosen === null && (
        <chakra.p mt="10px" color="quiet">
          {left} further rows: choose a kind above to see all of it.
        </chakra.p>
      )}
      {left > 0 && chosen !== null && (
        <Flex mt="10px">
          <Button disabled={more.state !== 'idle'} onClick={askForMore}>
            {more.state === 'idle' ? `Show more (${left} further rows)` : 'Reading…'}
          </Button>
        </Flex>
      )}
    </Section>
  )
}

function RowLine({ row }: { row: ImportRow }) {
  return (
    <Table.Row>
      <Table.Cell verticalAlign="top" w="80px" color="quiet">
        row {row.row}
      </Table.Cell>
      <Table.Cell verticalAlign="top" w="110px">
        <Tag kind={row.outcome === 'refused' ? 'ask' : 'plain'}>{OUTCOME_WORDS[row.outcome]}</Tag>
      </Table.Cell>
      {row.outcome === 'refused' ? (
        <Table.Cell verticalAlign="top">
          <b>{rowProblemText(row.problem)}</b> <chakra.span color="quiet">{row.text}</chakra.span>
        </Table.Cell>
      ) : (
        <Table.Cell verticalAlign="top">
          <b>{fullName(row.person)}</b> <chakra.span color="quiet">{row.person.email}</chakra.span>
          {row.outcome === 'added' && <OtherCells person={row.person} />}
          {row.outcome === 'changed' &&
            row.changes.map(({ what, from, to }) => (
              <div key={what}>
                {what}: <chakra.span color="quiet">{from || 'nothing'}</chakra.span> → {to || 'nothing'}
              </div>
            ))}
        </Table.Cell>
      )}
    </Table.Row>
  )
}

/** What else of a row is imported: nothing comes onto the list that was not to be seen before. */
function OtherCells({ person }: { person: Extract<ImportRow, { outcome: 'added' }>['person'] }) {
  const cells = [
    ...(person.shownAs ? [`shown as ${person.shownAs}`] : []),
    ...(person.trainedToLead ? ['trained to lead'] : []),
    ...Object.entries(person.columns)
      .filter(([, value]) => value !== '')
      .map(([name, value]) => `${name}: ${value}`),
  ]
  return cells.length === 0 ? null : <chakra.span color="quiet"> · {cells.join(' · ')}</chakra.span>
}
