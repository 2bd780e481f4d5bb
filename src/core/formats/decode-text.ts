import iconv from 'iconv-lite'

export type Encoding = 'UTF-8' | 'UTF-16' | 'Windows-1252'

/** How many bytes are looked at to tell text without a byte order mark apart. */
const SAMPLE = 4096

/**
 * Text from bytes whose encoding is not known: UTF-8 with or without byte order mark, UTF-16 of either order, and
 * Windows-1252, which older spreadsheets write. Returns null for what is no text at all. O(bytes).
 *
 * A byte order mark decides (Unicode Standard, 23.8). Without one, every second byte being zero means UTF-16, bytes
 * that form valid UTF-8 are UTF-8, and the rest is Windows-1252 unless it holds control characters no text has.
 */
export function decodeText(bytes: Uint8Array): { text: string; encoding: Encoding } | null {
  const [first, second] = bytes
  if (first === 0xff && second === 0xfe) return utf16(bytes, 'utf-16le')
  if (first === 0xfe && second === 0xff) return utf16(bytes, 'utf-16be')
  const order = unmarkedUtf16(bytes)
  if (order) return utf16(bytes, order)
  const utf8 = decodeAs('utf-8', bytes)
  if (utf8 !== null) return isText(utf8) ? { text: utf8, encoding: 'UTF-8' } : null
  // Not TextDecoder: Node's reads the quotation marks and dashes of this encoding as control characters.
  const text = iconv.decode(Buffer.from(bytes), 'win1252')
  return isText(text) ? { text, encoding: 'Windows-1252' } : null
}

function utf16(bytes: Uint8Array, order: 'utf-16le' | 'utf-16be') {
  const text = decodeAs(order, bytes)
  return text !== null && isText(text) ? { text, encoding: 'UTF-16' as const } : null
}

function decodeAs(encoding: string, bytes: Uint8Array): string | null {
  try {
    return new TextDecoder(encoding, { fatal: true }).decode(bytes)
  } catch {
    return null
  }
}

/** Western names in UTF-16 have a zero in most byte pairs, always in the same half. */
function unmarkedUtf16(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | null {
  const length = Math.min(bytes.length, SAMPLE) & ~1
  if (length < 4) return null
  let [even, odd] = [0, 0]
  for (let index = 0; index < length; index += 2) {
    if (bytes[index] === 0) even++
    if (bytes[index + 1] === 0) odd++
  }
  const most = length / 2
  if (odd > most * 0.6 && even < most * 0.1) return 'utf-16le'
  if (even > most * 0.6 && odd < most * 0.1) return 'utf-16be'
  return null
}

// biome-ignore lint/suspicious/noControlCharactersInRegex: these are what tells binary files from text.
const CONTROL = /[\u0000-\u0008\u000E-\u001A\u001C-\u001F]/

const isText = (text: string) => !CONTROL.test(text)
