import { chakra, Flex, Stack } from '@chakra-ui/react'
import { useId } from 'react'
import { DUTIES } from '~/core/live/duties/duty'
import { DUTY_WORDS } from '../../live/facilitators/duty-words'
import { SmallSelect } from '../../ui/fields'
import { Section } from '../../ui/layout'
import type { Plan } from './plan'

interface AtTheFrontProps {
  duties: NonNullable<Plan['duties']>
  prefix: string
}

/** What each of those who may lead does from the opening on; whoever has less takes everything again by one move, in Live. */
export function AtTheFront({ duties, prefix }: AtTheFrontProps) {
  return (
    <Section title="At the front">
      <Stack gap="8px">
        {duties.map((duty, index) => (
          <OneDuty key={duty.accountId} duty={duty} name={`${prefix}[${index}]`} />
        ))}
      </Stack>
    </Section>
  )
}

function OneDuty({ duty, name }: { duty: AtTheFrontProps['duties'][number]; name: string }) {
  const id = useId()
  return (
    <Flex gap="10px" align="center">
      <input type="hidden" name={`${name}.accountId`} value={duty.accountId} />
      <chakra.label htmlFor={id} flex="1" overflowWrap="anywhere">
        {duty.name}
      </chakra.label>
      <SmallSelect id={id} name={`${name}.does`} defaultValue={duty.does}>
        {DUTIES.map(each => (
          <option key={each} value={each}>
            {DUTY_WORDS[each]}
          </option>
        ))}
      </SmallSelect>
    </Flex>
  )
}
