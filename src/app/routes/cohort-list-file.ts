import { writeCsv } from '~/core/formats/csv'
import { peopleTable } from '~/core/formats/people-export'
import { getCohort } from '~/server/cohorts/cohorts.server'
import { noteDeed } from '~/server/deeds/deeds.server'
import { accountContext, servicesContext } from '~/server/services.server'
import type { Route } from './+types/cohort-list-file'
import { answering, csvFile } from './helpers.server'

/** A cohort's list, as it could be imported again. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  const cohort = await answering(getCohort(db, params.cohortId))
  await noteDeed(db, context.get(accountContext), {
    kind: 'list-exported',
    thing: { kind: 'cohort', id: cohort.id },
    count: cohort.people.length,
  })
  return csvFile('list.csv', writeCsv(peopleTable(cohort.people, cohort.columns)))
}
