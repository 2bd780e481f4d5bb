// For working on it: sources through Vite, with the demo data in a folder of its own.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { installed, root } from './prepare.mjs'

await installed()
const server = spawn(process.execPath, ['--import', 'tsx', 'server.js'], {
  cwd: root,
  env: { ...process.env, NODE_ENV: 'development', DEMO: '1', DATA_FOLDER: join(root, 'data/development') },
  stdio: 'inherit',
})
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
server.on('exit', code => process.exit(code ?? 0))
