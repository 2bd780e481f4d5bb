// Takes the pictures of docs/screenshots from the demo data: `npm run screenshots`.
import { chromium } from './chromium.mjs'
import { built, installed, run } from './prepare.mjs'

await installed()
await built()
await run('node', ['--import', 'tsx', 'tests/browser/screenshots.ts'], {
  env: { CHROMIUM: await chromium() },
})
