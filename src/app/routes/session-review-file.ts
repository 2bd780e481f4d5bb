import { data } from 'react-router'
import { asCsvFile, writeCsv } from '~/core/formats/csv'
import { peopleRows, reportMarkdown, type SessionReport, workRows } from '~/core/review/report'
import { noteDeed } from '~/server/deeds/deeds.server'
import { reportOf, reviewSession } from '~/server/review/review.server'
import { accountContext, servicesContext } from '~/server/services.server'
import type { Route } from './+types/session-review-file'
import { answering } from './helpers.server'

const FILES: Record<string, { type: string; write: (report: SessionReport) => string }> = {
  'review.md': { type: 'text/markdown; charset=utf-8', write: reportMarkdown },
  'answers.csv': { type: 'text/csv; charset=utf-8', write: report => asCsvFile(writeCsv(workRows(report))) },
  'people.csv': { type: 'text/csv; charset=utf-8', write: report => asCsvFile(writeCsv(peopleRows(report))) },
}

/** What a session left, as files in open formats. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const file = Object.hasOwn(FILES, params.file) && FILES[params.file]
  if (!file) throw data('There is no such file.', { status: 404 })
  const { db, boards, hub } = context.get(servicesContext)
  const review = await answering(reviewSession(db, boards, params.sessionId, hub.timeOf(params.sessionId)))
  const body = file.write(reportOf(review))
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
