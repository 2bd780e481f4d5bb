import { Box, chakra, Flex } from '@chakra-ui/react'
import type { SubmissionResult } from '@conform-to/react'
import { useState } from 'react'
import { Form, Link } from 'react-router'
import type { Board } from '~/core/boards/board'
import { LONGEST_BOARD_FILE, readBoardJson } from '~/core/boards/files/board-json'
import { Button } from '../../ui/button'
import { Field, Input, TextArea } from '../../ui/fields'
import { Message, PageHead, Section } from '../../ui/layout'
import { freshId } from './builder/new-pieces'
import { Starters } from './starters'

/** Ways to begin a board: empty, from a starter, from a text, or from a file. */
export function NewBoardPage({ lastResult }: { lastResult: SubmissionResult | undefined }) {
  return (
    <Box maxW="900px">
      <PageHead title="Make a board" under={<Link to="/boards">Boards</Link>} />
      <Section title="Empty">
        <Form method="post">
          <Flex gap="10px" align="flex-end" wrap="wrap">
            <Box flex="1" minW="220px" maxW="420px">
              <Field label="Title" errors={lastResult?.error?.title ?? undefined}>
                {parts => (
                  <Input
                    {...parts}
                    name="title"
                    defaultValue={String(lastResult?.initialValue?.title ?? '')}
                    placeholder="Station notes"
                  />
                )}
              </Field>
            </Box>
            <Button type="submit" kind="main">
              Make the board
            </Button>
          </Flex>
        </Form>
      </Section>
      <Starters />
      <FromText />
    </Box>
  )
}

interface Read {
  board: Board
  notes: string[]
}

/** An outline that is pasted, or a file that was saved here, with what it becomes before it is made. */
function FromText() {
  const [text, setText] = useState('')
  const [read, setRead] = useState<Read | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const readText = async () => {
    setProblem(null)
    if (text.trim() === '') return setProblem('Paste an outline first.')
    const { readOutline } = await import('~/core/boards/files/outline')
    setRead(readOutline(text, freshId))
  }
  const readFile = async (file: File | undefined) => {
    if (!file) return
    setRead(null)
    setProblem(null)
    if (file.size > LONGEST_BOARD_FILE) return setProblem('This is more than a board holds.')
    const content = await file.text()
    if (!content.trimStart().startsWith('{')) {
      setText(content)
      const { readOutline } = await import('~/core/boards/files/outline')
      return setRead(readOutline(content, freshId))
    }
    const found = readBoardJson(content)
    if ('problem' in found) setProblem(found.problem)
    else setRead({ board: found.board, notes: [] })
  }
  return (
    <Section title="From a text or a file">
      <Field
        label="Outline or Markdown"
        hint="The first line becomes the title, headings become parts, numbered lines instructions, points prompts. A point with points below it becomes a choice."
        errors={problem ? [problem] : undefined}
      >
        {parts => (
          <TextArea
            {...parts}
            rows={7}
            value={text}
            placeholder={
              'An afternoon at the hide\n\n1. Find a place out of the wind.\n\n- What do you hear?\n- Which came first?\n  - A heron\n  - A bittern'
            }
            onChange={event => {
              setText(event.target.value)
              setRead(null)
            }}
          />
        )}
      </Field>
      <Flex gap="12px" mt="8px" align="center" wrap="wrap">
        <Button onClick={() => void readText()}>Show what it becomes</Button>
        <chakra.label>
          or a file:{' '}
          <input
            type="file"
            accept=".json,.md,.txt"
            aria-label="A board’s file, or a text"
            onChange={event => void readFile(event.target.files?.[0])}
          />
        </chakra.label>
      </Flex>
      {read && (
        <Box mt="12px">
          <Message>
            <b>{read.board.title}</b>: {counted(read.board)}.
            <chakra.ol ps="1.4em" listStyleType="decimal">
              {read.board.prompts.map(({ id, text: asked }) => (
                <li key={id}>{asked}</li>
              ))}
            </chakra.ol>
            {read.notes.map(note => (
              <p key={note}>{note}</p>
            ))}
          </Message>
          <Form method="post">
            <input type="hidden" name="board" value={JSON.stringify(read.board)} />
            <Button type="submit" kind="main" mt="8px">
              Make this board
            </Button>
          </Form>
        </Box>
      )}
    </Section>
  )
}

const counted = ({ prompts, parts = [] }: Board): string =>
  [
    parts.length > 0 && `${parts.length + 1} parts`,
    prompts.length === 1 ? '1 prompt' : `${prompts.length} prompts`,
  ]
    .filter(Boolean)
    .join(', ')
