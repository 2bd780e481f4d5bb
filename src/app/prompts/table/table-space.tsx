import { Box, chakra, Flex, Grid, Stack } from '@chakra-ui/react'
import { Plus } from 'lucide-react'
import { putCardBack, removeCard } from '~/core/boards/prompts/cards/document'
import { addRow, cellOf, LONGEST_CELL, MOST_ROWS, type TableRow } from '~/core/boards/prompts/table/document'
import { rowsOf, table } from '~/core/boards/prompts/table/table'
import { Button } from '../../ui/button'
import { newId } from '../../ui/by-chance'
import { TextArea } from '../../ui/fields'
import type { PromptSpaceProps } from '../prompt-space'
import { useAnswer, useSharedText } from '../use-shared'
import TableAnswer from './table-answer'

/** A table to fill in: wide, its columns stand beside each other; on a phone each row is a block. */
export default function TableSpace(props: PromptSpaceProps<'table'>) {
  const { prompt, connection, readOnly, full, myId, names } = props
  const { doc } = connection
  const answer = useAnswer(doc, table, prompt)
  const { columns, rows: rowsAre } = prompt.settings
  const begun = rowsOf(doc, prompt)
  if (readOnly) {
    return answer.rows.length > 0 ? (
      <TableAnswer answer={answer} />
    ) : (
      <chakra.p color="quiet">Nothing written yet.</chakra.p>
    )
  }
  const isEmpty = (id: string) =>
    answer.rows.find(row => row.id === id)?.cells.every(cell => cell.trim() === '') ?? true
  const rows = rowsAre === 'people' ? withEverybody(begun, names) : begun
  return (
    <Box>
      <Stack as="ul" gap="10px" listStyleType="none" aria-label="Rows">
        {rows.map((row, index) => (
          <Row
            key={row.id}
            {...props}
            row={row}
            name={row.label || `Row ${index + 1}`}
            columns={columns}
            // Nobody fills in their own row: the others ask them.
            mine={rowsAre === 'people' && row.id === myId}
            onBegin={() => {
              if (rowsAre === 'people') addRow(doc, prompt.id, row)
              // Another may have taken it away, empty as it was: who writes in it keeps it.
              else if (rowsAre === 'added') putCardBack(doc, prompt.id, row.id)
            }}
            // Only an empty one: nobody's words go with a row.
            onRemove={
              rowsAre === 'added' && isEmpty(row.id) ? () => removeCard(doc, prompt.id, row.id) : null
            }
          />
        ))}
      </Stack>
      {rowsAre === 'added' && (
        <Button
          mt="10px"
          minH="42px"
          disabled={full || rows.length >= MOST_ROWS}
          onClick={() => addRow(doc, prompt.id, { id: newId(), label: '' })}
        >
          <Plus size={18} aria-hidden="true" /> Add row
        </Button>
      )}
    </Box>
  )
}

/** Everybody in the room by name, and who was here and has gone since. */
function withEverybody(begun: readonly TableRow[], names: PromptSpaceProps['names']): TableRow[] {
  const here = Object.entries(names).map(([id, label]) => ({ id, label }))
  const gone = begun.filter(({ id }) => names[id] === undefined)
  return [...here, ...gone].sort((one, other) => one.label.localeCompare(other.label))
}

interface RowProps extends PromptSpaceProps<'table'> {
  row: TableRow
  name: string
  columns: readonly string[]
  mine: boolean
  onBegin: () => void
  onRemove: (() => void) | null
}

function Row({ row, name, columns, mine, full, connection, prompt, onBegin, onRemove }: RowProps) {
  const labelled = prompt.settings.rows !== 'added'
  return (
    <Box as="li" borderWidth="1px" borderRadius="6px" bg="panel" p="8px" aria-label={name}>
      {labelled && (
        <chakra.p fontWeight="600" mb="4px">
          {mine ? `${name} (you): the others ask you and write` : name}
        </chakra.p>
      )}
      <Grid templateColumns="repeat(auto-fit, minmax(min(150px, 100%), 1fr))" gap="8px">
        {columns.map((column, place) => (
          <Cell
            key={column}
            label={column}
            of={name}
            text={cellOf(connection.doc, prompt.id, row.id, place)}
            readOnly={mine || full}
            onBegin={onBegin}
          />
        ))}
      </Grid>
      {onRemove && (
        <Flex justify="flex-end">
          <Button size="small" kind="bare" aria-label={`Remove ${name.toLowerCase()}`} onClick={onRemove}>
            Remove
          </Button>
        </Flex>
      )}
    </Box>
  )
}

interface CellProps {
  label: string
  of: string
  text: ReturnType<typeof cellOf>
  readOnly: boolean
  onBegin: () => void
}

function Cell({ label, of, text, readOnly, onBegin }: CellProps) {
  const shared = useSharedText(text)
  return (
    <Box fontSize="s">
      <chakra.p color="quiet" aria-hidden="true">
        {label}
      </chakra.p>
      <TextArea
        {...shared}
        aria-label={`${of}: ${label}`}
        readOnly={readOnly}
        rows={1}
        minH="42px"
        maxLength={LONGEST_CELL}
        css={{ fieldSizing: 'content' }}
        onChange={event => {
          onBegin()
          shared.onChange(event)
        }}
      />
    </Box>
  )
}
