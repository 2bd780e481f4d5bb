import { useCallback } from 'react'
import { effectOfMove } from '~/core/grouping/effect'
import type { Arrangement } from '~/core/grouping/grouping'
import { ruleText } from '~/core/grouping/rule-text'
import type { MoveEffect } from '../groups/arranger'
import { shortDayText } from '../settings/rule-text'

type Effect = Parameters<typeof effectOfMove>[3]

/** What moving somebody into a group would do, in words: rules it breaks or mends, and who would meet again. */
export function useMoveEffect(
  { groups }: Arrangement,
  { rules, people, history }: Effect,
  name: (personId: string) => string,
): MoveEffect {
  return useCallback(
    (personId, groupId) => {
      const found = effectOfMove(groups, personId, groupId, { rules, people, history })
      return [
        ...found.breaks.map(rule => `breaks: ${ruleText(rule, name)}`),
        ...found.mends.map(rule => `mends: ${ruleText(rule, name)}`),
        ...found.meetsAgain.map(
          ({ personId: other, past: { lastDay } }) => `${name(other)} again, ${shortDayText(lastDay)}`,
        ),
        ...(found.leavesWithoutLead ? ['their group loses its lead'] : []),
      ]
    },
    [groups, rules, people, history, name],
  )
}
