import type { CallWay } from '~/core/live/call/ways'

/** How rooms talk aloud, as it is chosen. */
export const CALL_WAY_WORDS: Record<CallWay, string> = {
  links: 'by the links of rooms',
  direct: 'from browser to browser',
  simulated: 'in a simulated call',
}
