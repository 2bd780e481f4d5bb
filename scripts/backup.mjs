// `npm run backup` and `npm run restore`: the built program, from wherever the command is given.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { built, installed, root } from './prepare.mjs'

await installed()
await built()
const program = spawn(process.execPath, [join(root, 'build/threads/backup.js'), ...process.argv.slice(2)], {
  stdio: 'inherit',
})
program.on('exit', code => process.exit(code ?? 1))
