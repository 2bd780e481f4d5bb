import { useSyncExternalStore } from 'react'

interface ChartColours {
  ink: string
  line: string
  live: string
  ask: string
}

/** Until they are read from the page: those of the light theme. */
const LIGHT: ChartColours = { ink: '#1d2424', line: '#8a8a80', live: '#0b6856', ask: '#9a3a0c' }

/** The theme's colours as charts need them: they draw without style sheets. */
export const useChartColours = (): ChartColours => useSyncExternalStore(onTheme, now, () => LIGHT)

let read: ChartColours | undefined

function now(): ChartColours {
  read ??= readFromPage()
  return read
}

function onTheme(changed: () => void) {
  const dark = window.matchMedia('(prefers-color-scheme: dark)')
  const again = () => {
    read = readFromPage()
    changed()
  }
  dark.addEventListener('change', again)
  return () => {
    dark.removeEventListener('change', again)
    // The theme may change while no chart stands there.
    read = undefined
  }
}

function readFromPage(): ChartColours {
  const style = getComputedStyle(document.documentElement)
  const of = (name: string, otherwise: string) => style.getPropertyValue(name).trim() || otherwise
  return {
    ink: of('--ink', LIGHT.ink),
    line: of('--edge', LIGHT.line),
    live: of('--live', LIGHT.live),
    ask: of('--ask', LIGHT.ask),
  }
}
