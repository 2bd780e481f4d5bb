import { knownPart } from './request-log.server'

test.each([
  ['/mine/V1StGXR8_Z5jdHi6', '/mine/:'],
  ['/join/K7QM-2XRD/names?typed=Zo%C3%AB', '/join/:/names'],
  ['/sessions/L2Dc8S4jsqdgFC-E/review/people.csv', '/sessions/:/review/people.csv'],
  ['/', '/'],
  ['/events/abc123/participant', '/events/:/participant'],
  ['', ''],
])('of %s the log keeps %s', (url, kept) => {
  expect(knownPart(url)).toBe(kept)
})
