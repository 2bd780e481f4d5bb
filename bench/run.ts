import { arch, cpus, totalmem } from 'node:os'
import { attacks } from './attacks'
import { backup } from './backup'
import { badLine } from './bad-line'
import { boards, boardsOfAllKinds } from './boards'
import { broadcast } from './broadcast'
import { bytes } from './bytes'
import { copies } from './copies'
import { door } from './door'
import { fullBoard } from './full-board'
import { groupings } from './groupings'
import { inStep } from './in-step'
import { largeCohort } from './large-cohort'
import { liveGroups } from './live-groups'
import { livePage } from './live-page'
import { longClass } from './long-class'
import { material } from './material'
import { planPage } from './plan-page'
import { questions } from './questions'
import { seen } from './seen'
import { sendOut } from './send-out'
import { start } from './start'
import { turn } from './turn'

const MEASUREMENTS: Record<string, () => Promise<void>> = {
  start,
  bytes,
  broadcast,
  boards,
  'boards-of-all-kinds': boardsOfAllKinds,
  copies,
  door,
  groupings,
  'large-cohort': largeCohort,
  'in-step': inStep,
  'live-page': livePage,
  'live-groups': liveGroups,
  'plan-page': planPage,
  questions,
  'long-class': longClass,
  seen,
  'send-out': sendOut,
  material,
  attacks,
  backup,
  'bad-line': badLine,
  'full-board': fullBoard,
  turn,
}

const wanted = process.argv.slice(2)
console.log(
  `Node ${process.version}, ${cpus().length} cores (${arch()}), ${Math.round(totalmem() / 2 ** 30)} GB. Loopback only.`,
)
for (const [name, measure] of Object.entries(MEASUREMENTS)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue
  console.log(`\n== ${name}`)
  await measure()
}
process.exit(0)
