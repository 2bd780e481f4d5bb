import type { ChoiceRefusal } from '~/contracts/choice'
import type { ChoiceProblem } from '~/core/choices/share'

/** Why a choice was not taken, in words. */
export function choiceRefusalText(refusal: ChoiceRefusal): string {
  switch (refusal.code) {
    case 'closed':
      return 'The choice is closed.'
    case 'name-taken':
      return 'Somebody has already taken this name. If it is yours, ask your facilitator to free it.'
    case 'no-such-name':
      return 'This name is no longer on the list.'
    case 'no-such-topic':
      return 'One of these topics is no longer there. Choose again.'
    case 'too-many-wishes':
      return `At most ${refusal.most} wishes.`
    case 'topic-full':
      return `The last place in ${refusal.name} has just been taken. Choose another.`
  }
}

/** Why people could not be shared out, in words. */
export function choiceProblemText(problem: ChoiceProblem): string {
  return problem.code === 'too-few-places'
    ? `There are ${problem.places} places for ${problem.people} people: let a topic take more.`
    : `The topics need ${problem.needed} people at least, and there are ${problem.people}.`
}
