import { formOf, ownPath } from './helpers.server'

const request = (body: BodyInit, type?: string) =>
  new Request('http://x.example/', {
    method: 'POST',
    body,
    headers: type === undefined ? {} : { 'Content-Type': type },
  })
const FORM = 'application/x-www-form-urlencoded'
const statusOf = (asked: Request) =>
  formOf(asked).then(
    () => 'read',
    error => error.init?.status,
  )

test('a form is read however it was sent, without what no database keeps', async () => {
  const sent = new FormData()
  sent.set('title', 'Zoë & co')
  sent.append('personId', 'a\u0000')
  sent.append('personId', 'b')
  sent.set('file', new File(['x,y'], 'list.csv'))
  const form = await formOf(request(sent))
  expect([form.get('title'), form.getAll('personId')]).toEqual(['Zoë & co', ['a', 'b']])
  expect(await (form.get('file') as File).text()).toBe('x,y')
  const plain = await formOf(request(new URLSearchParams({ title: 'Zoë & co', 'steps[1]': 'Look' })))
  expect([...plain]).toEqual([
    ['title', 'Zoë & co'],
    ['steps[1]', 'Look'],
  ])
  expect([...(await formOf(request('', FORM)))]).toEqual([])
})

test.each([
  ['a list with a hundred million places', 'email[100000000]=x'],
  ['a name that objects have by themselves', '__proto__=x'],
  ['a button that fills in a list', `__intent__=${encodeURIComponent('{"type":"update","payload":{}}')}`],
  ['a million fields', '&'.repeat(1_000_000)],
])('%s is no form of ours', async (_, body) => {
  expect(await statusOf(request(body, FORM))).toBe(400)
})

test('what is no form is refused, whatever it says it is', async () => {
  expect(await statusOf(request('title=x', 'text/plain'))).toBe(400)
  expect(await statusOf(request('title=x', 'application/json'))).toBe(400)
  expect(await statusOf(request('nothing', 'multipart/form-data; boundary=b'))).toBe(400)
  expect(await statusOf(request('nothing', 'multipart/form-data'))).toBe(400)
  const part = '--b\r\nContent-Disposition: form-data; name="a"\r\n\r\nx\r\n'
  expect(await statusOf(request(`${part.repeat(10)}--b--`, 'multipart/form-data; boundary=b'))).toBe('read')
  expect(await statusOf(request(`${part.repeat(7_000)}--b--`, 'multipart/form-data; boundary=b'))).toBe(400)
})

test.each(['/', '/cohorts/x', '/sessions/x/live?room=7', '/a%2F%2Fb'])('%s is a page of our own', path => {
  expect(ownPath(path)).toBe(path)
})

// How browsers read addresses: WHATWG URL Standard, "basic URL parser".
test.each([
  undefined,
  '',
  'cohorts',
  'https://evil.example/',
  '//evil.example',
  '/\\evil.example',
  '/\t/evil.example',
  '/\n/evil.example',
  '/.//evil.example',
  '/x/..//evil.example',
  '\t//evil.example',
  '/\t\\evil.example',
  'javascript:alert(1)',
])('%j is not', path => {
  expect(ownPath(path)).toBe('/')
})
