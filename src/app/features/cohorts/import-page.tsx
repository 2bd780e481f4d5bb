import { chakra, Flex, Stack } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { Form, Link, useFetcher, useNavigate, useNavigation } from 'react-router'
import { LARGEST_LIST } from '~/contracts/forms/cohorts'
import type { PastImport } from '~/contracts/imports'
import type { Column } from '~/core/people/columns'
import { Button } from '../../ui/button'
import { Field, TextArea } from '../../ui/fields'
import { Message, PageHead, Row, Rows, Section } from '../../ui/layout'
import { ImportPreview, type PreviewStep } from './import-preview'
import { fileProblemText } from './import-text'

type ImportResult =
  | { step: 'problem'; text: string; problem: string }
  | PreviewStep
  | { step: 'imported'; importId: string }
  | { step: 'taken-back' }
  | { step: 'rows' }

interface ImportPageProps {
  cohort: { id: string; name: string; columns: Column[] }
  imports: PastImport[]
  result?: ImportResult
}

export function ImportPage({ cohort, imports, result }: ImportPageProps) {
  const navigate = useNavigate()
  useEffect(() => {
    if (result?.step === 'imported') navigate(`/cohorts/${cohort.id}?import=${result.importId}`)
  }, [result, cohort.id, navigate])
  const listed = <Link to={`/cohorts/${cohort.id}`}>{cohort.name}</Link>
  return (
    <>
      <PageHead title="Import a list" under={listed} />
      {result?.step === 'preview' ? (
        <ImportPreview cohortId={cohort.id} columns={cohort.columns} {...result} />
      ) : (
        <Source problem={result?.step === 'problem' ? result : undefined} />
      )}
      {imports.length > 0 && result?.step !== 'preview' && (
        <Section title="Earlier imports">
          <Rows label="Earlier imports">
            {imports.map(each => (
              <PastImportRow key={each.id} past={each} />
            ))}
          </Rows>
        </Section>
      )}
    </>
  )
}

function Source({ problem }: { problem?: { text: string; problem: string } }) {
  const busy = useNavigation().state === 'submitting'
  const [tooLarge, setTooLarge] = useState(false)
  const says = tooLarge ? fileProblemText({ code: 'too-large' }) : problem?.problem
  return (
    <Form
      method="post"
      encType="multipart/form-data"
      onSubmit={event => {
        // The server would not even begin to read it.
        const large = sizeOf(new FormData(event.currentTarget)) > LARGEST_LIST
        setTooLarge(large)
        if (large) event.preventDefault()
      }}
    >
      <Stack gap="16px" maxW="680px">
        <p>
          A table with a header row and one person a row: CSV, or a spreadsheet (XLSX), or cells copied from
          one, or a OneRoster list as a ZIP or its files. Which column is what can be corrected in the next
          step, and nothing changes before you have seen what would.{' '}
          <chakra.a href="/list-template.csv" download textDecoration="underline">
            Get an empty list to fill in
          </chakra.a>
          .
        </p>
        <Field label="File" errors={says ? [says] : undefined}>
          {parts => (
            <chakra.input
              {...parts}
              type="file"
              name="file"
              multiple
              accept=".csv,.tsv,.txt,.xlsx,.zip,text/csv,text/tab-separated-values"
              py="6px"
            />
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
          <Button type="submit" kind="main" disabled={busy}>
            {busy ? 'Reading…' : 'Show what would change'}
          </Button>
        </Flex>
      </Stack>
    </Form>
  )
}

/** Of all files of a form, in bytes. */
const sizeOf = (form: FormData) =>
  form.getAll('file').reduce((sum, file) => sum + (file instanceof File ? file.size : 0), 0)

function PastImportRow({ past }: { past: PastImport }) {
  const fetcher = useFetcher()
  return (
    <Row>
      <span>
        {past.added} added, {past.changed} changed
        <chakra.span color="quiet">
          {' '}
          by {past.by},{' '}
          {past.at.toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' })}
        </chakra.span>
      </span>
      {past.takenBack ? (
        <chakra.span color="quiet">taken back</chakra.span>
      ) : (
        <fetcher.Form method="post">
          <input type="hidden" name="importId" value={past.id} />
          <Button size="small" type="submit" name="intent" value="take-back">
            Take the import back
          </Button>
        </fetcher.Form>
      )}
    </Row>
  )
}

/** Said on the cohort's page after an import, with the way back. */
export function ImportedMessage({ cohortId, past }: { cohortId: string; past: PastImport }) {
  const fetcher = useFetcher()
  const people = (count: number) => (count === 1 ? '1 person' : `${count} people`)
  return (
    <chakra.div mb="16px">
      <Message kind="good">
        {past.takenBack ? (
          'The import was taken back: the list is as it was before.'
        ) : (
          <Flex gap="12px" align="center" wrap="wrap">
            <span>
              {people(past.added)} added to the list
              {past.changed > 0 && `, ${people(past.changed)} changed`}.
            </span>
            <fetcher.Form method="post" action={`/cohorts/${cohortId}/import`}>
              <input type="hidden" name="importId" value={past.id} />
              <Button size="small" type="submit" name="intent" value="take-back">
                Take the import back
              </Button>
            </fetcher.Form>
          </Flex>
        )}
      </Message>
    </chakra.div>
  )
}
