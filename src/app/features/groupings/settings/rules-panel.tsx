import { chakra, Flex, Stack } from '@chakra-ui/react'
import { memo, useState } from 'react'
import { useFetcher } from 'react-router'
import { ruleText } from '~/core/grouping/rule-text'
import { RULE_KINDS, type Rule } from '~/core/grouping/rules'
import { Button } from '../../../ui/button'
import { Field, Input, Select, Tick } from '../../../ui/fields'
import { Message } from '../../../ui/layout'
import type { GroupedPerson } from '../groups/grouped-person'
import { PeoplePicker } from './people-picker'

interface RulesPanelProps {
  cohortId: string
  rules: Rule[]
  people: Map<string, GroupedPerson>
  groupNames: string[]
  /** Rules this grouping does not keep. */
  offIds: ReadonlySet<string>
  /** Rules that the groups as they stand break. */
  brokenIds: ReadonlySet<string>
  onSwitch: (ruleId: string, on: boolean) => void
}

/** The cohort's rules: kept with it, switched on or off for one grouping. */
export const RulesPanel = memo(function RulesPanel(props: RulesPanelProps) {
  const { cohortId, rules, people, offIds, brokenIds, onSwitch } = props
  const removal = useFetcher<{ removedRule?: Rule | null }>()
  const [adding, setAdding] = useState(false)
  const removed = removal.data?.removedRule
  const action = `/cohorts/${cohortId}/rules`
  const name = (id: string) => people.get(id)?.shownName ?? 'somebody who left'
  return (
    <Stack gap="8px">
      {rules.length === 0 && !adding && (
        <chakra.p color="quiet">No rules are kept with this cohort yet.</chakra.p>
      )}
      {rules.length > 0 && (
        <chakra.ul listStyleType="none" aria-label="Rules">
          {rules.map(rule => (
            <chakra.li key={rule.id} py="4px" borderBottomWidth="1px">
              <Flex justify="space-between" gap="8px" align="flex-start">
                <Tick
                  checked={!offIds.has(rule.id)}
                  onChange={event => onSwitch(rule.id, event.target.checked)}
                >
                  {ruleText(rule, name)}
                  {brokenIds.has(rule.id) && (
                    <chakra.span color="ask" fontWeight="650">
                      {' '}
                      broken
                    </chakra.span>
                  )}
                </Tick>
                <Button
                  size="small"
                  kind="bare"
                  aria-label={`Remove the rule ${ruleText(rule, name)}`}
                  onClick={() =>
                    removal.submit({ intent: 'remove', ruleId: rule.id }, { method: 'post', action })
                  }
                >
                  Remove
                </Button>
              </Flex>
              {rule.reason && (
                <chakra.p color="quiet" fontSize="s" pl="28px">
                  {rule.reason}
                </chakra.p>
              )}
            </chakra.li>
          ))}
        </chakra.ul>
      )}
      {removed && !rules.some(rule => rule.id === removed.id) && (
        <Message>
          <Flex gap="10px" align="center" wrap="wrap">
            <span>The rule was removed: {ruleText(removed, name)}.</span>
            <Button
              size="small"
              onClick={() =>
                removal.submit(
                  { intent: 'restore', rule: JSON.stringify(removed) },
                  { method: 'post', action },
                )
              }
            >
              Undo
            </Button>
          </Flex>
        </Message>
      )}
      {adding ? (
        <RuleForm {...props} key={rules.length} onDone={() => setAdding(false)} />
      ) : (
        <Flex>
          <Button size="small" onClick={() => setAdding(true)}>
            Add a rule
          </Button>
        </Flex>
      )}
    </Stack>
  )
})

const KIND_WORDS: Record<Rule['kind'], string> = {
  apart: 'people apart from each other',
  together: 'people together',
  placed: 'people in a named group',
  'lead-in-each': 'a trained lead in every group',
  sizes: 'smallest and largest size',
}

function RuleForm({ cohortId, people, groupNames, onDone }: RulesPanelProps & { onDone: () => void }) {
  const fetcher = useFetcher<{ ruleProblem?: string | null }>()
  const [kind, setKind] = useState<Rule['kind']>('apart')
  const [personIds, setPersonIds] = useState<string[]>([])
  const [groupName, setGroupName] = useState(groupNames[0] ?? '')
  const [least, setLeast] = useState('2')
  const [most, setMost] = useState('4')
  const [reason, setReason] = useState('')
  const problem = fetcher.data?.ruleProblem
  const add = () => {
    const content = {
      apart: { kind, personIds },
      together: { kind, personIds },
      placed: { kind, personIds, groupName },
      'lead-in-each': { kind },
      sizes: { kind, least: Number(least), most: Number(most) },
    }[kind]
    const rule = JSON.stringify({ ...content, reason })
    fetcher.submit({ intent: 'add', rule }, { method: 'post', action: `/cohorts/${cohortId}/rules` })
  }
  const named = kind === 'apart' || kind === 'together' || kind === 'placed'
  return (
    <Stack gap="10px" borderWidth="1px" borderColor="line" borderRadius="8px" p="10px" bg="panel">
      <Field label="Rule" errors={problem ? [problem] : undefined}>
        {parts => (
          <Select {...parts} value={kind} onChange={event => setKind(event.target.value as Rule['kind'])}>
            {RULE_KINDS.map(each => (
              <option key={each} value={each}>
                {KIND_WORDS[each]}
              </option>
            ))}
          </Select>
        )}
      </Field>
      {named && <PeoplePicker people={people} chosen={personIds} onChange={setPersonIds} />}
      {kind === 'placed' && (
        <Field label="Name of the group">
          {parts => (
            <Input
              {...parts}
              list="group-names"
              value={groupName}
              maxLength={60}
              onChange={event => setGroupName(event.target.value)}
            />
          )}
        </Field>
      )}
      <datalist id="group-names">
        {groupNames.map(each => (
          <option key={each} value={each} />
        ))}
      </datalist>
      {kind === 'sizes' && (
        <Flex gap="10px">
          <Field label="Smallest">
            {parts => (
              <Input
                {...parts}
                type="number"
                min={2}
                value={least}
                onChange={event => setLeast(event.target.value)}
              />
            )}
          </Field>
          <Field label="Largest">
            {parts => (
              <Input
                {...parts}
                type="number"
                min={2}
                value={most}
                onChange={event => setMost(event.target.value)}
              />
            )}
          </Field>
        </Flex>
      )}
      <Field label="Reason" hint="For facilitators only; no participant ever sees it.">
        {parts => (
          <Input
            {...parts}
            value={reason}
            maxLength={300}
            onChange={event => setReason(event.target.value)}
          />
        )}
      </Field>
      <Flex gap="8px">
        <Button kind="main" size="small" onClick={add} disabled={fetcher.state !== 'idle'}>
          Add the rule
        </Button>
        <Button size="small" onClick={onDone}>
          Cancel
        </Button>
      </Flex>
    </Stack>
  )
}
