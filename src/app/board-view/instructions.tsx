import { chakra } from '@chakra-ui/react'

/** The written instructions of a board, step by step. */
export function Instructions({ steps, large = false }: { steps: string[]; large?: boolean }) {
  if (steps.length === 0) return null
  return (
    <chakra.ol ps="1.4em" listStyleType="decimal" fontSize={large ? 'l' : 'm'} lineHeight="1.45">
      {[...new Set(steps)].map(step => (
        <li key={step}>{step}</li>
      ))}
    </chakra.ol>
  )
}
