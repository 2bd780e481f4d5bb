import { decodeText } from './decode-text'

const text = 'name,parish\r\nInês Dias,Saltby\r\nŁukasz Żak,Fen — “north”\r\n'
const western = 'name\r\nInês Dias “north” — 5 €\r\n'

/** Windows-1252 differs from Latin-1 in these (WHATWG Encoding Standard, index windows-1252). */
const WINDOWS_1252: Record<string, number> = { '€': 0x80, '“': 0x93, '”': 0x94, '—': 0x97 }

test.each<[string, Uint8Array, string]>([
  ['UTF-8', Buffer.from(text, 'utf8'), text],
  ['UTF-8', Buffer.from(`\uFEFF${text}`, 'utf8'), text],
  ['UTF-16', Buffer.from(`\uFEFF${text}`, 'utf16le'), text],
  ['UTF-16', Buffer.from(`\uFEFF${text}`, 'utf16le').swap16(), text],
  ['UTF-16', Buffer.from(text, 'utf16le'), text],
  ['UTF-16', Buffer.from(text, 'utf16le').swap16(), text],
  ['Windows-1252', Uint8Array.from(western, char => WINDOWS_1252[char] ?? char.charCodeAt(0)), western],
  ['UTF-8', new Uint8Array(), ''],
])('%s is found out and read', (encoding, bytes, expected) => {
  expect(decodeText(bytes)).toEqual({ encoding, text: expected })
})

test.each<[string, Uint8Array]>([
  ['a picture', Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13])],
  ['half a UTF-16 character', Uint8Array.from([0xff, 0xfe, 0x00, 0xd8])],
  ['control characters', Uint8Array.from([0x01, 0x02, 0xc0, 0x80])],
])('%s is no text', (_, bytes) => {
  expect(decodeText(bytes)).toBeNull()
})
