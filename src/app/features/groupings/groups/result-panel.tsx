import { chakra, Stack } from '@chakra-ui/react'
import { lazy, Suspense } from 'react'
import type { Contradiction } from '~/core/grouping/arrange'
import type { Group } from '~/core/grouping/grouping'
import type { Balance, BrokenRule, MeetAgain } from '~/core/grouping/judge'
import { listed, ruleText } from '~/core/grouping/rule-text'
import type { Rule } from '~/core/grouping/rules'
import { Message } from '../../../ui/layout'
import { loadAgain } from '../../../ui/load-again'
import type { Judged } from '../search/use-judged'
import { contradictionText, dayText } from '../settings/rule-text'

const RandomChart = lazy(() => loadAgain(() => import('./random-chart')))

interface ResultPanelProps {
  groups: Group[]
  name: (personId: string) => string
  rules: { kept: Rule[]; broken: BrokenRule[] }
  again: MeetAgain[]
  /** Ended sessions that are looked at for who has met. */
  sessions: number
  balances: Balance[]
  judged: Judged | null
  /** Whether anything is aimed at. */
  aimed: boolean
  proved: boolean
  contradiction: Contradiction | null
}

/** What the groups as they stand say of themselves, made or by hand. */
export function ResultPanel(props: ResultPanelProps) {
  const { groups, name, rules, again, sessions, balances, judged, aimed, proved, contradiction } = props
  const groupName = (id: string) => groups.find(group => group.id === id)?.name ?? ''
  const asked = rules.kept.length + rules.broken.length
  return (
    <Stack gap="14px">
      {contradiction && <Message kind="problem">{contradictionText(contradiction, name)}</Message>}
      {asked > 0 && (
        <div>
          <b>
            {rules.broken.length === 0
              ? `All ${asked === 1 ? 'that is asked' : `${asked} rules`} kept`
              : `${rules.kept.length} of ${asked} rules kept`}
          </b>
          {rules.broken.length > 0 && (
            <chakra.ul pl="18px">
              {rules.broken.map(broken => (
                <li key={broken.rule.id}>
                  {ruleText(broken.rule, name)}:{' '}
                  {listed([
                    ...broken.people.map(people => listed(people.map(name))),
                    ...broken.groupIds.map(groupName),
                  ])}
                </li>
              ))}
            </chakra.ul>
          )}
        </div>
      )}
      <div>
        <b>
          {again.length === 0
            ? 'Nobody meets again'
            : again.length === 1
              ? '1 pair meets again'
              : `${again.length} pairs meet again`}
        </b>
        <chakra.div fontSize="s" color="quiet">
          {sessions === 0
            ? 'Counted from the first session on that has ended; there is none yet.'
            : `Counted: two who were in one room for a minute or more in ${sessions === 1 ? 'the last session' : `one of the last ${sessions} sessions`}.`}
        </chakra.div>
        {again.length > 0 && (
          <details>
            <chakra.summary cursor="pointer">who, and when they last met</chakra.summary>
            <chakra.ul pl="18px" maxH="220px" overflowY="auto">
              {again.map(({ pair, past }) => (
                <li key={pair.join()}>
                  {listed(pair.map(name))}: {past.times === 1 ? 'once' : `${past.times} times`}, last on{' '}
                  {dayText(past.lastDay)}
                </li>
              ))}
            </chakra.ul>
          </details>
        )}
      </div>
      {balances.map(balance => (
        <BalanceTable key={balance.column} balance={balance} groupName={groupName} />
      ))}
      {aimed && judged && (
        <div>
          <b>{standing(judged, proved)}</b>
          <Suspense>
            <RandomChart cost={judged.cost} random={judged.random} />
          </Suspense>
        </div>
      )}
    </Stack>
  )
}

/** How good the groups are by the aims: proved best, or how far from what can't be bettered. */
function standing({ cost, bound, random }: Judged, proved: boolean): string {
  const median = random[Math.floor(random.length / 2)] ?? 0
  const better = random.filter(each => each < cost).length
  const compared =
    median === 0
      ? ''
      : `${Math.round((cost / median) * 100)} % of the cost of a middling random grouping; ${better === 0 ? 'none' : better} of 1,000 random ones ${better === 1 ? 'is' : 'are'} better.`
  if (proved || cost <= bound) return `Proved best. ${compared}`
  const share = Math.round((bound / cost) * 100)
  return share === 0
    ? `Best found. ${compared} Whether there are better ones is not known.`
    : `Best found. ${compared} None can cost less than ${share} % of this.`
}

function BalanceTable({ balance, groupName }: { balance: Balance; groupName: (id: string) => string }) {
  const number = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 1 })
  return (
    <details>
      <chakra.summary cursor="pointer" fontWeight="650">
        {balance.column}
        {balance.kind === 'number' && <chakra.span fontWeight="400"> {meansText(balance)}</chakra.span>}
      </chakra.summary>
      <chakra.ul pl="18px">
        {balance.groups.map(({ groupId, mean, counts }) => (
          <li key={groupId}>
            {groupName(groupId)}:{' '}
            {balance.kind === 'number'
              ? mean === null
                ? 'not known'
                : `mean ${number.format(mean)}`
              : listed(
                  Object.entries(counts).map(([value, count]) => (count > 1 ? `${count} ${value}` : value)),
                )}
          </li>
        ))}
      </chakra.ul>
    </details>
  )
}

function meansText({ groups }: Balance): string {
  const means = groups.flatMap(({ mean }) => mean ?? [])
  if (means.length === 0) return ''
  const number = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 1 })
  return `means ${number.format(Math.min(...means))} to ${number.format(Math.max(...means))}`
}
