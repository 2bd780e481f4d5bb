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

/** A length of time as a clock shows it: `9:05`, `1:02:03`. Rounded up to whole seconds; never below zero. */
export function clockText(milliseconds: number): string {
  const seconds = Math.max(0, Math.ceil(milliseconds / 1000))
  const two = (value: number) => String(value).padStart(2, '0')
  const minutes = Math.floor(seconds / 60)
  return minutes < 60
    ? `${minutes}:${two(seconds % 60)}`
    : `${Math.floor(minutes / 60)}:${two(minutes % 60)}:${two(seconds % 60)}`
}

/** What is left before the end, as it is said aloud: `5 min left`, `30 s left`. */
export const leftText = (seconds: number): string =>
  seconds < 60 ? `${seconds} s left` : `${Math.round(seconds / 60)} min left`

/** How long something has been so, roughly: `just now`, `40 s`, `3 min`, `2 h`. */
export function roughLength(milliseconds: number): string {
  const seconds = Math.max(0, Math.round(milliseconds / 1000))
  if (seconds < 10) return 'just now'
  if (seconds < 90) return `${seconds} s`
  if (seconds < 90 * 60) return `${Math.round(seconds / 60)} min`
  return `${Math.round(seconds / 3600)} h`
}
