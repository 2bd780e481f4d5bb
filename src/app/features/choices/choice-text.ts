import type { ChoiceRefusal } from '~/contracts/choice'

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
