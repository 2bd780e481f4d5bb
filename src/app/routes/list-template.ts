import { writeCsv } from '~/core/formats/csv'
import { peopleTable } from '~/core/formats/people-export'
import { csvFile } from './helpers.server'

/** An empty list with the headers the importer knows. */
export const loader = () => csvFile('list-template.csv', writeCsv(peopleTable([], [])))
