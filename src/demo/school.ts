/** Lowmarsh Field School: an invented charity that trains volunteer wetland stewards. Everybody here is made up. */

import type { Board } from '~/core/boards/board'
import type { Picture } from '~/core/boards/prompts/shown-picture'
import type { ImportedPerson } from '~/core/formats/people-import'

export const DEMO_PASSWORD = 'lowmarsh-demo'
export const TIME_ZONE = 'Europe/London'

export const FACILITATORS = [
  { displayName: 'Marit Solheim', email: 'marit@lowmarsh.example' },
  { displayName: 'Tobias Ferrand', email: 'tobias@lowmarsh.example' },
]

type Row = [
  first: string,
  family: string,
  shownAs: string,
  years: number,
  parish: string,
  language: string,
  lead: boolean,
]

const EVENING: Row[] = [
  ['Ana', 'Pereira', '', 2, 'Lowmarsh', 'Portuguese', false],
  ['Ana', 'Petrova', '', 0, 'Eastwick', 'Bulgarian', false],
  ['Bram', 'Oosterhuis', '', 5, 'Saltby', 'Dutch', true],
  ['Chiamaka', 'Eze-Holloway', 'Chi', 1, 'Lowmarsh', 'Igbo', false],
  ['Dafydd', 'Pryce', '', 8, 'Heron Green', 'Welsh', true],
  ['Edda', '', '', 3, 'Saltby', 'Icelandic', false],
  ['Farouk', 'Benhaddou', '', 0, 'Eastwick', 'French', false],
  ['Greta', 'Lindqvist', '', 4, 'Heron Green', 'Swedish', true],
  ['Hyacinth', 'Oduya', '', 1, 'Lowmarsh', 'English', false],
  ['Inês', 'Caldeira', '', 0, 'Lowmarsh', 'Portuguese', false],
  ['Jürgen', 'Haßlacher', '', 12, 'Saltby', 'German', true],
  ['Kaveh', '', '', 2, 'Eastwick', 'Persian', false],
  ['Leocadia', 'Wojciechowska-Brennan', 'Leo W.-B.', 6, 'Heron Green', 'Polish', true],
  ['Maël', 'Kervadec', '', 1, 'Saltby', 'Breton', false],
  ['Noor', 'Achterberg', '', 0, 'Lowmarsh', 'Dutch', false],
  ['Odalys', 'Quintana', '', 3, 'Eastwick', 'Spanish', false],
  ['Pádraig', 'Ó Floinn', '', 7, 'Heron Green', 'Irish', true],
  ['Quirin', 'Steiner', '', 0, 'Lowmarsh', 'German', false],
  ['Rosalind', 'Tew', 'Roz', 15, 'Saltby', 'English', true],
  ['Søren', 'Bækgaard', '', 2, 'Eastwick', 'Danish', false],
  ['Thuy', 'Nguyen-Marsh', '', 1, 'Lowmarsh', 'Vietnamese', false],
  ['Ulla', 'Harju', '', 4, 'Heron Green', 'Finnish', false],
  ['Viktor', 'Zelenka', '', 0, 'Saltby', 'Czech', false],
  ['Wren', '', '', 9, 'Heron Green', 'English', true],
]

const WEEKEND: Row[] = [
  ['Xanthe', 'Galanis', '', 1, 'Lowmarsh', 'Greek', false],
  ['Yusuf', 'Demirkol', '', 3, 'Saltby', 'Turkish', true],
  ['Zofia', 'Nowicka', '', 0, 'Eastwick', 'Polish', false],
  ['Alder', 'Thwaite', '', 6, 'Heron Green', 'English', true],
  ['Beatriz', 'Salgueiro', '', 2, 'Lowmarsh', 'Portuguese', false],
  ['Cormac', 'Delahunt', '', 0, 'Saltby', 'English', false],
  ['Ditte', 'Vang', '', 4, 'Eastwick', 'Danish', true],
  ['Emeka', 'Obiora-Lane', '', 1, 'Lowmarsh', 'Igbo', false],
  ['Fenna', 'Hoekema', '', 0, 'Heron Green', 'Frisian', false],
]

