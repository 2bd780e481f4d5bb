import { chakra, Flex } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { useFetcher } from 'react-router'
import type { Chooser } from '~/contracts/choice'
import type { ChoiceTopic } from '~/core/choices/asked'
import { isFoundBy } from '~/core/people/shown-name'
import { Button } from '../../ui/button'
import { FilteredRows } from '../../ui/filtered-rows'
import { Row, Section } from '../../ui/layout'
import { ListOnItsWay } from '../../ui/list-on-its-way'
import { useWholeList } from '../../ui/use-whole-list'
import type { ChoiceView } from './choice-view'
import { WishFields } from './wish-fields'

interface WhoChoseProps extends Pick<ChoiceView, 'choiceId' | 'choice' | 'people' | 'count' | 'chosen'> {
  changing: string | null
  /** Whose answer is being corrected. */
  onChanging: (personId: string | null) => void
}

/** Everybody with what they chose; it can be corrected by hand, and a name be freed. */
export function WhoChose({ choiceId, choice, people: first, count, chosen, ...correcting }: WhoChoseProps) {
  const { changing, onChanging } = correcting
  const list = useWholeList(`/choices/${choiceId}/people`, first, count)
  return (
    <Section title={`${chosen} of ${count} have ${choice.kind === 'question' ? 'answered' : 'chosen'}`}>
      <ListOnItsWay list={list} count={count} />
      <FilteredRows
        label="People and what they chose"
        items={list.items}
        words={({ shownName }) => [shownName]}
        isFoundBy={isFoundBy}
      >
        {person => (
          <Row key={person.id}>
            <chakra.b minW="130px">{person.shownName}</chakra.b>
            {changing === person.id ? (
              <Correction choice={choice} person={person} onDone={() => onChanging(null)} />
            ) : (
              <>
                <span>
                  {person.wishes === null || person.wishes.length === 0
                    ? person.held
                      ? 'is choosing'
                      : 'has not chosen'
                    : person.wishes.map(id => nameOf(choice.topics, id)).join(', then ')}
                </span>
                <Flex ml="auto" gap="4px">
                  {person.held && <FreeName person={person} />}
                  <Button
                    size="small"
                    kind="bare"
                    aria-label={`Change what ${person.shownName} chose`}
                    onClick={() => onChanging(person.id)}
                  >
                    Change
                  </Button>
                </Flex>
              </>
            )}
          </Row>
        )}
      </FilteredRows>
    </Section>
  )
}

const nameOf = (topics: ChoiceTopic[], id: string) => topics.find(topic => topic.id === id)?.name ?? ''

function FreeName({ person }: { person: { id: string; shownName: string } }) {
  const fetcher = useFetcher()
  return (
    <Button
      size="small"
      kind="bare"
      title="Lets them take their name again on another device; what they chose stays"
      aria-label={`Free the name ${person.shownName}`}
      onClick={() => fetcher.submit({ intent: 'free', personId: person.id }, { method: 'post' })}
    >
      Free the name
    </Button>
  )
}

interface CorrectionProps {
  choice: ChoiceView['choice']
  person: Chooser
  onDone: () => void
}

function Correction({ choice, person, onDone }: CorrectionProps) {
  const fetcher = useFetcher<{ problem?: string | null }>()
  const [wishes, setWishes] = useState(person.wishes ?? [])
  const problem = fetcher.data?.problem
  useEffect(() => {
    if (fetcher.state === 'idle' && fetcher.data && !fetcher.data.problem) onDone()
  }, [fetcher.state, fetcher.data, onDone])
  return (
    <Flex gap="8px" wrap="wrap" align="flex-end" flex="1">
      <WishFields topics={choice.topics} most={choice.wishes} wishes={wishes} onChange={setWishes} />
      <Button
        size="small"
        onClick={() =>
          fetcher.submit(
            { intent: 'correct', personId: person.id, wishes: JSON.stringify(wishes) },
            { method: 'post' },
          )
        }
      >
        Save
      </Button>
      <Button size="small" kind="bare" onClick={onDone}>
        Cancel
      </Button>
      {problem && (
        <chakra.span role="alert" color="stop" fontWeight="600">
          {problem}
        </chakra.span>
      )}
    </Flex>
  )
}
