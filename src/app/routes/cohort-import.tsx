import { data } from 'react-router'
import { decodeUtf8 } from '~/core/formats/csv'
import { getCohort, importPeople, previewImport } from '~/server/cohorts/cohorts.server'
import { servicesContext } from '~/server/services.server'
import { ImportPage } from '../features/cohorts/import-page'
import { fileProblemText, importProblemText } from '../features/cohorts/import-text'
import type { Route } from './+types/cohort-import'
import { answering, formOf } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Import a list · Round Table' }]

/** Largest list, in bytes: 5,000 rows with room to spare. */
const LARGEST = 2_000_000

export async function loader({ params, context }: Route.LoaderArgs) {
  const { id, name } = await answering(getCohort(context.get(servicesContext).db, params.cohortId))
  return { cohort: { id, name } }
}

/** Two steps: the text comes back with what importing it would do; then the same text is imported. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { db } = context.get(servicesContext)
  const fields = await formOf(request)
  const source = await textOf(fields)
  if ('problem' in source) return data({ step: 'problem' as const, ...source }, { status: 400 })
  const { text } = source
  if (fields.get('intent') === 'import') {
    const imported = await answering(importPeople(db, params.cohortId, text))
    if (imported.ok) return { step: 'imported' as const, ids: imported.value }
    return data(
      { step: 'problem' as const, text, problem: importProblemText(imported.problem) },
      { status: 400 },
    )
  }
  const preview = await answering(previewImport(db, params.cohortId, text))
  if (preview.ok) return { step: 'preview' as const, text, rows: preview.rows, columns: preview.columns }
  return data(
    { step: 'problem' as const, text, problem: importProblemText(preview.problem) },
    { status: 400 },
  )
}

async function textOf(fields: FormData): Promise<{ text: string } | { text: string; problem: string }> {
  const file = fields.get('file')
  const pasted = String(fields.get('text') ?? '')
  if (!(file instanceof File) || file.size === 0) {
    return pasted.trim() ? { text: pasted } : { text: '', problem: fileProblemText('nothing') }
  }
  if (file.size > LARGEST) return { text: pasted, problem: fileProblemText('too-large') }
  const text = decodeUtf8(new Uint8Array(await file.arrayBuffer()))
  return text === null ? { text: pasted, problem: fileProblemText('not-utf-8') } : { text }
}

export default function CohortImport({ loaderData, actionData }: Route.ComponentProps) {
  return <ImportPage cohort={loaderData.cohort} result={actionData} />
}
