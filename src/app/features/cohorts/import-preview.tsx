import { chakra, Flex, Grid } from '@chakra-ui/react'
import { useState } from 'react'
import { Form, useNavigation, useSubmit } from 'react-router'
import { type Matching, PERSON_FIELDS } from '~/core/formats/people-headers'
import type { ImportPlan, ImportRow } from '~/core/formats/people-import'
import type { Column } from '~/core/people/columns'
import { fullName } from '~/core/people/shown-name'
import { Button, ButtonLink } from '../../ui/button'
import { Field, Select } from '../../ui/fields'
import { Message, Section, Tag } from '../../ui/layout'
import { FIELD_WORDS, KIND_WORDS, OUTCOME_WORDS, rowProblemText } from './import-text'

export interface PreviewStep {
  step: 'preview'
  source: { text: string; read: string; classes: string[] }
  chosenClass: string
  plan: ImportPlan
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
  const busy = useNavigation().state !== 'idle'
  const counts = countOutcomes(plan.ok ? plan.rows : [])
  const writes = counts.added + counts.changed
  return (
    <>
      <Message kind={problem ? 'problem' : 'good'}>
        {problem ??
          `Read as ${source.read}. ${OUTCOMES.filter(outcome => counts[outcome] > 0)
            .map(outcome => `${counts[outcome]} ${OUTCOME_WORDS[outcome]}`)
            .join(', ')}. Nothing has changed yet.`}
      </Message>
      <chakra.div h="18px" />
      <HowToRead {...step} ownColumns={columns} />
      <Form method="post">
        <SourceFields source={source} chosenClass={chosenClass} matching={plan.matching} />
        <Flex gap="8px" my="16px">
          <Button type="submit" kind="main" name="intent" value="import" disabled={writes === 0 || busy}>
            {busy ? 'Reading…' : `Add ${counts.added}, change ${counts.changed}`}
          </Button>
          <ButtonLink to={`/cohorts/${cohortId}/import`}>Start again</ButtonLink>
        </Flex>
      </Form>
      {plan.ok && <RowByRow rows={plan.rows} counts={counts} />}
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
    submit(form, { method: 'post', preventScrollReset: true })
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
        {plan.headers.map((header, place) => (
          <Field
            // biome-ignore lint/suspicious/noArrayIndexKey: two columns of a list may have the same header.
            key={place}
            label={header.trim() || `Column ${place + 1}`}
          >
            {parts => (
              <Select
                {...parts}
                value={plan.matching[place]}
                onChange={event => {
                  const chosen = event.target.value as Matching[number]
                  again({ matching: plan.matching.map((match, at) => (at === place ? chosen : match)) })
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
]

function SourceFields(props: { source: PreviewStep['source']; chosenClass: string; matching: Matching }) {
  return sourceFields(props.source, props.chosenClass, props.matching).map(([name, value]) => (
    <input key={name === 'classes' ? `class ${value}` : name} type="hidden" name={name} value={value} />
  ))
}

type Counts = Record<ImportRow['outcome'], number>

function countOutcomes(rows: ImportRow[]): Counts {
  const counts: Counts = { added: 0, changed: 0, same: 0, refused: 0 }
  for (const row of rows) counts[row.outcome]++
  return counts
}

const Cell = chakra('td', { base: { px: '8px', py: '5px', borderBottomWidth: '1px', verticalAlign: 'top' } })
/** A page that shows thousands of rows at once stands still meanwhile. */
const SHOWN_AT_ONCE = 100

function RowByRow({ rows, counts }: { rows: ImportRow[]; counts: Counts }) {
  const there = OUTCOMES.filter(outcome => counts[outcome] > 0)
  const [chosen, setChosen] = useState<ImportRow['outcome'] | null>(null)
  const [most, setMost] = useState(SHOWN_AT_ONCE)
  const order = [...rows].sort(
    (one, other) => OUTCOMES.indexOf(one.outcome) - OUTCOMES.indexOf(other.outcome),
  )
  const fitting = chosen ? order.filter(row => row.outcome === chosen) : order
  return (
    <Section title="Row by row">
      {there.length > 1 && (
        <Flex gap="8px" mb="10px" wrap="wrap" role="group" aria-label="Rows to show">
          {[null, ...there].map(outcome => (
            <Button
              key={outcome ?? 'all'}
              size="small"
              aria-pressed={chosen === outcome}
              onClick={() => {
                setChosen(outcome)
                setMost(SHOWN_AT_ONCE)
              }}
            >
              {outcome ? `${counts[outcome]} ${OUTCOME_WORDS[outcome]}` : `All ${rows.length}`}
            </Button>
          ))}
        </Flex>
      )}
      <chakra.table borderCollapse="collapse" w="full">
        <tbody>
          {fitting.slice(0, most).map(row => (
            <RowLine key={row.row} row={row} />
          ))}
        </tbody>
      </chakra.table>
      {fitting.length > most && (
        <Flex mt="10px">
          <Button onClick={() => setMost(most + 5 * SHOWN_AT_ONCE)}>
            Show more ({fitting.length - most} further rows)
          </Button>
        </Flex>
      )}
    </Section>
  )
}

function RowLine({ row }: { row: ImportRow }) {
  return (
    <tr>
      <Cell w="80px" color="quiet">
        row {row.row}
      </Cell>
      <Cell w="110px">
        <Tag kind={row.outcome === 'refused' ? 'ask' : 'plain'}>{OUTCOME_WORDS[row.outcome]}</Tag>
      </Cell>
      {row.outcome === 'refused' ? (
        <Cell>
          <b>{rowProblemText(row.problem)}</b> <chakra.span color="quiet">{row.text}</chakra.span>
        </Cell>
      ) : (
        <Cell>
          <b>{fullName(row.person)}</b> <chakra.span color="quiet">{row.person.email}</chakra.span>
          {row.outcome === 'changed' &&
            row.changes.map(({ what, from, to }) => (
              <div key={what}>
                {what}: <chakra.span color="quiet">{from || 'nothing'}</chakra.span> → {to || 'nothing'}
              </div>
            ))}
        </Cell>
      )}
    </tr>
  )
}
