// What both commands need: the packages, and on demand the build. Uses nothing but Node itself.
import { spawn } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'

export const root = resolve(import.meta.dirname, '..')
const stamps = join(root, '.stamps')

/** Runs a command to its end; rejects when it fails. `quiet` shows its output only then. */
export function run(command, args, { quiet = false, env = {} } = {}) {
  return new Promise((done, failed) => {
    const child = spawn(command, args, {
      cwd: root,
      env: { ...process.env, ...env },
      stdio: quiet ? ['ignore', 'pipe', 'pipe'] : 'inherit',
      shell: process.platform === 'win32',
    })
    const output = []
    child.stdout?.on('data', chunk => output.push(chunk))
    child.stderr?.on('data', chunk => output.push(chunk))
    child.on('error', failed)
    child.on('close', code => {
      if (code === 0) return done()
      if (quiet) process.stderr.write(Buffer.concat(output))
      failed(new Error(`${command} ${args.join(' ')} ended with ${code}`))
    })
  })
}

/** Installs the packages when the lock file has changed since, or they are not there. */
export async function installed() {
  const wanted = fingerprint(['package.json', 'package-lock.json'])
  if (existsSync(join(root, 'node_modules/.bin')) && stamped('packages') === wanted) return
  console.log('Installing packages…')
  await run('npm', ['install', '--no-audit', '--no-fund', '--loglevel=error'], { quiet: true })
  stamp('packages', fingerprint(['package.json', 'package-lock.json']))
}

/** Builds when a source has changed since the last build. */
export async function built() {
  const wanted = fingerprint([
    'package.json',
    'package-lock.json',
    'vite.config.ts',
    'vite.threads.config.ts',
    'vite.service-worker.config.ts',
    'scripts/compress.mjs',
    'react-router.config.ts',
    'tsconfig.json',
    'src',
    'public',
  ])
  if (existsSync(join(root, 'build/server/index.js')) && stamped('build') === wanted) return
  console.log('Building…')
  await run('npm', ['run', '--silent', 'build'], { quiet: true })
  stamp('build', wanted)
}

function stamped(name) {
  const file = join(stamps, name)
  return existsSync(file) ? readFileSync(file, 'utf8') : ''
}

function stamp(name, value) {
  mkdirSync(stamps, { recursive: true })
  writeFileSync(join(stamps, name), value)
}

function fingerprint(names) {
  const hash = createHash('sha256')
  for (const file of names.flatMap(name => filesIn(join(root, name))))
    hash.update(file).update(readFileSync(file))
  return hash.digest('hex')
}

function filesIn(path) {
  if (!existsSync(path)) return []
  if (statSync(path).isFile()) return [path]
  return readdirSync(path)
    .sort()
    .flatMap(name => filesIn(join(path, name)))
}
