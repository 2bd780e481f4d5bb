import { fileKindOf, sizeText, titleOfFile } from './material'

test.each([
  ['pond.JPG', 'pond'],
  ['../../etc/passwd', 'passwd'],
  ['C:\\Users\\me\\The_old_map.pdf', 'The old map'],
  ['a\u0000b\u202Egnp.exe', 'abgnp'],
  ['.jpg', '.jpg'],
  ['', 'Without a name'],
  ['/', 'Without a name'],
  ['Notes 1.2 of May', 'Notes 1.2 of May'],
])('a file called %j is called %j', (name, title) => {
  expect(titleOfFile(name)).toBe(title)
})

test('a name is not longer than a line', () => {
  expect(titleOfFile(`${'a'.repeat(400)}.png`)).toHaveLength(120)
})

test.each([
  ['audio/ogg; codecs=opus', 'sound'],
  ['image/png', 'picture'],
  ['image/svg+xml', null],
  ['text/html', null],
  ['constructor', null],
  ['', null],
])('%j is taken for %j', (type, kind) => {
  expect(fileKindOf(type)).toBe(kind)
})

test.each([
  [0, '0 bytes'],
  [1023, '1023 bytes'],
  [1024, '1.0 KB'],
  [3_565_158, '3.4 MB'],
  [200 * 1024 * 1024, '200 MB'],
  [5 * 1024 ** 3, '5.0 GB'],
])('%i bytes are %s', (bytes, text) => {
  expect(sizeText(bytes)).toBe(text)
})
