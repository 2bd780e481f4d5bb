// Finds the browser the browser tests run in; as root on Debian it is installed when it is not there.
import { existsSync } from 'node:fs'
import { run } from './prepare.mjs'

/** The one without windows does the same with a quarter less work (Debian, Ubuntu); any of the others will do. */
const PLACES = [
  '/usr/bin/chromium-headless-shell',
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome-stable',
]

export async function chromium() {
  const given = process.env.CHROMIUM ?? PLACES.find(place => existsSync(place))
  if (given) return given
  if (process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')) {
    console.log('Installing Chromium…')
    const install = name =>
      run('apt-get', ['install', '-y', '--no-install-recommends', name], {
        quiet: true,
        env: { DEBIAN_FRONTEND: 'noninteractive' },
      })
    await run('apt-get', ['update'], { quiet: true })
    // An older release has it in one package only.
    await install('chromium-headless-shell').catch(() => install('chromium'))
    const installed = PLACES.find(place => existsSync(place))
    if (installed) return installed
  }
  throw new Error(
    'The browser tests need Chromium: install it (on Debian: apt-get install chromium), or name it with CHROMIUM=/path/to/it.',
  )
}
