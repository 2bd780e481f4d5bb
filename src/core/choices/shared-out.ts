import type { AskedKind, ChoiceAnswer, ChoiceTopic } from './asked'
import { type Allotment, allot } from './choice'
import { answersGiven } from './question'
import type { ChoiceProblem } from './share'

/** How people stand by what they answered so far, whatever they were asked. */
export function sharedOut(
  kind: AskedKind,
  topics: readonly ChoiceTopic[],
  personIds: readonly string[],
  answers: readonly ChoiceAnswer[],
): { ok: true; allotment: Allotment } | { ok: false; problem: ChoiceProblem } {
  return kind === 'question'
    ? { ok: true, allotment: answersGiven(topics, personIds, answers) }
    : allot(kind, topics, personIds, answers)
}
