import { chakra, Stack } from '@chakra-ui/react'
import { lazy, Suspense } from 'react'
import { FEWEST_APART, placesOf } from '~/core/live/questions/question'
import type { Results } from '~/core/live/questions/results'
import { loadAgain } from '../../ui/load-again'
import { spreadText } from './question-words'
import { ResultBars } from './result-bars'

const ResultChart = lazy(() => loadAgain(() => import('./result-chart')))
const WordCloud = lazy(() =>
  loadAgain(() =>
    import('../../prompts/words/word-cloud').then(({ WordCloud: cloud }) => ({ default: cloud })),
  ),
)

interface ResultsShownProps {
  results: Results
  before: Results | null
  large?: boolean
  /** As a chart; otherwise as plain bars, for phones. */
  drawn: boolean
}

/** What a question has come to. */
export function ResultsShown({ results, before, large = false, drawn }: ResultsShownProps) {
  const { asks, spread, words, texts, tooFew, isOpen } = results
  if (tooFew)
    return (
      <p>
        {isOpen
          ? `Kept apart from names, answers are written down in lots of ${FEWEST_APART} or more, as they come or when the question is closed.`
          : `Fewer than ${FEWEST_APART} have answered: kept apart from names, that is not shown.`}
      </p>
    )
  const bars = <ResultBars results={results} before={before} large={large} />
  return (
    <Stack gap="8px" fontSize={large ? 'xl' : 'm'}>
      {placesOf(asks) && (drawn ? <chakra.div srOnly>{bars}</chakra.div> : bars)}
      {placesOf(asks) && drawn && (
        <Suspense fallback={null}>
          <ResultChart results={results} before={before} large={large} />
        </Suspense>
      )}
      {spread && (
        <p>
          {spreadText(asks, spread)}
          {before?.spread && (
            <chakra.span color="quiet"> Before: {spreadText(asks, before.spread)}</chakra.span>
          )}
        </p>
      )}
      {words.length > 0 && (
        <Suspense fallback={null}>
          <WordCloud
            words={words.flatMap(({ word, count }) => Array.from({ length: count }, () => word))}
            label="Words"
          />
        </Suspense>
      )}
      {texts.length > 0 && (
        <chakra.ul
          listStyleType="none"
          display="flex"
          flexDirection="column"
          gap="4px"
          maxH={large ? undefined : '220px'}
          overflowY="auto"
          // Further down is reached with the keys as well.
          tabIndex={0}
          aria-label="Answers"
        >
          {texts.map((text, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: two may answer the same.
            <li key={index}>
              <chakra.span overflowWrap="anywhere">{text}</chakra.span>
            </li>
          ))}
        </chakra.ul>
      )}
    </Stack>
  )
}
