import { chakra, Flex, Stack } from '@chakra-ui/react'
import { useState } from 'react'
import { Link, useFetcher } from 'react-router'
import { ASKED_KINDS, type AskedKind } from '~/core/choices/asked'
import { Button } from '../../ui/button'
import { Choice, Field, Input } from '../../ui/fields'
import { Message, PageHead, Section } from '../../ui/layout'

interface Row {
  key: number
  name: string
  min: string
  max: string
}

/** What is wrong with the form, by the path of the field. */
export interface ChoiceFormFaults {
  faults: { path: string; message: string }[]
}

export const KIND_WORDS: Record<AskedKind, string> = {
  wishes: 'everybody ranks wishes, and they are shared out when you close the choice',
  'first-come': 'first come, first served: whoever takes a place has it',
  question: 'a quick question: groups can be mixed or matched by the answers',
}

/** A new choice: what it is about, how it is shared out, and the topics with their sizes. */
export function ChoiceEditor({ cohort }: { cohort: { id: string; name: string; people: number } }) {
  const fetcher = useFetcher<ChoiceFormFaults>()
  const [title, setTitle] = useState('')
  const [kind, setKind] = useState<AskedKind>('wishes')
  const [wishes, setWishes] = useState('3')
  const [rows, setRows] = useState<Row[]>(() => [0, 1, 2].map(key => ({ key, name: '', min: '2', max: '6' })))
  const faultAt = (path: string) =>
    fetcher.data?.faults.filter(fault => fault.path === path).map(fault => fault.message)
  const change = (key: number, part: Partial<Row>) =>
    setRows(before => before.map(row => (row.key === key ? { ...row, ...part } : row)))
  const question = kind === 'question'
  const places = rows.reduce((sum, row) => sum + (Number(row.max) || 0), 0)
  const save = () =>
    fetcher.submit(
      JSON.stringify({
        title,
        kind,
        wishes: Number(wishes),
        topics: rows.map(({ name, min, max }) =>
          question ? { name, min: 1, max: 500 } : { name, min: Number(min), max: Number(max) },
        ),
      }),
      { method: 'post', encType: 'application/json' },
    )
  const general = faultAt('topics')
  return (
    <>
      <PageHead title="Open a choice" under={<Link to={`/cohorts/${cohort.id}`}>{cohort.name}</Link>} />
      <Stack gap="20px" maxW="720px">
        <Field label={question ? 'Question' : 'What is chosen'} errors={faultAt('title')}>
          {parts => (
            <Input
              {...parts}
              value={title}
              maxLength={80}
              placeholder="Which station do you want to teach?"
              onChange={event => setTitle(event.target.value)}
            />
          )}
        </Field>
        <chakra.fieldset>
          <chakra.legend fontWeight="600" fontSize="s">
            How it is shared out
          </chakra.legend>
          <Stack gap="0">
            {ASKED_KINDS.map(each => (
              <Choice key={each} name="kind" checked={kind === each} onChange={() => setKind(each)}>
                {KIND_WORDS[each]}
              </Choice>
            ))}
          </Stack>
        </chakra.fieldset>
        {kind === 'wishes' && (
          <chakra.div w="160px">
            <Field label="Wishes each" errors={faultAt('wishes')}>
              {parts => (
                <Input
                  {...parts}
                  type="number"
                  min={1}
                  max={10}
                  value={wishes}
                  onChange={event => setWishes(event.target.value)}
                />
              )}
            </Field>
          </chakra.div>
        )}
        <Section title={question ? 'Answers to choose from' : 'Topics'}>
          <Stack gap="8px">
            {rows.map((row, index) => (
              <Flex key={row.key} gap="8px" align="flex-start" wrap="wrap">
                <chakra.div flex="1" minW="180px">
                  <Field
                    label={`${question ? 'Answer' : 'Topic'} ${index + 1}`}
                    errors={faultAt(`topics.${index}.name`)}
                  >
                    {parts => (
                      <Input
                        {...parts}
                        value={row.name}
                        maxLength={60}
                        onChange={event => change(row.key, { name: event.target.value })}
                      />
                    )}
                  </Field>
                </chakra.div>
                {!question && (
                  <>
                    <chakra.div w="90px">
                      <Field label="Fewest" errors={faultAt(`topics.${index}.min`)}>
                        {parts => (
                          <Input
                            {...parts}
                            type="number"
                            min={1}
                            value={row.min}
                            onChange={event => change(row.key, { min: event.target.value })}
                          />
                        )}
                      </Field>
                    </chakra.div>
                    <chakra.div w="90px">
                      <Field label="Most" errors={faultAt(`topics.${index}.max`)}>
                        {parts => (
                          <Input
                            {...parts}
                            type="number"
                            min={1}
                            value={row.max}
                            onChange={event => change(row.key, { max: event.target.value })}
                          />
                        )}
                      </Field>
                    </chakra.div>
                  </>
                )}
                <Button
                  kind="bare"
                  size="small"
                  mt="26px"
                  disabled={rows.length <= 2}
                  aria-label={`Take ${question ? 'answer' : 'topic'} ${index + 1} away`}
                  onClick={() => setRows(before => before.filter(other => other.key !== row.key))}
                >
                  Remove
                </Button>
              </Flex>
            ))}
            <Flex gap="16px" align="center" wrap="wrap">
              <Button
                size="small"
                disabled={rows.length >= 60}
                onClick={() =>
                  setRows(before => [
                    ...before,
                    { key: Math.max(...before.map(row => row.key)) + 1, name: '', min: '2', max: '6' },
                  ])
                }
              >
                {question ? 'Add an answer' : 'Add a topic'}
              </Button>
              {!question && (
                <chakra.output color={places < cohort.people ? 'stop' : 'quiet'}>
                  {places} places for {cohort.people} people on the list
                </chakra.output>
              )}
            </Flex>
            {general && general.length > 0 && <Message kind="problem">{general.join(' ')}</Message>}
          </Stack>
        </Section>
        <div>
          <Button kind="main" onClick={save} disabled={fetcher.state !== 'idle'}>
            {question ? 'Ask the question' : 'Open the choice'}
          </Button>
        </div>
      </Stack>
    </>
  )
}
