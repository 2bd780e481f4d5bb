import { WebVTTParser } from 'webvtt-parser'
import { LONGEST_CAPTIONS } from './caption-limit'

export type Captions = { ok: true; text: string; cues: number } | { ok: false; why: string }

/**
 * Reads captions by the grammar of WebVTT (W3C, Candidate Recommendation 2019), with the W3C's own parser. Says where they are not written by it.
 * O(n); some 30 ms for the longest.
 */
export function readCaptions(sent: string): Captions {
  if (sent.length > LONGEST_CAPTIONS)
    return { ok: false, why: `Captions have at most ${LONGEST_CAPTIONS.toLocaleString('en')} letters.` }
  const text = sent.replace(/^\uFEFF/, '').replace(/\r\n?/g, '\n')
  try {
    const { cues, errors } = new WebVTTParser().parse(text, 'captions')
    const [first] = errors
    if (first) return { ok: false, why: `Line ${first.line}: ${first.message}` }
    return cues.length > 0
      ? { ok: true, text, cues: cues.length }
      : { ok: false, why: 'There are no captions in this file.' }
  } catch {
    // What is nested thousands deep ends the parser.
    return { ok: false, why: 'These captions can not be read.' }
  }
}