const person = ([
  firstName,
  familyName,
  shownAs,
  years,
  parish,
  language,
  trainedToLead,
]: Row): ImportedPerson => ({
  firstName,
  familyName,
  shownAs,
  email: '',
  trainedToLead,
  columns: { 'experience (years)': String(years), 'home parish': parish, 'first language': language },
})

export const COHORTS = [
  { name: 'Evening course', people: EVENING.map(person) },
  { name: 'Weekend course', people: WEEKEND.map(person) },
]

export const STATION_BOARD: Board = {
  title: 'Station notes',
  steps: [
    'Look for two minutes without talking. Each of you adds at least one card.',
    'Write together how you would explain this station to a new steward.',
    'Decide on the last question, and say why.',
  ],
  prompts: [
    { id: 'noticed', kind: 'cards', text: 'What did you notice at this station?', settings: {} },
    {
      id: 'explain',
      kind: 'sheet',
      text: 'How would you explain this station to a new steward?',
      settings: {},
    },
    {
      id: 'class',
      kind: 'yes-no',
      text: 'Would you bring a class of ten-year-olds here in November?',
      settings: {},
    },
  ],
}

export const WALK_BOARD: Board = {
  title: 'Planning a guided walk',
  steps: ['Collect stops for a walk of one hour.', 'Write the opening words you would say at the gate.'],
  prompts: [
    { id: 'stops', kind: 'cards', text: 'Which stops belong in the walk?', settings: {} },
    { id: 'opening', kind: 'sheet', text: 'What do you say in the first minute?', settings: {} },
    { id: 'rain', kind: 'yes-no', text: 'Does the walk go ahead in steady rain?', settings: {} },
  ],
}

/** A sheet of all sorts, as it would be printed for an afternoon outside. */
export const WORKSHEET_BOARD: Board = {
  title: 'Worksheet: an afternoon at the hide',
  steps: ['Say what you expect before you look.', 'Measure and look together.', 'Ask each other, and plan.'],
  prompts: [
    {
      id: 'expect',
      kind: 'choice',
      text: 'What will we hear first?',
      settings: { options: ['A wren', 'A heron', 'The road'], by: 'each', reasons: true },
    },
    {
      id: 'ready',
      kind: 'scale',
      text: 'How ready do you feel to lead a group here?',
      settings: { low: 'Not yet', high: 'Tomorrow', steps: 5, reasons: true },
    },
    {
      id: 'measured',
      kind: 'short-answers',
      text: 'What you measured',
      settings: { fields: ['Where', 'Depth of the water | cm | 0 to 300', 'Birds seen | | 0 to 500'] },
    },
    {
      id: 'depth-hint',
      kind: 'hidden-text',
      text: 'A hint for the depth',
      settings: {
        hidden:
          'Hold the stick upright, let it sink by its own weight, and read it at the water, not at the mud.',
        opens: 'group',
      },
    },
    {
      id: 'keep',
      kind: 'cards',
      text: 'Should the hide stay open in winter?',
      settings: { columns: ['For', 'Against'], mostEach: 4 },
    },
    {
      id: 'asked',
      kind: 'table',
      text: 'Ask each other, and write down what the other says',
      settings: {
        columns: ['What brought you here', 'What you would show a friend'],
        rows: 'people',
        lines: [],
      },
    },
    {
      id: 'before',
      kind: 'checklist',
      text: 'Before you leave',
      settings: { lines: ['Shutters closed', 'Log book signed', 'Nothing left on the path'], add: true },
    },
    {
      id: 'order',
      kind: 'put-in-order',
      text: 'Put a visit in order',
      settings: { lines: ['Listen', 'Look through the glass', 'Draw', 'Name what you saw'] },
    },
    { id: 'words', kind: 'words', text: 'The hide in a word', settings: { mostEach: 3 } },
    {
      id: 'map',
      kind: 'link',
      text: 'The map of the paths',
      settings: { address: 'https://lowmarsh.example/paths' },
    },
  ],
}

export const PICTURES = [
  { name: 'two-birds.png', title: 'Two birds of the reeds' },
  { name: 'map-of-the-marsh.png', title: 'Map of the marsh' },
]

