// Finds the browser the browser tests run in; as root on Debian it is installed when it is not there.
import { existsSync } from 'node:fs'
import { run } from './prepare.mjs'

const PLACES = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome-stable']

export async function chromium() {
  const given = process.env.CHROMIUM ?? PLACES.find(place => existsSync(place))
  if (given) return given
  if (process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')) {
    console.log('Installing Chromium…')
    const install = () =>
      run('apt-get', ['install', '-y', '--no-install-recommends', 'chromium'], {
        quiet: true,
        env: { DEBIAN_FRONTEND: 'noninteractive' },
      })
    await run('apt-get', ['update'], { quiet: true }).then(install)
    return PLACES[0]
  }
  throw new Error(
    'The browser tests need Chromium: install it (on Debian: apt-get install chromium), or name it with CHROMIUM=/path/to/it.',
  )
}
