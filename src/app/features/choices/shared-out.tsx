import { chakra, Grid } from '@chakra-ui/react'
import { Message, Section } from '../../ui/layout'
import { choiceProblemText } from './choice-text'
import { type ChoiceView, whoChose } from './choice-view'

/** So many names are drawn over all topics, and so many of those who are in none. */
const MOST_NAMES = 600
const MOST_UNPLACED = 60

/** The groups that come of a choice as it stands, or the answers as they were given. */
export function SharedOut({ choice, people, shared }: Pick<ChoiceView, 'choice' | 'people' | 'shared'>) {
  const question = choice.kind === 'question'
  const names = new Map(people.map(person => [person.id, person.shownName]))
  const chosen = whoChose(people)
  const most = Math.max(5, Math.floor(MOST_NAMES / choice.topics.length))
  return (
    <Section title={question ? 'What was answered' : 'As it would be shared out now'}>
      {shared.ok ? (
        <Grid templateColumns="repeat(auto-fill, minmax(210px, 1fr))" gap="12px">
          {choice.topics.map((topic, index) => {
            const group = shared.groups[index]?.people ?? []
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
                <chakra.span color="quiet">
                  {question ? group.length : `${group.length} of ${topic.max}`}
                </chakra.span>
                <chakra.ul listStyleType="none">
                  {group.slice(0, most).map(({ id, rank }) => (
                    <li key={id}>
                      {names.get(id)}
                      {choice.kind === 'wishes' && (
                        <chakra.span color="quiet" fontSize="s">
                          {' '}
                          {rank !== null
                            ? `wish ${rank}`
                            : chosen.has(id)
                              ? 'no wish of theirs'
                              : 'has not chosen'}
                        </chakra.span>
                      )}
                    </li>
                  ))}
                  <AndMore count={group.length - most} />
                </chakra.ul>
              </chakra.section>
            )
          })}
        </Grid>
      ) : (
        <Message kind="problem">{choiceProblemText(shared.problem)}</Message>
      )}
      {shared.ok && choice.kind === 'wishes' && (
        <chakra.p mt="10px">
          {standing(shared.groups.flatMap(group => group.people.filter(({ id }) => chosen.has(id))))}
        </chakra.p>
      )}
      {shared.ok && shared.unplacedIds.length > 0 && (
        <chakra.p mt="10px">
          {question ? 'Not answered yet:' : 'In no group yet:'} {namesOf(shared.unplacedIds, names)}
        </chakra.p>
      )}
    </Section>
  )
}

const AndMore = ({ count }: { count: number }) =>
  count > 0 ? <chakra.li color="quiet">and {count} more</chakra.li> : null

function namesOf(ids: readonly string[], names: ReadonlyMap<string, string>): string {
  const shown = ids.slice(0, MOST_UNPLACED).map(id => names.get(id))
  return `${shown.join(', ')}${ids.length > MOST_UNPLACED ? ` and ${ids.length - MOST_UNPLACED} more` : ''}`
}

function standing(people: { rank: number | null }[]): string {
  const counts = new Map<number | null, number>()
  for (const { rank } of people) counts.set(rank, (counts.get(rank) ?? 0) + 1)
  const ranks = [...counts]
    .filter(([rank]) => rank !== null)
    .sort(([one], [other]) => (one ?? 0) - (other ?? 0))
  const unranked = counts.get(null) ?? 0
  const words = ranks.map(([rank, count]) => `${count} ${count === 1 ? 'has' : 'have'} wish ${rank}`)
  if (unranked > 0) words.push(`${unranked} a topic they did not wish for`)
  if (words.length === 0) return 'Nobody has chosen yet.'
  return `${words.join(', ')}. No sharing out has fewer unwished, nor a smaller sum of ranks.`
}
