import { readSettings } from './settings.server'

test('everything has a default', () => {
  expect(readSettings({})).toMatchObject({ port: 3000, publicAddress: null, trustedProxies: 0, demo: false })
})

test('a public address is kept as its origin', () => {
  expect(readSettings({ PUBLIC_ADDRESS: 'https://groups.example/some/page' }).publicAddress).toBe(
    'https://groups.example',
  )
})

test.each([
  [{ PORT: 'eighty' }, 'PORT'],
  [{ PORT: '70000' }, 'PORT'],
  [{ PUBLIC_ADDRESS: 'groups' }, 'PUBLIC_ADDRESS'],
  [{ DEMO: 'yes' }, 'DEMO'],
])('%j is refused by name', (variables, name) => {
  expect(() => readSettings(variables)).toThrow(name)
})
