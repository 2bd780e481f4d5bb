import { TZDate } from '@date-fns/tz'
import { format } from 'date-fns'

/** A moment as the session's own time zone reads it, such as `Tuesday 3 November 2026, 19:00`. */
export const longMoment = (at: Date | number, timeZone: string): string =>
  format(new TZDate(+at, timeZone), 'EEEE d MMMM yyyy, HH:mm')

/** The same, shorter: `Tue 3 Nov, 19:00`. */
export const shortMoment = (at: Date | number, timeZone: string): string =>
  format(new TZDate(+at, timeZone), 'EEE d MMM, HH:mm')

/** The time of day alone: `19:00`. */
export const timeOfDay = (at: Date | number, timeZone: string): string =>
  format(new TZDate(+at, timeZone), 'HH:mm')

/** A date and a time of day for form fields, as `2026-11-03` and `19:00`. */
export const dateFields = (at: Date | number, timeZone: string): { date: string; time: string } => ({
  date: format(new TZDate(+at, timeZone), 'yyyy-MM-dd'),
  time: timeOfDay(at, timeZone),
})

/**
 * The moment a date and a time of day mean in a time zone; null when there is no such date.
 * A time that a change of the clocks skips is read as the one after it.
 */
export function momentOf(date: string, time: string, timeZone: string): Date | null {
  const [year, month, day] = date.split('-').map(Number) as [number, number, number]
  const [hour, minute] = time.split(':').map(Number) as [number, number]
  if (hour > 23 || minute > 59) return null
  const moment = new TZDate(year, month - 1, day, hour, minute, 0, timeZone)
  return moment.getMonth() === month - 1 && moment.getDate() === day ? new Date(moment.getTime()) : null
}
