import { Box, chakra, Flex, Grid } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { Form, Link, useFetcher, useRevalidator } from 'react-router'
import type { AskedKind, ChoiceTopic } from '~/core/choices/asked'
import type { ChoiceProblem } from '~/core/choices/share'
import { isFoundBy } from '~/core/people/shown-name'
import { Button, ButtonLink } from '../../ui/button'
import { FilteredRows } from '../../ui/filtered-rows'
import { Message, PageHead, Row, Section, Tag } from '../../ui/layout'
import { choiceProblemText } from './choice-text'
import { WishFields } from './wish-fields'

interface ChoicePageProps {
  /** The column the answers were just kept as. */
  kept?: string
  problem?: string | null
  choice: { title: string; kind: AskedKind; wishes: number; topics: ChoiceTopic[]; phase: 'open' | 'closed' }
  cohort: { id: string; name: string }
  choiceId: string
  link: { address: string; image: string }
  people: { id: string; shownName: string; wishes: string[] | null; held: boolean }[]
  shared:
    | {
        ok: true
        groups: { topicId: string; people: { id: string; rank: number | null }[] }[]
        unplacedIds: string[]
      }
    | { ok: false; problem: ChoiceProblem }
}

const LOOK_AGAIN_MS = 5_000

/** A choice as the facilitator sees it: the link, who chose what, and the groups that come of it. */
export function ChoicePage(props: ChoicePageProps) {
  const { choice, cohort, choiceId, link, people, shared, kept, problem } = props
  const { revalidate } = useRevalidator()
  const [changing, setChanging] = useState<string | null>(null)
  const open = choice.phase === 'open'
  const question = choice.kind === 'question'
  useEffect(() => {
    if (!open || changing) return
    const timer = setInterval(() => document.visibilityState === 'visible' && revalidate(), LOOK_AGAIN_MS)
    return () => clearInterval(timer)
  }, [open, changing, revalidate])
  const names = new Map(people.map(person => [person.id, person.shownName]))
  const chosen = people.filter(person => person.wishes !== null && person.wishes.length > 0)
  const chosenIds = new Set(chosen.map(person => person.id))
  const hasChosen = (id: string) => chosenIds.has(id)
  return (
    <>
      <PageHead title={choice.title} under={<Link to={`/cohorts/${cohort.id}`}>{cohort.name}</Link>}>
        <Tag kind={open ? 'live' : 'plain'}>{open ? 'open' : 'closed'}</Tag>
        <Form method="post">
          <input type="hidden" name="intent" value={open ? 'close' : 'reopen'} />
          <Button type="submit" kind={open ? 'main' : 'plain'}>
            {open ? 'Close the choice' : 'Open it again'}
          </Button>
        </Form>
        {question ? (
          <Form method="post">
            <input type="hidden" name="intent" value="keep" />
            <Button type="submit" kind={open ? 'plain' : 'main'}>
              Keep as a column
            </Button>
          </Form>
        ) : (
          <ButtonLink
            kind={open ? 'plain' : 'main'}
            to={`/cohorts/${cohort.id}/groupings/new?choice=${choiceId}`}
          >
            Make groups of it
          </ButtonLink>
        )}
      </PageHead>
      {kept && (
        <chakra.div mb="16px">
          <Message kind="good">
            The answers are kept as the column “{kept}”.{' '}
            <Link to={`/cohorts/${cohort.id}/groupings/new`}>Make groups</Link> mixed or alike by it.
          </Message>
        </chakra.div>
      )}
      {problem && (
        <chakra.div mb="16px">
          <Message kind="problem">{problem}</Message>
        </chakra.div>
      )}
      <Grid templateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) 300px' }} gap="28px" alignItems="start">
        <Box minW="0">
          <Section title={question ? 'What was answered' : 'As it would be shared out now'}>
            {shared.ok ? (
              <Grid templateColumns="repeat(auto-fill, minmax(210px, 1fr))" gap="12px">
                {choice.topics.map((topic, place) => {
                  const group = shared.groups[place]?.people ?? []
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
                        {group.map(({ id, rank }) => (
                          <li key={id}>
                            {names.get(id)}
                            {choice.kind === 'wishes' && (
                              <chakra.span color="quiet" fontSize="s">
                                {' '}
                                {rank !== null
                                  ? `wish ${rank}`
                                  : hasChosen(id)
                                    ? 'no wish of theirs'
                                    : 'has not chosen'}
                              </chakra.span>
                            )}
                          </li>
                        ))}
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
                {standing(shared.groups.flatMap(group => group.people.filter(({ id }) => hasChosen(id))))}
              </chakra.p>
            )}
            {shared.ok && shared.unplacedIds.length > 0 && (
              <chakra.p mt="10px">
                {question ? 'Not answered yet:' : 'In no group yet:'}{' '}
                {shared.unplacedIds.map(id => names.get(id)).join(', ')}
              </chakra.p>
            )}
          </Section>
          <Section title={`${chosen.length} of ${people.length} have ${question ? 'answered' : 'chosen'}`}>
            <FilteredRows
              label="People and what they chose"
              items={people}
              words={({ shownName }) => [shownName]}
              isFoundBy={isFoundBy}
            >
              {person => (
                <Row key={person.id}>
                  <chakra.b minW="130px">{person.shownName}</chakra.b>
                  {changing === person.id ? (
                    <Correction choice={choice} person={person} onDone={() => setChanging(null)} />
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
                          onClick={() => setChanging(person.id)}
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
        </Box>
        <Section title="For participants">
          <chakra.p mb="8px">
            Whoever has this link chooses under a name of the list:
            <br />
            <chakra.a href={link.address} overflowWrap="anywhere">
              {link.address}
            </chakra.a>
          </chakra.p>
          <chakra.img
            src={link.image}
            alt="Code to scan that leads to the choice"
            w="220px"
            bg="white"
            p="6px"
          />
        </Section>
      </Grid>
    </>
  )
}

const nameOf = (topics: ChoiceTopic[], id: string) => topics.find(topic => topic.id === id)?.name ?? ''

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
  choice: ChoicePageProps['choice']
  person: ChoicePageProps['people'][number]
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
