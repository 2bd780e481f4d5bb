/** Boards to begin from: ways of working in groups that are common in the trade, in words of our own. */
import type { Board } from './board'
import type { Prompt } from './prompts/kinds'

export interface Starter {
  /** Stands in addresses. */
  key: string
  /** When it serves, in one line. */
  when: string
  board: Board
}

const cards = (
  id: string,
  text: string,
  settings: Extract<Prompt, { kind: 'cards' }>['settings'] = {},
): Prompt => ({
  id,
  kind: 'cards',
  text,
  settings,
})
const sheet = (id: string, text: string): Prompt => ({ id, kind: 'sheet', text, settings: {} })
const inPart = (part: string, prompt: Prompt): Prompt => ({ ...prompt, part })

export const STARTERS: readonly Starter[] = [
  {
    key: 'think-pair-share',
    when: 'Everybody thinks first, then two compare: for questions on which the loudest would otherwise speak for all.',
    board: {
      title: 'Think, pair, share',
      steps: [
        'Think alone for two minutes and write one card.',
        'When the cards are shown, read each other’s aloud.',
      ],
      prompts: [
        cards('think', 'What comes to your mind first?', { mostEach: 1, seen: 'when-opened' }),
        inPart('share', sheet('together', 'What do you agree on, and what not?')),
        inPart('share', {
          id: 'say',
          kind: 'short-answers',
          text: 'For the whole group',
          settings: { fields: ['In one sentence'] },
        }),
      ],
      parts: [
        {
          id: 'share',
          title: 'Compare',
          steps: ['Say what surprised you.', 'Agree on one sentence for the whole group.'],
          minutes: 5,
          opens: 'done',
        },
      ],
    },
  },
  {
    key: 'jigsaw-experts',
    when: 'First round of a jigsaw: each group becomes expert in one piece, to explain it in other groups after.',
    board: {
      title: 'Jigsaw: experts',
      steps: [
        'Read your piece together.',
        'Write what the others must know of it.',
        'Try to explain it in two minutes.',
      ],
      prompts: [
        cards('must', 'What must everybody know of this piece?', { mostGroup: 7 }),
        {
          id: 'hard',
          kind: 'choice',
          text: 'What will be hard to explain?',
          settings: {
            options: ['The words', 'The numbers', 'Why it matters', 'Nothing'],
            by: 'each',
            reasons: true,
          },
        },
        {
          id: 'ready',
          kind: 'checklist',
          text: 'Before you part',
          settings: {
            lines: ['Everybody has explained it once', 'We have an example', 'We know what we do not know'],
            add: true,
          },
        },
      ],
    },
  },
  {
    key: 'jigsaw-home',
    when: 'Second round of a jigsaw: one expert of each piece, who put the whole together.',
    board: {
      title: 'Jigsaw: the whole',
      steps: ['One after the other explains their piece.', 'The others write down what they say.'],
      prompts: [
        {
          id: 'pieces',
          kind: 'table',
          text: 'What each of you brought',
          settings: { columns: ['Their piece', 'What I did not know'], rows: 'people', lines: [] },
        },
        sheet('whole', 'How does it all fit together?'),
      ],
    },
  },
  {
    key: 'station',
    when: 'For rooms through which groups go one after the other: what one leaves, the next goes on from.',
    board: {
      title: 'At a station',
      steps: ['Look at what the group before you left.', 'Try it yourselves.', 'Add what is new.'],
      prompts: [
        cards('found', 'What did you find?', { columns: ['Seen', 'Heard', 'Wondered'] }),
        {
          id: 'measured',
          kind: 'short-answers',
          text: 'What you measured',
          settings: { fields: ['Where', 'How much | |'] },
        },
      ],
    },
  },
  {
    key: 'gallery-walk',
    when: 'Groups look at what the others made and leave remarks: after any task with something to show.',
    board: {
      title: 'Gallery walk',
      steps: ['Look for two minutes without talking.', 'Leave a remark for those who made it.'],
      prompts: [
        cards('remarks', 'What do you leave them?', { columns: ['I like', 'I ask', 'I would add'] }),
        {
          id: 'best',
          kind: 'points',
          text: 'Which remarks help most?',
          settings: { over: 'remarks', by: 'each', points: 3 },
        },
      ],
    },
  },
  {
    key: 'for-and-against',
    when: 'A question with two sides: reasons first, and only then a decision.',
    board: {
      title: 'For and against',
      steps: ['Find reasons for both sides, also those you do not share.', 'Then decide.'],
      prompts: [
        cards('reasons', 'Reasons', { columns: ['For', 'Against'] }),
        inPart('decide', {
          id: 'weigh',
          kind: 'points',
          text: 'Which reasons weigh most?',
          settings: { over: 'reasons', by: 'each', points: 3 },
        }),
        inPart('decide', {
          id: 'decision',
          kind: 'choice',
          text: 'What do you decide?',
          settings: { options: ['For', 'Against', 'It depends'], by: 'group', reasons: true },
        }),
      ],
      parts: [{ id: 'decide', title: 'Decide', steps: ['Weigh, then decide.'], minutes: 5, opens: 'done' }],
    },
  },
  {
    key: 'question-twice',
    when: 'A question with one right answer that many get wrong: answered alone, talked over, answered again.',
    board: {
      title: 'A question, talked over',
      steps: ['Answer alone, and say why.', 'Then persuade each other.'],
      prompts: [
        {
          id: 'first',
          kind: 'choice',
          text: 'Your answer',
          settings: { options: ['First answer', 'Second answer', 'Third answer'], by: 'each', reasons: true },
        },
        inPart('again', {
          id: 'second',
          kind: 'choice',
          text: 'Your answer now',
          settings: { options: ['First answer', 'Second answer', 'Third answer'], by: 'each', reasons: true },
        }),
        inPart('again', sheet('changed', 'What changed somebody’s mind?')),
      ],
      parts: [
        {
          id: 'again',
          title: 'Once more',
          steps: ['Answer again, each for yourselves.'],
          minutes: 3,
          opens: 'after',
          after: 6,
        },
      ],
    },
  },
  {
    key: 'one-minute',
    when: 'The last minutes of a session: what stays, and what is still open.',
    board: {
      title: 'One minute',
      steps: ['Write alone, for one minute.'],
      prompts: [
        cards('stays', 'What do you take along?', { mostEach: 1 }),
        cards('open', 'What is still open?', { mostEach: 1 }),
        {
          id: 'sure',
          kind: 'scale',
          text: 'How sure do you feel?',
          settings: { low: 'Lost', high: 'I could explain it', steps: 5, reasons: false },
        },
      ],
    },
  },
  {
    key: 'before-and-after',
    when: 'Where opinions may move: a scale before the talk, and the same one after.',
    board: {
      title: 'Before and after',
      steps: ['Take your place before you talk.', 'Hear the two who stand farthest apart first.'],
      prompts: [
        {
          id: 'before',
          kind: 'scale',
          text: 'Where do you stand?',
          settings: { low: 'Against', high: 'For', steps: 7, reasons: true },
        },
        inPart('after', {
          id: 'after',
          kind: 'scale',
          text: 'And now?',
          settings: { low: 'Against', high: 'For', steps: 7, reasons: true },
        }),
      ],
      parts: [{ id: 'after', title: 'After the talk', steps: ['Take your place again.'], opens: 'hand' }],
    },
  },
  {
    key: 'case-with-roles',
    when: 'A case that looks different to each who is in it: everybody speaks for somebody.',
    board: {
      title: 'A case, in roles',
      steps: [
        'Share out who speaks for whom.',
        'Say what each wants, and why.',
        'Look for what all could live with.',
      ],
      prompts: [
        {
          id: 'roles',
          kind: 'checklist',
          text: 'Who speaks for whom?',
          settings: { lines: ['Neighbour', 'Visitor', 'Warden', 'Farmer'], add: true },
        },
        {
          id: 'wants',
          kind: 'table',
          text: 'What each wants',
          settings: {
            columns: ['Wants', 'Because', 'Could live with'],
            rows: 'given',
            lines: ['Neighbour', 'Visitor', 'Warden', 'Farmer'],
          },
        },
        sheet('way', 'What could all live with?'),
      ],
    },
  },
  {
    key: 'ask-each-other',
    when: 'To get to know each other or each other’s views: everybody asks, and writes what the other says.',
    board: {
      title: 'Ask each other',
      steps: ['Gather questions.', 'Ask each other, and write down what the other says.'],
      prompts: [
        cards('questions', 'What would you like to ask?', { mostEach: 2 }),
        {
          id: 'answers',
          kind: 'table',
          text: 'What the other said',
          settings: { columns: ['What they said', 'What surprised me'], rows: 'people', lines: [] },
        },
      ],
    },
  },
  {
    key: 'in-order',
    when: 'Steps, causes or priorities: the group has to agree on one order, and rooms can be compared.',
    board: {
      title: 'Put it in order',
      steps: ['Put the lines in order together.', 'Write what you could not agree on.'],
      prompts: [
        {
          id: 'order',
          kind: 'put-in-order',
          text: 'What comes first?',
          settings: { lines: ['Listen', 'Look', 'Draw', 'Name', 'Tell'] },
        },
        sheet('unsure', 'What could you not agree on?'),
      ],
    },
  },
  {
    key: 'first-words',
    when: 'To begin: what everybody already connects with the matter, as a cloud that grows.',
    board: {
      title: 'First words',
      steps: ['Write up to three words, without thinking long.', 'Talk about the largest.'],
      prompts: [
        { id: 'words', kind: 'words', text: 'What comes to your mind?', settings: { mostEach: 3 } },
        { id: 'map', kind: 'sheet', text: 'Which word needs explaining?', settings: {} },
      ],
    },
  },
]

export const starterNamed = (key: string | null): Starter | undefined =>
  STARTERS.find(starter => starter.key === key)
