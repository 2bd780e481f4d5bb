import { sameOrigin } from './origin.server'

test.each([
  [{ host: 'groups.example', origin: 'https://groups.example' }, null, true],
  [{ host: 'localhost:3000', origin: 'http://localhost:3000' }, null, true],
  [{ host: 'inner:3000', origin: 'https://groups.example' }, 'https://groups.example', true],
  [{ host: 'groups.example' }, null, true],
  [{ host: 'groups.example', origin: 'https://evil.example' }, null, false],
  [{ host: 'groups.example', origin: 'https://groups.example.evil.example' }, null, false],
  [{ host: 'groups.example', origin: 'null' }, null, false],
])('%j with public address %p: %p', (headers, publicAddress, expected) => {
  expect(sameOrigin(headers, publicAddress)).toBe(expected)
})
