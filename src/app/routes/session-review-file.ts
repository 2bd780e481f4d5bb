import { data } from 'react-router'
import { asCsvFile, writeCsv } from '~/core/formats/csv'
import { peopleRows, reportMarkdown, type SessionReport, workRows } from '~/core/review/report'
import { noteDeed } from '~/server/deeds/deeds.server'
import { questionsTable, reportOf, reviewSession } from '~/server/review/review.server'
import { accountContext, type Services, servicesContext } from '~/server/services.server'
import type { Route } from './+types/session-review-file'
import { answering } from './helpers.server'

interface ReviewFile {
  type: string
  write: (services: Services, sessionId: string) => Promise<string>
}

const ofReport =
  (write: (report: SessionReport) => string): ReviewFile['write'] =>
  async ({ db, boards, hub }, sessionId) =>
    write(reportOf(await reviewSession(db, boards, sessionId, hub.timeOf(sessionId))))

const CSV = 'text/csv; charset=utf-8'
const asCsv = (rows: Parameters<typeof writeCsv>[0]) => asCsvFile(writeCsv(rows))
const FILES: Record<string, ReviewFile> = {
  'review.md': { type: 'text/markdown; charset=utf-8', write: ofReport(reportMarkdown) },
  'answers.csv': { type: CSV, write: ofReport(report => asCsv(workRows(report))) },
  'people.csv': { type: CSV, write: ofReport(report => asCsv(peopleRows(report))) },
  'questions.csv': {
    type: CSV,
    write: async ({ db, hub }, sessionId) =>
      asCsv(await questionsTable(db, sessionId, hub.timeOf(sessionId))),
  },
}

/** What a session left, as files in open formats. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const file = Object.hasOwn(FILES, params.file) && FILES[params.file]
  if (!file) throw data('There is no such file.', { status: 404 })
  const services = context.get(servicesContext)
  const { db, hub } = services
  const body = await answering(file.write(services, params.sessionId))
  // A rehearsal leaves no trace.
  if (hub.paceOf(params.sessionId) === null)
    await noteDeed(db, context.get(accountContext), {
      kind: 'review-exported',
      thing: { kind: 'session', id: params.sessionId },
    })
  return new Response(body, {
    headers: {
      'Content-Type': file.type,
      'Content-Disposition': `attachment; filename="${params.file}"`,
    },
  })
}
