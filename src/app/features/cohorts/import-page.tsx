import { chakra, Flex, Stack } from '@chakra-ui/react'
import { useEffect } from 'react'
import { Form, Link, useNavigate } from 'react-router'
import type { ImportRow } from '~/core/formats/people-csv'
import { fullName } from '~/core/people/shown-name'
import { Button, ButtonLink } from '../../ui/button'
import { Field, TextArea } from '../../ui/fields'
import { Message, PageHead, Section, Tag } from '../../ui/layout'
import { rowProblemText } from './import-text'

type ImportResult =
  | { step: 'problem'; text: string; problem: string }
  | { step: 'preview'; text: string; rows: ImportRow[]; columns: string[] }
  | { step: 'imported'; ids: string[] }

interface ImportPageProps {
  cohort: { id: string; name: string }
  result?: ImportResult
}

export function ImportPage({ cohort, result }: ImportPageProps) {
  const navigate = useNavigate()
  useEffect(() => {
    if (result?.step !== 'imported') return
    const batch = String(Date.now())
    // Kept for this tab, so that the whole import can be taken back from the list.
    sessionStorage.setItem(`import:${batch}`, result.ids.join(','))
    navigate(`/cohorts/${cohort.id}?imported=${result.ids.length}&batch=${batch}`)
  }, [result, cohort.id, navigate])
  return (
    <>
      <PageHead title="Import a list" under={<Link to={`/cohorts/${cohort.id}`}>{cohort.name}</Link>} />
      {result?.step === 'preview' ? (
        <Preview cohortId={cohort.id} text={result.text} rows={result.rows} columns={result.columns} />
      ) : (
        <Source problem={result?.step === 'problem' ? result : undefined} />
      )}
    </>
  )
}

function Source({ problem }: { problem?: { text: string; problem: string } }) {
  return (
    <Form method="post" encType="multipart/form-data">
      <Stack gap="16px" maxW="640px">
        <p>
          A file with a header row and one person a row: <b>name</b>, or <b>first name</b> and{' '}
          <b>family name</b>; if you like <b>shown as</b>, <b>email</b> and <b>trained to lead</b>. Further
          columns are kept as they are. Nothing changes before you have seen what will be added.
        </p>
        <Field label="File (CSV)" errors={problem && [problem.problem]}>
          {parts => (
            <chakra.input {...parts} type="file" name="file" accept=".csv,.tsv,.txt,text/csv" py="6px" />
          )}
        </Field>
        <Field label="Or paste rows here">
          {parts => (
            <TextArea
              {...parts}
              name="text"
              rows={7}
              placeholder={'name,email\nOdile Marsh,odile@example.org'}
              defaultValue={problem?.text}
            />
          )}
        </Field>
        <Flex>
          <Button type="submit" kind="main">
            Show what would be added
          </Button>
        </Flex>
      </Stack>
    </Form>
  )
}

interface PreviewProps {
  cohortId: string
  text: string
  rows: ImportRow[]
  columns: string[]
}

const Cell = chakra('td', { base: { px: '8px', py: '5px', borderBottomWidth: '1px', verticalAlign: 'top' } })

function Preview({ cohortId, text, rows, columns }: PreviewProps) {
  const good = rows.filter(row => row.ok).length
  const bad = rows.length - good
  return (
    <>
      <Message kind={bad > 0 ? 'problem' : 'good'}>
        {good === 1 ? '1 person will be added' : `${good} people will be added`}
        {bad > 0 && `; ${bad === 1 ? '1 row is' : `${bad} rows are`} left out, each with its reason below`}.
        {columns.length > 0 && ` Further columns kept: ${columns.join(', ')}.`}
      </Message>
      <Form method="post">
        <input type="hidden" name="text" value={text} />
        <Flex gap="8px" my="16px">
          <Button type="submit" kind="main" name="intent" value="import" disabled={good === 0}>
            Add {good} to the list
          </Button>
          <ButtonLink to={`/cohorts/${cohortId}/import`}>Start again</ButtonLink>
        </Flex>
      </Form>
      <Section title="Row by row">
        <chakra.table borderCollapse="collapse" w="full">
          <tbody>
            {[...rows]
              .sort((one, other) => Number(one.ok) - Number(other.ok) || one.row - other.row)
              .map(row => (
                <tr key={row.row}>
                  <Cell w="80px" color="quiet">
                    row {row.row}
                  </Cell>
                  <Cell w="110px">{row.ok ? <Tag>added</Tag> : <Tag kind="ask">left out</Tag>}</Cell>
                  {row.ok ? (
                    <Cell>
                      <b>{fullName(row.person)}</b>{' '}
                      <chakra.span color="quiet">{row.person.email}</chakra.span>
                    </Cell>
                  ) : (
                    <Cell>
                      <b>{rowProblemText(row.problem)}</b> <chakra.span color="quiet">{row.text}</chakra.span>
                    </Cell>
                  )}
                </tr>
              ))}
          </tbody>
        </chakra.table>
      </Section>
    </>
  )
}
