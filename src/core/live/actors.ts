/**
 * Who asks. The clock is the server itself doing what fell due; the door is the server on behalf of somebody who
 * joins, connects or drops, before or beside any command of theirs.
 */
export type Actor =
  | { kind: 'facilitator'; accountId: string; name: string }
  | { kind: 'participant'; participantId: string }
  | { kind: 'door' }
  | { kind: 'clock' }

export type ActorKind = Actor['kind']
