// Measurements, each beside its reference in the same run: `npm run bench`, or some of them by name.
import { chromium } from './chromium.mjs'
import { built, installed, run } from './prepare.mjs'

await installed()
await built()
const CHROMIUM = await chromium()
await run('node', ['--import', 'tsx', 'bench/run.ts', ...process.argv.slice(2)], { env: { CHROMIUM } })
