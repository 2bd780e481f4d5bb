import { chakra, Flex, Stack } from '@chakra-ui/react'
import { useId, useState } from 'react'
import { DUTIES } from '~/core/live/duties/duty'
import { DUTY_WORDS } from '../../live/facilitators/duty-words'
import { SmallSelect } from '../../ui/fields'
import { Section } from '../../ui/layout'
import type { Plan } from './plan'

/** So many are all shown; of more, those to whom something is given. */
const FEW = 8

interface AtTheFrontProps {
  duties: NonNullable<Plan['duties']>
  prefix: string
}

/** What each of those who may lead does from the opening on; whoever has less takes everything again by one move, in Live. */
export function AtTheFront({ duties, prefix }: AtTheFrontProps) {
  const [shownIds, setShown] = useState(() =>
    duties.flatMap(({ accountId, does }) => (duties.length <= FEW || does !== 'all' ? [accountId] : [])),
  )
  const others = duties.filter(({ accountId }) => !shownIds.includes(accountId))
  return (
    <Section title="At the front">
      <Stack gap="8px">
        {duties.map((duty, index) =>
          shownIds.includes(duty.accountId) ? (
            <OneDuty key={duty.accountId} duty={duty} name={`${prefix}[${index}]`} />
          ) : (
            <Unsaid key={duty.accountId} duty={duty} name={`${prefix}[${index}]`} />
          ),
        )}
        {others.length > 0 && (
          <SmallSelect
            aria-label="Give somebody a part of it"
            value=""
            onChange={event => setShown([...shownIds, event.target.value])}
          >
            <option value="">All others do everything. Give a part of it to…</option>
            {others.map(({ accountId, name }) => (
              <option key={accountId} value={accountId}>
                {name}
              </option>
            ))}
          </SmallSelect>
        )}
      </Stack>
    </Section>
  )
}

interface DutyProps {
  duty: AtTheFrontProps['duties'][number]
  name: string
}

/** Sent along without being shown. */
const Unsaid = ({ duty, name }: DutyProps) => (
  <>
    <input type="hidden" name={`${name}.accountId`} value={duty.accountId} />
    <input type="hidden" name={`${name}.does`} value={duty.does} />
  </>
)

function OneDuty({ duty, name }: DutyProps) {
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
