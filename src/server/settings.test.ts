import { isReachedSecurely, readSettings } from './settings.server'

test('everything has a default', () => {
  expect(readSettings({})).toMatchObject({ port: 3000, publicAddress: null, trustedProxies: 0, demo: false })
})

test('a public address is kept as its origin', () => {
  expect(readSettings({ PUBLIC_ADDRESS: 'https://groups.example/some/page' }).publicAddress).toBe(
    'https://groups.example',
  )
})

test('servers for calls are read one beside the other', () => {
  const servers = ['stun:a.example', 'turns:b.example:5349?transport=tcp']
  expect(readSettings({ CALL_SERVERS: servers.join(', '), CALL_SECRET: 'word' }).call).toEqual({
    servers,
    secret: 'word',
  })
  expect(readSettings({}).call).toEqual({ servers: [], secret: null })
})

test.each([
  [{ CALL_SERVERS: 'https://a.example' }, 'CALL_SERVERS'],
  [{ PORT: 'eighty' }, 'PORT'],
  [{ PORT: '70000' }, 'PORT'],
  [{ PUBLIC_ADDRESS: 'groups' }, 'PUBLIC_ADDRESS'],
  [{ DEMO: 'yes' }, 'DEMO'],
  [{ TLS_KEY: 'key.pem' }, 'TLS_CERTIFICATE and TLS_KEY: give both, or neither'],
])('%j is refused by name', (variables, name) => {
  expect(() => readSettings(variables)).toThrow(name)
})

test.each([
  [{}, false],
  [{ TLS_CERTIFICATE: 'a.pem', TLS_KEY: 'b.pem' }, true],
  [{ PUBLIC_ADDRESS: 'https://groups.example' }, true],
  // Something before the server speaks to people without it, whatever it speaks to the server.
  [{ PUBLIC_ADDRESS: 'http://groups.example', TLS_CERTIFICATE: 'a.pem', TLS_KEY: 'b.pem' }, false],
])('with %j cookies are for HTTPS alone: %s', (variables, expected) => {
  expect(isReachedSecurely(readSettings(variables))).toBe(expected)
})
