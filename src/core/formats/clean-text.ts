/**
 * Text as a database can keep it: without the null character, which PostgreSQL refuses in every text, and without
 * halves of surrogate pairs, which its JSON refuses. Neither can be seen or meant.
 */
export const cleanText = (text: string): string => text.replaceAll('\u0000', '').toWellFormed()

/**
 * What in a name or a cell cannot be seen: zero-width space, word joiner, byte order mark and soft hyphen; the marks,
 * embeddings, overrides and isolates of direction (Unicode 15, chapter 23.2 and UAX 9); control characters. The joiners
 * U+200C and U+200D stay: words of several scripts are spelt with them.
 */
const UNSEEN =
  // biome-ignore lint/suspicious/noControlCharactersInRegex: control characters are what is looked for.
  /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u009f\u00ad\u061c\u200b\u200e\u200f\u202a-\u202e\u2060-\u2064\u2066-\u2069\ufeff\ufff9-\ufffb]/g

/** A name or a cell as it reads: without what cannot be seen, which would let two that look alike differ, or read backwards. */
export const visibleText = (text: string): string => cleanText(text).replace(UNSEEN, '')

/**
 * Reads JSON, all texts in it clean, the names of fields too: what is written as an escape in it comes in as unclean as what is
 * not. Throws a SyntaxError for what is no JSON.
 */
export const parseClean = (text: string): unknown =>
  JSON.parse(text, (_name, value: unknown) => {
    if (typeof value === 'string') return cleanText(value)
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return value
    const entries = Object.entries(value)
    return entries.every(([name]) => cleanText(name) === name)
      ? value
      : Object.fromEntries(entries.map(([name, each]) => [cleanText(name), each]))
  })
