/** Why what somebody chose was not taken. */
export type ChoiceRefusal =
  | { code: 'closed' }
  | { code: 'name-taken' }
  | { code: 'no-such-name' }
  | { code: 'no-such-topic' }
  | { code: 'too-many-wishes'; most: number }
  | { code: 'topic-full'; name: string }
