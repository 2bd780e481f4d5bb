import { pictureLine } from '~/core/boards/prompts/sheet/picture-line'
import type { Picture } from '~/core/boards/prompts/shown-picture'

/** The text cut where pictures stand; a line that only reads like one stays text. */
export function withPictures(text: string, pictures: readonly Picture[]): (string | Picture)[] {
  const pieces: (string | Picture)[] = []
  const left = [...pictures]
  let lines: string[] = []
  for (const line of text.split('\n')) {
    const [next] = left
    if (!next || line !== pictureLine(next.title)) {
      lines.push(line)
      continue
    }
    left.shift()
    if (lines.length > 0) pieces.push(lines.join('\n'))
    lines = []
    pieces.push(next)
  }
  if (lines.length > 0) pieces.push(lines.join('\n'))
  return pieces
}
