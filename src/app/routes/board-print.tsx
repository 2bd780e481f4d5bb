import { getBoard } from '~/server/boards/boards.server'
import { getCohort } from '~/server/cohorts/cohorts.server'
import { getGrouping, listGroupings, roundOf } from '~/server/groupings/groupings.server'
import { servicesContext } from '~/server/services.server'
import { PaperPage } from '../features/boards/paper/paper-page'
import type { Route } from './+types/board-print'
import { answering } from './helpers.server'

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.board.title ?? 'Board'} on paper · Round Table` },
]

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  const asked = new URL(request.url).searchParams
  const groupingId = asked.get('grouping') ?? ''
  const round = Number(asked.get('round')) || 0
  const [board, groupings] = await Promise.all([answering(getBoard(db, params.boardId)), listGroupings(db)])
  if (groupingId === '') return { board, groupings, groupingId, round, groups: [] }
  const grouping = await answering(getGrouping(db, groupingId))
  const { people } = await answering(getCohort(db, grouping.cohortId))
  const names = new Map(people.map(person => [person.id, person.shownName]))
  const groups = roundOf(grouping, round).map(({ name, personIds }) => ({
    name,
    people: personIds.flatMap(id => names.get(id) ?? []),
  }))
  return { board, groupings, groupingId, round, groups }
}

export default function BoardPrint({ loaderData }: Route.ComponentProps) {
  return <PaperPage {...loaderData} />
}
