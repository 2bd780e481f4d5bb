import { Box, Flex } from '@chakra-ui/react'
import { Form, Link, useSubmit } from 'react-router'
import type { Board } from '~/core/boards/board'
import { Button } from '../../../ui/button'
import { Field, Select } from '../../../ui/fields'
import { PageHead } from '../../../ui/layout'
import { PaperSheet } from './paper-sheet'

interface PaperPageProps {
  board: Board & { id: string }
  groupings: { id: string; name: string; cohortName: string; rounds: number }[]
  /** The grouping whose groups the sheets are for; empty for one sheet without names. */
  groupingId: string
  /** From 0. */
  round: number
  groups: { name: string; people: string[] }[]
}

/** A board for pen and paper: one empty sheet, or one for each group with its names. */
export function PaperPage({ board, groupings, groupingId, round, groups }: PaperPageProps) {
  const submit = useSubmit()
  const rounds = groupings.find(({ id }) => id === groupingId)?.rounds ?? 1
  return (
    <Box>
      <Box className="off-paper">
        <PageHead
          title={`${board.title}, on paper`}
          under={<Link to={`/boards/${board.id}`}>Back to the board</Link>}
        >
          <Button kind="main" onClick={() => window.print()}>
            Print {groups.length > 1 ? `${groups.length} sheets` : 'the sheet'}
          </Button>
        </PageHead>
        <Form onChange={event => void submit(event.currentTarget)}>
          <Flex gap="12px" wrap="wrap" mb="20px">
            <Box w="340px">
              <Field label="For the groups of">
                {parts => (
                  <Select {...parts} name="grouping" defaultValue={groupingId}>
                    <option value="">nobody: an empty sheet</option>
                    {groupings.map(({ id, name, cohortName }) => (
                      <option key={id} value={id}>
                        {name} ({cohortName})
                      </option>
                    ))}
                  </Select>
                )}
              </Field>
            </Box>
            {rounds > 1 && (
              <Box w="120px">
                <Field label="Round">
                  {parts => (
                    <Select {...parts} name="round" defaultValue={round}>
                      {Array.from({ length: rounds }, (_, place) => (
                        // biome-ignore lint/suspicious/noArrayIndexKey: a round is its place.
                        <option key={place} value={place}>
                          {place + 1}
                        </option>
                      ))}
                    </Select>
                  )}
                </Field>
              </Box>
            )}
          </Flex>
        </Form>
      </Box>
      {groups.length === 0 ? (
        <PaperSheet board={board} group={null} />
      ) : (
        groups.map(group => <PaperSheet key={group.name} board={board} group={group} />)
      )}
    </Box>
  )
}
