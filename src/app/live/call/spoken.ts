/** How long somebody has spoken, in words; in milliseconds. */
export function spokenFor(milliseconds: number): string {
  const seconds = Math.round(milliseconds / 1000)
  return seconds < 60 ? `${seconds} s` : `${Math.floor(seconds / 60)} min ${seconds % 60} s`
}
