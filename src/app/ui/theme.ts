import {
  createSystem,
  defaultBaseConfig,
  defineConfig,
  defineSlotRecipe,
  type SystemStyleObject,
} from '@chakra-ui/react'

/**
 * Colours are named by what they mean. `live` is what runs now, `ask` is what wants somebody, `stop` ends or removes.
 * The values stand in global style sheets below as custom properties, once for light and once for dark.
 */
const MEANINGS = [
  'paper',
  'panel',
  'sunk',
  'ink',
  'quiet',
  'line',
  'edge',
  'live',
  'onLive',
  'liveWash',
  'ask',
  'onAsk',
  'askWash',
  'stop',
  'focus',
] as const

const light = {
  paper: '#f7f5ef',
  panel: '#fffdf8',
  sunk: '#ece9df',
  ink: '#1c2526',
  quiet: '#4f5a5b',
  line: '#d8d4c7',
  edge: '#7d8380',
  live: '#0a6558',
  onLive: '#ffffff',
  liveWash: '#dcece4',
  ask: '#9c3b0c',
  onAsk: '#ffffff',
  askWash: '#fae5d5',
  stop: '#97202b',
  focus: '#1a56b8',
}

const dark: typeof light = {
  paper: '#14191a',
  panel: '#1c2324',
  sunk: '#0e1213',
  ink: '#eceeea',
  quiet: '#aeb8b5',
  line: '#343d3d',
  edge: '#84908d',
  live: '#5fd0b6',
  onLive: '#04211b',
  liveWash: '#17382f',
  ask: '#ffa875',
  onAsk: '#2d1002',
  askWash: '#452413',
  stop: '#ff9ba0',
  focus: '#8fb8ff',
}

const properties = (values: typeof light) =>
  Object.fromEntries(Object.entries(values).map(([name, value]) => [`--${name}`, value]))

const menu = defineSlotRecipe({
  className: 'menu',
  slots: ['content', 'item', 'itemGroupLabel', 'separator', 'itemGroup', 'trigger', 'positioner', 'itemText'],
  base: {
    content: {
      bg: 'panel',
      color: 'ink',
      borderWidth: '1px',
      borderColor: 'edge',
      borderRadius: '6px',
      py: '4px',
      minW: '190px',
      maxH: '60vh',
      overflowY: 'auto',
      boxShadow: '0 6px 20px rgb(0 0 0 / 0.18)',
      outline: '0',
      zIndex: '30',
    },
    item: {
      px: '12px',
      py: '7px',
      cursor: 'pointer',
      display: 'flex',
      gap: '8px',
      alignItems: 'center',
      _highlighted: { bg: 'liveWash' },
      _disabled: { color: 'quiet', cursor: 'default' },
    },
    itemGroupLabel: { px: '12px', py: '4px', color: 'quiet', fontSize: 's' },
    separator: { my: '4px', borderTopWidth: '1px', borderColor: 'line' },
  },
})

const dialog = defineSlotRecipe({
  className: 'dialog',
  slots: [
    'backdrop',
    'positioner',
    'content',
    'header',
    'body',
    'footer',
    'title',
    'description',
    'trigger',
    'closeTrigger',
  ],
  base: {
    backdrop: { position: 'fixed', inset: '0', bg: 'rgb(10 15 16 / 0.5)', zIndex: '40' },
    positioner: {
      position: 'fixed',
      inset: '0',
      display: 'grid',
      placeItems: 'center',
      zIndex: '41',
      p: '16px',
    },
    content: {
      bg: 'panel',
      color: 'ink',
      borderRadius: '8px',
      maxW: '460px',
      w: 'full',
      p: '24px',
      outline: '0',
    },
    title: { fontSize: 'l', fontWeight: '650' },
    body: { py: '12px' },
    footer: { display: 'flex', gap: '12px', justifyContent: 'flex-end' },
  },
})

