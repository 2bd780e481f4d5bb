// One command to try it: installs, builds, loads the made-up school and starts. `-- --fresh` begins anew.
import { spawn } from 'node:child_process'
import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { built, installed, root } from './prepare.mjs'

await installed()
await built()
const folder = join(root, 'demo-data')
if (process.argv.includes('--fresh')) rmSync(folder, { recursive: true, force: true })
console.log('Starting…')
const server = spawn(process.execPath, ['server.js'], {
  cwd: root,
  env: { ...process.env, DEMO: '1', DATA_FOLDER: folder },
  stdio: 'inherit',
})
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
server.on('exit', code => process.exit(code ?? 0))
