import { useEffect, useState } from 'react'

interface ChartColours {
  ink: string
  line: string
  live: string
  ask: string
}

/** Until they are read from the page: those of the light theme. */
const LIGHT: ChartColours = { ink: '#1d2424', line: '#8a8a80', live: '#0b6856', ask: '#9a3a0c' }

/** The theme's colours as charts need them: they draw without style sheets. */
export function useChartColours(): ChartColours {
  const [colours, setColours] = useState(LIGHT)
  useEffect(() => {
    const dark = window.matchMedia('(prefers-color-scheme: dark)')
    const take = () => {
      const style = getComputedStyle(document.documentElement)
      const read = (name: string, fallback: string) => style.getPropertyValue(name).trim() || fallback
      setColours({
        ink: read('--ink', LIGHT.ink),
        line: read('--edge', LIGHT.line),
        live: read('--live', LIGHT.live),
        ask: read('--ask', LIGHT.ask),
      })
    }
    take()
    dark.addEventListener('change', take)
    return () => dark.removeEventListener('change', take)
  }, [])
  return colours
}
