import { data } from 'react-router'
import { importForm, LARGEST_LIST } from '~/contracts/forms/cohorts'
import { getCohort } from '~/server/cohorts/cohorts.server'
import {
  importPeople,
  listImports,
  moreRows,
  previewImport,
  takeBackImport,
} from '~/server/cohorts/imports.server'
import type { ReadList } from '~/server/cohorts/read-list.server'
import { noteDeed } from '~/server/deeds/deeds.server'
import { accountContext, servicesContext } from '~/server/services.server'
import { onWorkThread } from '~/server/work/work-thread.server'
import { ImportPage } from '../features/cohorts/import-page'
import { fileProblemText, importProblemText, leftOutTexts } from '../features/cohorts/import-text'
import type { Route } from './+types/cohort-import'
import { answering, formOf } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Import a list · Round Table' }]

export async function loader({ params, context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  const { id, name, columns } = await answering(getCohort(db, params.cohortId))
  return { cohort: { id, name, columns }, imports: await listImports(db, params.cohortId) }
}

/** The list comes back as text with what importing it would do; then the same text is imported. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { db } = context.get(servicesContext)
  const account = context.get(accountContext)
  const { cohortId } = params
  const fields = await formOf(request)
  if (fields.get('intent') === 'take-back') {
    await answering(takeBackImport(db, cohortId, String(fields.get('importId'))))
    await noteDeed(db, account, { kind: 'import-taken-back', thing: { kind: 'cohort', id: cohortId } })
    return { step: 'taken-back' as const }
  }
  const source = await sourceOf(fields)
  if ('problem' in source) return data({ step: 'problem' as const, ...source }, { status: 400 })
  const asked = importForm.parse(Object.fromEntries(fields))
  const list = { text: source.text, onlyClass: asked.class, matching: asked.matching }
  if (fields.get('intent') === 'rows') {
    const rows = await answering(moreRows(db, cohortId, list, asked.outcome, asked.from))
    return { step: 'rows' as const, rows }
  }
  if (fields.get('intent') === 'import') {
    const imported = await answering(importPeople(db, cohortId, account.displayName, list))
    if (imported.ok) {
      await noteDeed(db, account, { kind: 'list-imported', thing: { kind: 'cohort', id: cohortId } })
      return { step: 'imported' as const, importId: imported.value }
    }
  }
  const plan = await answering(previewImport(db, cohortId, list))
  const step = { step: 'preview' as const, source, chosenClass: asked.class, plan }
  return plan.ok ? step : data({ ...step, problem: importProblemText(plan.problem) }, { status: 400 })
}

/** A list as text, in characters: 5,000 people with 200 each. It goes to the browser and back. */
const LONGEST_TEXT = 1_000_000

type Source = Omit<ReadList, 'leftOut'> & { notes: string[] }

async function sourceOf(fields: FormData): Promise<Source | { text: string; problem: string }> {
  // A browser sends a file without a name or content where none was chosen.
  const files = fields.getAll('file').filter(file => file instanceof File && file.name !== '') as File[]
  const text = String(fields.get('text') ?? '')
  if (files.length === 0) {
    if (!text.trim()) return { text, problem: fileProblemText({ code: 'nothing' }) }
    const classes = fields.getAll('classes').map(String)
    const notes = fields.getAll('notes').map(String)
    return { text, read: String(fields.get('read') ?? 'pasted text'), classes, notes }
  }
  const empty = files.find(file => file.size === 0)
  if (empty) return { text, problem: fileProblemText({ code: 'empty-file', name: empty.name }) }
  if (files.reduce((sum, file) => sum + file.size, 0) > LARGEST_LIST)
    return { text, problem: fileProblemText({ code: 'too-large' }) }
  const read = await onWorkThread(
    'read',
    await Promise.all(
      files.map(async file => ({ name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) })),
    ),
  )
  if (!read.ok) return { text, problem: fileProblemText(read.problem) }
  const { leftOut, ...list } = read.value
  if (list.text.length > LONGEST_TEXT) return { text, problem: fileProblemText({ code: 'too-large-inside' }) }
  if (!list.text.trim()) return { text, problem: fileProblemText({ code: 'nothing' }) }
  return { ...list, notes: leftOut ? leftOutTexts(leftOut) : [] }
}

export default function CohortImport({ loaderData, actionData }: Route.ComponentProps) {
  return <ImportPage {...loaderData} result={actionData} />
}