const globalCss = {
  ':root': { ...properties(light), colorScheme: 'light dark' },
  '@media (prefers-color-scheme: dark)': { ':root': properties(dark) },
  html: {
    fontFamily: "'Source Sans 3 Variable', system-ui, sans-serif",
    fontSize: '16px',
    lineHeight: '1.4',
    color: 'ink',
    bg: 'paper',
    textSizeAdjust: '100%',
  },
  body: { minHeight: '100vh', bg: 'paper' },
  '*, *::before, *::after': { borderColor: 'line', borderStyle: 'solid' },
  ':focus-visible': { outline: '3px solid var(--focus)', outlineOffset: '2px' },
  'h1, h2, h3': { lineHeight: '1.25', fontWeight: '650' },
  a: { color: 'live' },
  // People in groups: hundreds of them on one page, so they are plain elements (see person-chip.tsx).
  '.chip': {
    width: '100%',
    textAlign: 'left',
    padding: '4px 10px',
    borderWidth: '1px',
    borderColor: 'line',
    borderRadius: '6px',
    bg: 'paper',
    cursor: 'grab',
    overflowWrap: 'anywhere',
    touchAction: 'manipulation',
  },
  '.chip:hover': { borderColor: 'edge' },
  '.chip-chosen': { borderColor: 'live', bg: 'liveWash', fontWeight: '600' },
  // Names in the lanes, likewise (see person-menu.tsx).
  '.lane-person': { display: 'inline-flex' },
  '.lane-name': {
    display: 'inline-flex',
    alignItems: 'center',
    gap: '5px',
    paddingInline: '6px',
    minHeight: '24px',
    borderRadius: '4px',
    fontSize: 's',
    cursor: 'pointer',
    touchAction: 'manipulation',
  },
  '.lane-name:hover': { bg: 'sunk' },
  // What would come, in the place of the lanes (see draft-lanes.tsx).
  '.draft-lanes': { display: 'flex', flexDirection: 'column', gap: '4px', listStyleType: 'none' },
  '.draft-lane': {
    display: 'flex',
    flexWrap: 'wrap',
    alignItems: 'center',
    columnGap: '4px',
    minHeight: '64px',
    paddingInline: '12px',
    borderWidth: '1px',
    borderStyle: 'dashed',
    borderColor: 'line',
    borderRadius: '4px',
    color: 'quiet',
    contentVisibility: 'auto',
    containIntrinsicSize: 'auto 64px',
  },
  '.draft-lane b': { width: '120px', fontWeight: '650' },
  '.lane-name[data-away]': { color: 'quiet' },
  '.lane-name-chosen': { outline: '2px solid var(--live)' },
  '.lane-name small': { color: 'quiet', fontSize: 'xs' },
  '.lane-presence': {
    width: '9px',
    height: '9px',
    borderRadius: '50%',
    borderWidth: '2px',
    borderColor: 'live',
    bg: 'live',
  },
  '.lane-name[data-away] .lane-presence': { borderColor: 'edge', bg: 'transparent' },
  // Segments of a running order (see order-ribbon.tsx).
  '.ribbon-place': { position: 'relative', minWidth: '64px' },
  '.ribbon-segment': {
    width: '100%',
    height: '72px',
    padding: '6px 8px',
    textAlign: 'left',
    overflow: 'hidden',
    borderRadius: '6px',
    borderWidth: '2px',
    borderColor: 'edge',
    bg: 'panel',
    color: 'ink',
    cursor: 'pointer',
    touchAction: 'none',
    whiteSpace: 'nowrap',
  },
  '.ribbon-segment[data-kind=whole]': { bg: 'sunk' },
  '.ribbon-segment[data-kind=rooms]': { bg: 'liveWash' },
  '.ribbon-segment[data-kind=break]': { borderStyle: 'dashed' },
  '.ribbon-segment[aria-pressed=true]': { borderColor: 'live' },
  '.ribbon-segment > *': { display: 'block' },
  '.ribbon-segment > b': { overflow: 'hidden', textOverflow: 'ellipsis' },
  '.ribbon-segment > span': { fontSize: 's', fontVariantNumeric: 'tabular-nums' },
  '.ribbon-concern': { color: 'ask' },
  '.ribbon-quiet': { color: 'quiet' },
  '.ribbon-edge': {
    position: 'absolute',
    top: '0',
    right: '-3px',
    width: '9px',
    height: '72px',
    cursor: 'ew-resize',
    touchAction: 'none',
    zIndex: '2',
  },
  // A sheet for the wall: on paper there is nothing else.
  '.print-sheet': { display: 'none' },
  '@media print': {
    nav: { display: 'none !important' },
    'body:has(> .print-sheet)': { background: 'white' },
    'body:has(> .print-sheet) > :not(.print-sheet)': { display: 'none !important' },
    '.print-sheet': { display: 'block', background: 'white' },
    '.print-sheet *': { color: 'black !important' },
    '.print-sheet section + section': { breakBefore: 'page' },
    '.print-sheet table': { fontSize: '16pt !important' },
    '.print-sheet h2': { fontSize: '28pt', marginBottom: '12pt' },
    '.print-groups': { columns: '3', columnGap: '24pt' },
    '.print-groups article': { breakInside: 'avoid', marginBottom: '16pt' },
    '.print-groups h3': { fontSize: '20pt', borderBottom: '2pt solid black' },
    '.print-groups li': { fontSize: '18pt', lineHeight: 1.3, listStyle: 'none' },
  },
  '.chip-word': { color: 'quiet', fontSize: 's' },
  '.chip-dragged': { opacity: 0.4 },
  '@media (prefers-reduced-motion: reduce)': {
    '*, *::before, *::after': {
      animationDuration: '0.01ms !important',
      transitionDuration: '0.01ms !important',
    },
  },
} as Record<string, SystemStyleObject>

/** Tables of people and rows: quiet lines, heads that are read once. */
const table = defineSlotRecipe({
  className: 'rt-table',
  slots: ['root', 'header', 'body', 'row', 'columnHeader', 'cell', 'footer', 'caption'],
  base: {
    root: { w: 'full', borderCollapse: 'collapse' },
    columnHeader: {
      px: '8px',
      py: '6px',
      borderBottomWidth: '2px',
      borderColor: 'edge',
      textAlign: 'left',
      fontSize: 's',
      fontWeight: '600',
    },
    cell: { px: '8px', py: '6px', borderBottomWidth: '1px', verticalAlign: 'middle' },
  },
})

const config = defineConfig({
  cssVarsPrefix: 'rt',
  preflight: true,
  globalCss,
  theme: {
    breakpoints: { sm: '480px', md: '768px', lg: '1024px' },
    tokens: {
      sizes: { full: { value: '100%' } },
      colors: Object.fromEntries(MEANINGS.map(name => [name, { value: `var(--${name})` }])),
      // Six sizes; the last two are read from across a room.
      fontSizes: {
        s: { value: '0.875rem' },
        m: { value: '1rem' },
        l: { value: '1.25rem' },
        xl: { value: '1.75rem' },
        clock: { value: '3rem' },
        wall: { value: 'clamp(4rem, 11vw, 9rem)' },
      },
    },
    slotRecipes: { menu, dialog, table },
  },
})

export const system = createSystem(defaultBaseConfig, config)
