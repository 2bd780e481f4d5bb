import type { Role } from '../../grouping/roles'
import type { RolesRule } from '../../schedule/terms'

/** A role somebody has in a room; in another room it is not theirs. */
export interface Held {
  role: Role
  roomId: string
}

export interface RolesState {
  /** How roles are given when people are sent out; null for none. */
  rolesRule: RolesRule | null
  /** By participant id, in the round that runs. */
  roles: ReadonlyMap<string, Held>
  /** Likewise, in the round before: whoever reports for it has the role of it. */
  rolesBefore: ReadonlyMap<string, Held>
  /** How often each has had which role in this session, by participant id. */
  rolesHeld: ReadonlyMap<string, Partial<Record<Role, number>>>
}