/** Looking together, on pictures of the library. */
export const lookingBoard = (pictures: Picture[]): Board => ({
  title: 'Look closely',
  steps: ['Look for a minute without a word.', 'Pin what you see to its place.', 'Draw what is missing.'],
  prompts: [
    {
      id: 'map',
      kind: 'pictures',
      text: 'Where would you stop with a group, and why there?',
      settings: { pictures: pictures.filter(({ title }) => title === 'Map of the marsh'), add: true },
    },
    {
      id: 'birds',
      kind: 'pictures',
      text: 'What tells the two birds apart?',
      settings: { pictures: pictures.filter(({ title }) => title === 'Two birds of the reeds') },
    },
    {
      id: 'which',
      kind: 'hidden-text',
      text: 'Which is which',
      settings: {
        hidden:
          'A is the heron: grey, and it stands in the open. B is the bittern: brown, and it stands like a reed.',
        opens: 'facilitator',
      },
    },
    { id: 'draw', kind: 'sketch', text: 'Draw how one of them stands when it hides', settings: {} },
  ],
})

export interface StationWork {
  station: string
  cards: string[]
  sheet: string[]
  answer: 'yes' | 'no'
  reason: string
}

/** What groups write at each station. */
export const STATIONS: StationWork[] = [
  {
    station: 'Water clarity',
    cards: [
      'The white disc vanishes at 41 cm. Last month it was 63.',
      'Brown at the inlet, clear at the outlet: the reeds do something.',
      'After rain the ditch from the road runs grey.',
      'Smells of nothing, which is a good sign.',
    ],
    sheet: [
      'Lower the disc on its line until you can no longer see it, and read the depth at the water. Do it three times and take the middle one.',
      'Always from the shaded side of the jetty, or the glare fools you.',
    ],
    answer: 'yes',
    reason: 'They can measure it themselves, and the jetty has a rail on both sides.',
  },
  {
    station: 'Pond life',
    cards: [
      'Three kinds of mayfly larva in one tray.',
      'A caddis case made of tiny snail shells.',
      'Nothing at all near the outflow pipe.',
      'The great diving beetle eats everything else in the tray.',
      'Put the tray back in the shade quickly.',
    ],
    sheet: [
      'Sweep the net in a figure of eight for half a minute, then empty it into a white tray with two fingers of water.',
      'Count kinds first, animals second. Everything goes back where it came from.',
    ],
    answer: 'no',
    reason: 'Too cold for wet hands; in May it is the best station of all.',
  },
  {
    station: 'Reeds and rushes',
    cards: [
      'Sedges have edges, rushes are round.',
      'New shoots already under the old stems.',
      'A harvest mouse nest, empty.',
    ],
    sheet: [
      'Roll the stem between two fingers: you feel the three corners of a sedge at once.',
      'Cut only the marked third of the bed each winter, so that something always stands.',
    ],
    answer: 'yes',
    reason: 'Everybody finds an edge by touch within a minute.',
  },
  {
    station: 'Birds by ear',
    cards: [
      'Water rail: a squealing piglet behind the sluice.',
      'We heard more after we stopped whispering.',
      'Teal whistle, wigeon whistle longer.',
      'A wren far louder than its size.',
    ],
    sheet: [
      'Close your eyes, turn slowly, and hold up a finger for every different voice.',
      'Name them afterwards. Counting comes before naming.',
    ],
    answer: 'no',
    reason: 'At that hour it is dark before the bus has left.',
  },
  {
    station: 'Soil and peat',
    cards: [
      'The auger comes up black for 80 cm, then blue clay.',
      'Squeeze it: the water is clear, so it is hardly rotted.',
      'A birch twig that looks a year old and is not.',
    ],
    sheet: [
      'Squeeze a handful: clear water means young peat, mud between your fingers means old.',
      'Fill the hole again in the order it came out.',
    ],
    answer: 'yes',
    reason: 'Mud, a big tool and something older than their school.',
  },
  {
    station: 'Reading the map',
    cards: [
      'The path on the map is now under water.',
      'North on the board is not north on the ground.',
      'The old sluice is marked as a bridge.',
      'Contour lines a metre apart: the whole marsh has four.',
    ],
    sheet: ['Turn the map until the church on it points at the church. Only then look for yourself on it.'],
    answer: 'yes',
    reason: 'With a stake to find at the end of every leg.',
  },
]
