import type { ChoiceRefusal } from '~/contracts/choice'
import { choiceRefusalText } from './choice-text'

test.each<[ChoiceRefusal, RegExp]>([
  [{ code: 'closed' }, /closed/],
  [{ code: 'name-taken' }, /already taken/],
  [{ code: 'no-such-name' }, /no longer on the list/],
  [{ code: 'no-such-topic' }, /Choose again/],
  [{ code: 'too-many-wishes', most: 3 }, /At most 3/],
  [{ code: 'topic-full', name: 'Reeds' }, /last place in Reeds/],
])('%j is said in words', (refusal, words) => {
  expect(choiceRefusalText(refusal)).toMatch(words)
})
