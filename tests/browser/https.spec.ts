import { copyFileSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import {
  allowLostLine,
  expect,
  joinOnPhone,
  letAllIn,
  openPlanned,
  planOneRound,
  putInRoom,
  sendOut,
  test,
} from './fixtures'
import { TestServer } from './server'

const TLS = 'tests/fixtures/tls'

test('with a certificate the server speaks HTTPS itself: pages, streams and boards; a renewed one is taken up', async ({
  newPage,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'certificate-'))
  const [certificate, key] = [join(folder, 'certificate.pem'), join(folder, 'key.pem')]
  copyFileSync(join(TLS, 'certificate.pem'), certificate)
  copyFileSync(join(TLS, 'key.pem'), key)
  const server = await TestServer.withDemo({ TLS_CERTIFICATE: certificate, TLS_KEY: key })
  try {
    // The certificate of the tests is signed by nobody.
    const page = await newPage({ ignoreHTTPSErrors: true })
    await page.goto(`${server.address}/sign-in`)
    await page.getByLabel('Email').fill(server.demo?.accounts[0] ?? '')
    await page.getByLabel('Password').fill(server.demo?.password ?? '')
    await page.getByRole('button', { name: 'Sign in' }).click()
    await planOneRound(page)
    const { code } = await openPlanned(page)
    const phone = await newPage({ ignoreHTTPSErrors: true, viewport: { width: 390, height: 844 } })
    // No browser keeps a page to be opened without a line that comes with such a certificate, and it says so.
    allowLostLine(phone)
    await joinOnPhone(phone, server, code, 'Ana Per.')
    await letAllIn(page)
    await putInRoom(page, 'Ana Per.', 'Pond life')
    await sendOut(page)
    await phone.getByLabel('New card').first().fill('Over TLS')
    await phone.getByLabel('New card').first().press('Enter')
    await expect(phone.getByText('Saved', { exact: true })).toBeVisible()
    const cookies = await phone.context().cookies()
    expect(cookies.length).toBeGreaterThan(0)
    expect(cookies.filter(({ secure }) => !secure)).toEqual([])

    // What pages are made of is compressed as well as can be, and kept by browsers for good.
    const html = await (await phone.request.get(`${server.address}/join`)).text()
    const script = html.match(/\/assets\/entry[^"]+\.js/)?.[0]
    for (const coding of ['br', 'gzip']) {
      const answer = await phone.request.get(server.address + script, {
        headers: { 'Accept-Encoding': coding },
      })
      const { 'content-encoding': sent, 'cache-control': kept, vary } = answer.headers()
      expect([answer.status(), sent, kept, vary]).toEqual([
        200,
        coding,
        'public, max-age=31536000, immutable',
        expect.stringContaining('Accept-Encoding'),
      ])
      expect((await answer.body()).toString()).toContain('hydrateRoot')
    }

    // A certificate that is none leaves the one before; the server goes on.
    writeFileSync(certificate, 'nothing')
    await server.signal('SIGHUP')
    await phone.reload()
    await expect(phone.getByText('Over TLS')).toBeVisible()
    for (const each of [page, phone]) await each.context().close()
  } finally {
    await server.remove()
    rmSync(folder, { recursive: true })
  }
})

test('a certificate that can not be used is said to be so, and nothing is opened without it', async () => {
  const files = { TLS_CERTIFICATE: `${TLS}/key.pem`, TLS_KEY: `${TLS}/nothing.pem` }
  await expect(TestServer.withDemo(files)).rejects.toThrow(/The certificate can't be used/)
  await expect(TestServer.withDemo({ TLS_KEY: `${TLS}/key.pem` })).rejects.toThrow(/give both, or neither/)
})
