import { writeCsv } from '~/core/formats/csv'
import { peopleTable } from '~/core/formats/people-export'
import { getCohort } from '~/server/cohorts/cohorts.server'
import { servicesContext } from '~/server/services.server'
import type { Route } from './+types/cohort-list-file'
import { answering, csvFile } from './helpers.server'

/** A cohort's list, as it could be imported again. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const cohort = await answering(getCohort(context.get(servicesContext).db, params.cohortId))
  return csvFile('list.csv', writeCsv(peopleTable(cohort.people, cohort.columns)))
}
