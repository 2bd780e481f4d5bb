import { chakra, Stack } from '@chakra-ui/react'
import type { Answer } from '~/core/boards/prompts/kinds'

/** Lines with what is done, and whose they are. */
const ChecklistAnswer = ({ answer }: { answer: Extract<Answer, { kind: 'checklist' }> }) => (
  <Stack as="ul" gap="4px" listStyleType="none">
    {answer.lines.map(line => (
      <chakra.li key={line.id} overflowWrap="anywhere">
        <span aria-hidden="true">{line.done ? '☑' : '☐'}</span>{' '}
        <chakra.span srOnly>{line.done ? 'Done:' : 'Not done:'}</chakra.span> {line.text}{' '}
        {line.owner && <chakra.span color="quiet">{line.owner.name}</chakra.span>}
      </chakra.li>
    ))}
  </Stack>
)

export default ChecklistAnswer
