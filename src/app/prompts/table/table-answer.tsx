import { Table } from '@chakra-ui/react'
import type { Answer } from '~/core/boards/prompts/kinds'

/** A table to read; rows in which nothing stands are left out. */
export default function TableAnswer({
  answer: { columns, rows, rowsAre },
}: {
  answer: Extract<Answer, { kind: 'table' }>
}) {
  const labelled = rowsAre !== 'added'
  return (
    <Table.ScrollArea tabIndex={0} role="region" aria-label="Table">
      <Table.Root size="sm">
        <Table.Header>
          <Table.Row>
            {labelled && <Table.ColumnHeader>{rowsAre === 'people' ? 'Who' : ''}</Table.ColumnHeader>}
            {columns.map(column => (
              <Table.ColumnHeader key={column}>{column}</Table.ColumnHeader>
            ))}
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {rows
            .filter(({ cells }) => cells.some(cell => cell.trim()))
            .map(({ id, label, cells }) => (
              <Table.Row key={id}>
                {labelled && <Table.Cell fontWeight="600">{label}</Table.Cell>}
                {columns.map((column, place) => (
                  <Table.Cell key={column} whiteSpace="pre-wrap" overflowWrap="anywhere">
                    {cells[place]}
                  </Table.Cell>
                ))}
              </Table.Row>
            ))}
        </Table.Body>
      </Table.Root>
    </Table.ScrollArea>
  )
}
