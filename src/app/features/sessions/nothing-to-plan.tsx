import { Link } from 'react-router'
import { Empty } from '../../ui/layout'

/** Why nothing can be planned yet, and where to begin. */
export function NothingToPlan({ groupings, groupingId }: { groupings: number; groupingId: string }) {
  return (
    <Empty>
      {groupings === 0 ? (
        <>
          A session needs a grouping. Open a <Link to="/cohorts">cohort</Link> and make groups of it first.
        </>
      ) : (
        <>
          A session needs a board. <Link to={`/boards/new?plan=${groupingId}`}>Make a board</Link>; you come
          back here with it.
        </>
      )}
    </Empty>
  )
}
