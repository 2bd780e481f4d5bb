import type { RoleRule } from '~/core/grouping/roles'
import { Field, Select, Tick } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'
import { RULE_WORDS } from './role-words'

/** Whether and how roles are given in each room when people are sent out. */
export function RolesRule({ view: { rolesRule }, send }: { view: LiveView; send: Send }) {
  return (
    <>
      <Field label="Roles in each room">
        {parts => (
          <Select
            {...parts}
            value={rolesRule?.rule ?? ''}
            onChange={event => {
              const rule = event.target.value as RoleRule | ''
              const mayPass = rolesRule?.mayPass ?? true
              send({ type: 'set-roles', rule: rule === '' ? null : { rule, mayPass } })
            }}
          >
            <option value="">none</option>
            {(Object.keys(RULE_WORDS) as RoleRule[]).map(rule => (
              <option key={rule} value={rule}>
                {RULE_WORDS[rule]}
              </option>
            ))}
          </Select>
        )}
      </Field>
      {rolesRule && (
        <Tick
          checked={rolesRule.mayPass}
          onChange={event =>
            send({ type: 'set-roles', rule: { rule: rolesRule.rule, mayPass: event.target.checked } })
          }
        >
          People may pass their role on
        </Tick>
      )}
    </>
  )
}
