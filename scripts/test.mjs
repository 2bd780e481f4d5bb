// One command for every check, from a fresh clone on: ends with one line, `N passed, N failed`. With `quick` only what needs
// neither a database nor a browser, in some three minutes.
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { chromium } from './chromium.mjs'
import { built, installed, root, run } from './prepare.mjs'

const results = join(root, 'test-results')
rmSync(results, { recursive: true, force: true })
mkdirSync(results, { recursive: true })

const quick = process.argv.includes('quick')
const failed = []
const counts = { passed: 0, failed: 0 }

async function step(name, work) {
  const began = Date.now()
  console.log(`\n== ${name}`)
  try {
    await work()
  } catch (error) {
    failed.push(name)
    console.error(error.message)
  }
  console.log(`   ${name}: ${((Date.now() - began) / 1000).toFixed(0)} s`)
}

await installed()
const browser = quick ? null : await chromium()
const checked = async name => step(name, () => run('npm', ['run', '--silent', name]))
// Types are looked at by one processor alone: the others do meanwhile what needs no more than the sources.
await Promise.all([
  checked('types'),
  checked('lint')
    .then(() => checked('imports'))
    .then(() => browser && step('build', built)),
])
await step('unit tests', async () => {
  const file = join(results, 'unit.json')
  const which = quick ? ['src/core', 'src/contracts', 'src/app'] : []
  await run('npm', ['run', '--silent', 'unit', '--', '--json', `--outputFile=${file}`, ...which]).finally(
    () => {
      const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites } = read(file, {})
      counts.passed += numPassedTests ?? 0
      counts.failed += (numFailedTests ?? 0) + (numRuntimeErrorTestSuites ?? 0)
    },
  )
})
if (browser) {
  await step('browser tests', async () => {
    const file = join(results, 'browser.json')
    await run('npm', ['run', '--silent', 'browser'], {
      env: { CHROMIUM: browser, PLAYWRIGHT_JSON_OUTPUT_NAME: file },
    }).finally(() => {
      const { expected, flaky, unexpected } = read(file, { stats: {} }).stats
      counts.passed += (expected ?? 0) + (flaky ?? 0)
      counts.failed += unexpected ?? 0
      if (flaky)
        console.log(`\n${flaky} browser tests passed only when tried again: see above for why they failed.`)
      if (unexpected || flaky) showFailures()
    })
  })
}

// A step that fails without a test, such as lint, is named: the numbers alone would not say so.
if (failed.length > 0) {
  console.log(`\nFailed: ${failed.join(', ')}`)
  counts.failed ||= 1
}
console.log(`\n${counts.passed} passed, ${counts.failed} failed`)
process.exit(failed.length > 0 ? 1 : 0)

/** What stood on the pages where a browser test failed: enough to tell why, where nobody can look at the pictures. */
function showFailures() {
  const folder = join(results, 'browser')
  for (const test of readdirSync(folder).slice(0, 4)) {
    const file = join(folder, test, 'error-context.md')
    if (!existsSync(file)) continue
    const page = readFileSync(file, 'utf8').split('```yaml')[1]?.split('```')[0] ?? ''
    console.log(`\n-- ${test}\n${page.split('\n').slice(0, 150).join('\n')}`)
  }
}

function read(file, otherwise) {
  return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : otherwise
}
