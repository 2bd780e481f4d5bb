import { LONGEST_CAPTIONS } from './caption-limit'
import { readCaptions } from './captions'

// Examples of the standard: WebVTT, W3C, section 1.1 "A simple caption file" and 1.4 on comments and voices; from memory, shortened.
const SIMPLE = `WEBVTT

00:11.000 --> 00:13.000
<v Roger Bingham>We are in New York City

00:13.000 --> 00:16.000
<v Roger Bingham>We’re actually at the Lucern Hotel, just down the street
`
const WITH_COMMENT = `WEBVTT - a title

NOTE This file was written by hand.

intro
00:00:01.000 --> 00:00:02.500 align:start position:10%
- Who sings?
- A <i>wren</i>.
`

test('what the standard gives as examples is read, in whatever line ends and with a byte order mark', () => {
  expect(readCaptions(SIMPLE)).toEqual({ ok: true, text: SIMPLE, cues: 2 })
  expect(readCaptions(WITH_COMMENT)).toMatchObject({ ok: true, cues: 1 })
  expect(readCaptions(`\uFEFF${SIMPLE.replaceAll('\n', '\r\n')}`)).toEqual({
    ok: true,
    text: SIMPLE,
    cues: 2,
  })
})

test.each([
  ['no captions at all', 'Hello', 1],
  ['a film’s end before its beginning', 'WEBVTT\n\n00:05.000 --> 00:04.000\nx', 3],
  ['times with a comma, as other formats have them', 'WEBVTT\n\n00:00:05,000 --> 00:00:06,000\nx', 3],
  ['minutes over 59', 'WEBVTT\n\n00:61:00.000 --> 00:62:00.000\nx', 3],
])('%s are refused, with the line', (_, text, line) => {
  expect(readCaptions(text)).toEqual({ ok: false, why: expect.stringContaining(`Line ${line}:`) })
})

test('none, too many and what would end the parser are refused', () => {
  expect(readCaptions('WEBVTT\n')).toEqual({ ok: false, why: 'There are no captions in this file.' })
  expect(readCaptions('x'.repeat(LONGEST_CAPTIONS + 1))).toMatchObject({ ok: false })
  const deep = `WEBVTT\n\n00:01.000 --> 00:02.000\n${'<b>'.repeat(30_000)}`
  expect(readCaptions(deep)).toMatchObject({ ok: false })
})
