import { readFileSync } from 'node:fs'

/**
 * What others on the same machine took of the processors since the last time this was asked, as a share of all their time; 0 where
 * nothing says so. From `/proc/stat`, whose first line counts user, nice, system, idle, iowait, irq, softirq and stolen time (proc(5)).
 */
export function stolenSinceAsked(): () => number {
  const count = () => {
    try {
      const times = (readFileSync('/proc/stat', 'utf8').split('\n')[0] ?? '')
        .split(/\s+/)
        .slice(1, 9)
        .map(Number)
      return { all: times.reduce((sum, time) => sum + time, 0), stolen: times[7] ?? 0 }
    } catch {
      return { all: 0, stolen: 0 }
    }
  }
  let before = count()
  return () => {
    const now = count()
    const share = (now.stolen - before.stolen) / Math.max(1, now.all - before.all)
    before = now
    return share
  }
}
