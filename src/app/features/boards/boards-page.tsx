import { chakra } from '@chakra-ui/react'
import { Link } from 'react-router'
import { isFoundBy } from '~/core/people/shown-name'
import { RemoveButton, RemovedFold } from '../../removals/remove-button'
import { ButtonLink } from '../../ui/button'
import { FilteredRows } from '../../ui/filtered-rows'
import { Empty, PageHead, Row } from '../../ui/layout'

interface BoardsPageProps {
  boards: { id: string; title: string; steps: string[]; prompts: { text: string }[] }[]
}

export function BoardsPage({ boards }: BoardsPageProps) {
  return (
    <>
      <PageHead title="Boards" under="What groups work on. Every room of a session gets its own copy.">
        <ButtonLink kind="main" to="/boards/new">
          Make a board
        </ButtonLink>
      </PageHead>
      {boards.length === 0 ? (
        <Empty>
          No board yet. Make one: up to three steps of instructions, and prompts with space to answer.
        </Empty>
      ) : (
        <FilteredRows label="Boards" items={boards} words={({ title }) => [title]} isFoundBy={isFoundBy}>
          {board => (
            <Row key={board.id}>
              <Link to={`/boards/${board.id}`}>{board.title}</Link>
              <chakra.span color="quiet">
                {board.prompts.length === 1 ? '1 prompt' : `${board.prompts.length} prompts`}:{' '}
                {board.prompts
                  .map(prompt => prompt.text)
                  .join(' · ')
                  .slice(0, 90)}
              </chakra.span>
              <RemoveButton kind="board" id={board.id} name={board.title} />
            </Row>
          )}
        </FilteredRows>
      )}
      <RemovedFold kind="board" listed={boards.length} />
    </>
  )
}
