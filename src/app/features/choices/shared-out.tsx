import { chakra, Grid } from '@chakra-ui/react'
import { Message, Section } from '../../ui/layout'
import { choiceProblemText } from './choice-text'
import type { ChoiceView } from './choice-view'

/** The groups that come of a choice as it stands, or the answers as they were given. */
export function SharedOut({ choice, shared, ...named }: Pick<ChoiceView, 'choice' | 'shared' | 'names'>) {
  const question = choice.kind === 'question'
  const names = new Map(named.names)
  return (
    <Section title={question ? 'What was answered' : 'As it would be shared out now'}>
      {shared.ok ? (
        <Grid templateColumns="repeat(auto-fill, minmax(210px, 1fr))" gap="12px">
          {choice.topics.map((topic, index) => {
            const { count = 0, first = [] } = shared.groups[index] ?? {}
            return (
              <chakra.section
                key={topic.id}
                aria-label={topic.name}
                bg="panel"
                borderWidth="1px"
                borderRadius="8px"
                p="10px"
              >
                <b>{topic.name}</b>{' '}
                <chakra.span color="quiet">{question ? count : `${count} of ${topic.max}`}</chakra.span>
                <chakra.ul listStyleType="none" css={{ '& small': { color: 'quiet', fontSize: 's' } }}>
                  {first.map(({ personId, rank, chose }) => (
                    <li key={personId}>
                      {names.get(personId)}
                      {choice.kind === 'wishes' && (
                        <small>
                          {' '}
                          {rank !== null ? `wish ${rank}` : chose ? 'no wish of theirs' : 'has not chosen'}
                        </small>
                      )}
                    </li>
                  ))}
                  <AndMore count={count - first.length} />
                </chakra.ul>
              </chakra.section>
            )
          })}
        </Grid>
      ) : (
        <Message kind="problem">{choiceProblemText(shared.problem)}</Message>
      )}
      {shared.ok && choice.kind === 'wishes' && <chakra.p mt="10px">{standing(shared.ranks)}</chakra.p>}
      {shared.ok && shared.unplaced.count > 0 && (
        <chakra.p mt="10px">
          {question ? 'Not answered yet:' : 'In no group yet:'}{' '}
          {shared.unplaced.firstIds.map(id => names.get(id)).join(', ')}
          {shared.unplaced.count > shared.unplaced.firstIds.length &&
            ` and ${shared.unplaced.count - shared.unplaced.firstIds.length} more`}
        </chakra.p>
      )}
    </Section>
  )
}

const AndMore = ({ count }: { count: number }) =>
  count > 0 ? <chakra.li color="quiet">and {count} more</chakra.li> : null

function standing(ranks: { rank: number | null; count: number }[]): string {
  const words = ranks.map(({ rank, count }) =>
    rank === null
      ? `${count} a topic they did not wish for`
      : `${count} ${count === 1 ? 'has' : 'have'} wish ${rank}`,
  )
  if (words.length === 0) return 'Nobody has chosen yet.'
  return `${words.join(', ')}. No sharing out has fewer unwished, nor a smaller sum of ranks.`
}
