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
      maxH: 'min(60vh, var(--available-height, 60vh))',
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
  'input[type=range]': { accentColor: 'var(--live)' },
  body: { minHeight: '100vh', bg: 'paper' },
  '*, *::before, *::after': { borderColor: 'line', borderStyle: 'solid' },
  ':focus-visible': { outline: '3px solid var(--focus)', outlineOffset: '2px' },
  'h1, h2, h3': { lineHeight: '1.25', fontWeight: '650' },
  a: { color: 'live' },
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
    breakpoints: { sm: '480px', md: '768px', lg: '1024px', xl: '1200px' },
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

/**
 * Recipes stand in no cascade layer. A browser that is given one more rule in a layer looks for all fonts anew and lays out the
 * whole page, for 60 ms with a hundred rooms in Live, and styles are given to it as their elements first come up. What an element is
 * told of its own wins over its recipe as before: both become one class, in that order.
 */
const { wrap } = system.layers
system.layers.wrap = (layer, styles) => (layer === 'recipes' ? styles : wrap(layer, styles))
