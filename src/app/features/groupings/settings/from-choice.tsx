import { chakra } from '@chakra-ui/react'
import { Link } from 'react-router'
import { ButtonLink } from '../../../ui/button'
import { Row, Rows } from '../../../ui/layout'

/** A choice of the cohort that groups can come of. */
export interface ListedChoice {
  id: string
  title: string
  phase: 'open' | 'closed'
}

/** Where groups come of what people chose: the choices there are, and the way to a new one. */
export function FromChoice({ cohortId, choices }: { cohortId: string; choices: ListedChoice[] }) {
  return (
    <>
      {choices.length > 0 ? (
        <Rows label="Choices">
          {choices.map(({ id, title, phase }) => (
            <Row key={id}>
              <Link to={`/cohorts/${cohortId}/groupings/new?choice=${id}`}>{title}</Link>
              <chakra.span color="quiet">
                {phase === 'open' ? 'still open: groups as it stands now' : 'closed'}
              </chakra.span>
            </Row>
          ))}
        </Rows>
      ) : (
        <chakra.p mb="10px">
          Nothing has been asked yet. People choose among topics on their phones, and the groups come of what
          they chose.
        </chakra.p>
      )}
      <chakra.p mt="12px">
        <ButtonLink to={`/cohorts/${cohortId}/choices/new`}>Open a choice</ButtonLink>
      </chakra.p>
    </>
  )
}
