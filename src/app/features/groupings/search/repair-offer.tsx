import { Box, chakra } from '@chakra-ui/react'
import { Wrench } from 'lucide-react'
import type { Arrangement } from '~/core/grouping/grouping'
import { listed } from '~/core/grouping/rule-text'
import { Button } from '../../../ui/button'
import { Message } from '../../../ui/layout'
import type { Outcome } from './search-task'

interface RepairOfferProps {
  arrangement: Arrangement
  absent: ReadonlySet<string>
  /** Rules that are broken though all of them can hold. */
  brokenRules: number
  name: (personId: string) => string
  outcome: Outcome | null
  busy: boolean
  onRepair: () => void
}

/** When groups and people no longer fit: what is amiss, and a way to mend it with as few moved as can be. */
export function RepairOffer(props: RepairOfferProps) {
  const { arrangement, absent, brokenRules, name, outcome, busy, onRepair } = props
  const gone = arrangement.groups.flatMap(group => group.personIds.filter(id => absent.has(id)))
  const late = arrangement.unplacedIds.filter(id => !absent.has(id))
  const sizes = arrangement.groups.map(group => group.personIds.filter(id => !absent.has(id)).length)
  const uneven = Math.max(...sizes) - Math.min(...sizes) > 1
  const faults = [
    gone.length > 0 && `${listed(gone.map(name))} ${gone.length === 1 ? 'is' : 'are'} not here today`,
    late.length > 0 && `${listed(late.map(name))} ${late.length === 1 ? 'is' : 'are'} in no group`,
    uneven && 'sizes differ by more than one',
    brokenRules > 0 && (brokenRules === 1 ? 'a rule is broken' : `${brokenRules} rules are broken`),
  ].filter(fault => fault !== false)
  const moves = outcome?.kind === 'repair' ? outcome.moves : null
  return (
    <Box my="10px" aria-live="polite">
      {faults.length > 0 && !busy && (
        <Message kind={gone.length + late.length + brokenRules > 0 ? 'problem' : 'plain'}>
          {capital(faults.join('; '))}.{' '}
          <Button size="small" onClick={onRepair}>
            <Wrench size={15} aria-hidden="true" /> Repair, moving as few as can be
          </Button>
        </Message>
      )}
      {moves && (
        <Message kind="good">
          {moves.length === 0 ? 'Nobody had to move.' : `${moves.length} moved:`}
          {moves.length > 0 && (
            <chakra.ul pl="18px">
              {moves.map(({ personId, from, to }) => (
                <li key={personId}>
                  {name(personId)}: {from} → {to}
                </li>
              ))}
            </chakra.ul>
          )}{' '}
          {outcome?.proved ? "Fewer can't be." : 'The fewest found.'}
        </Message>
      )}
    </Box>
  )
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
