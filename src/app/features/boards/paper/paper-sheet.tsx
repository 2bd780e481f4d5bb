import type { Board } from '~/core/boards/board'
import { partsOf } from '~/core/boards/parts'
import { paperOf } from '~/core/boards/prompts/kinds'
import type { Paper } from '~/core/boards/prompts/paper'

interface PaperSheetProps {
  board: Board
  /** Null where nobody is known: there is room for names. */
  group: { name: string; people: string[] } | null
}

/** All a board asks on a sheet of paper. Plain elements: a class has a hundred of them. */
export function PaperSheet({ board, group }: PaperSheetProps) {
  const parts = partsOf(board)
  const inOrder = parts.flatMap(({ prompts }) => prompts)
  return (
    <section className="paper" aria-label={group ? `Sheet of ${group.name}` : 'Sheet'}>
      <header>
        <h2>{board.title}</h2>
        <p>
          <b>{group?.name ?? 'Group'}</b>: {group ? group.people.join(', ') : <span className="paper-gap" />}
        </p>
      </header>
      {parts.map((part, place) => (
        <div key={part.id}>
          {place > 0 && (
            <h3>
              {part.title}
              {part.minutes !== null && <small> about {part.minutes} min</small>}
            </h3>
          )}
          {part.steps.length > 0 && (
            <ol>
              {part.steps.map(step => (
                <li key={step}>{step}</li>
              ))}
            </ol>
          )}
          {part.prompts.map(prompt => (
            <div key={prompt.id} className="paper-prompt">
              <p>
                <b>
                  {inOrder.indexOf(prompt) + 1} {prompt.text}
                </b>
              </p>
              {paperOf(prompt, group?.people ?? []).map((paper, at) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: they never change places.
                <Space key={at} paper={paper} />
              ))}
            </div>
          ))}
        </div>
      ))}
    </section>
  )
}

const places = (count: number) => Array.from({ length: count }, (_, place) => place)

function Space({ paper }: { paper: Paper }) {
  switch (paper.is) {
    case 'lines':
      return places(paper.count).map(place => <div key={place} className="paper-line" />)
    case 'boxes':
      return (
        <ul>
          {paper.labels.map((label, place) => (
            <li key={label || place}>
              <span className="paper-box" /> {label || <span className="paper-gap" />}
            </li>
          ))}
        </ul>
      )
    case 'fields':
      return paper.fields.map(({ before, after }) => (
        <p key={`${before} ${after}`}>
          {before} <span className={before ? 'paper-gap' : 'paper-box'} /> {after}
        </p>
      ))
    case 'scale':
      return (
        <p>
          {paper.low}
          {places(paper.steps).map(place => (
            <span key={place} className="paper-step">
              {place + 1}
            </span>
          ))}
          {paper.high}
        </p>
      )
    case 'text':
      return <p>{paper.text}</p>
    case 'picture':
      return (
        <figure>
          <img
            src={`/files/${paper.file}/1280.webp`}
            alt={paper.title}
            width={paper.width}
            height={paper.height}
          />
        </figure>
      )
    case 'ground':
      return <div className="paper-ground" />
    case 'grid':
      return <GridOfPaper {...paper} />
  }
}

function GridOfPaper({ columns, first }: Extract<Paper, { is: 'grid' }>) {
  const labelled = first.some(label => label !== '')
  return (
    <table>
      <thead>
        <tr>
          {labelled && <td />}
          {columns.map(column => (
            <th key={column} scope="col">
              {column}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {first.map((label, place) => (
          <tr key={label || place}>
            {labelled && <th scope="row">{label}</th>}
            {columns.map(column => (
              <td key={column} />
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
