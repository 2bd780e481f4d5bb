import { performance } from 'node:perf_hooks'
import { SimulatedParticipant } from '~/demo/simulated-participant'
import { MadeClass } from './made-class'
import { pause } from './numbers'

const PEOPLE = 5_000
const LISTENERS = 100
const GIVEN = ['Ana', 'Bo', 'Chloé', 'Søren', 'Jürgen', 'Žofia', 'Marie-Claire', 'Odile', 'Tomás', 'Ulla']
const FAMILY = ['Marsh', 'Fen', 'Reed', 'Moor', 'Peat', 'Sedge', 'Rush', 'Mire', 'Carr', 'Žižková', 'Łąka']

const topic = (name: string) => ({ name, min: 1, max: 500 })
const CHOICE = {
  title: 'Topics',
  kind: 'wishes',
  wishes: 2,
  topics: Array.from({ length: 12 }, (_, index) => topic(`Topic ${index}`)),
}

/**
 * A list of 5,000 is looked at, imported, opened and read to its end while 100 people follow a live session: how long the
 * server's only thread does not come round at the longest, beside the same server with only the session.
 */
export async function largeCohort(): Promise<void> {
  const made = await MadeClass.open(LISTENERS / 5, 5, [
    { id: 'c', kind: 'cards', text: 'Cards?', settings: {} },
  ])
  const { server } = made
  const people: SimulatedParticipant[] = []
  for (let start = 0; start < LISTENERS; start += 20) {
    const names = made.names.slice(start, start + 20)
    people.push(
      ...(await Promise.all(
        names.map(name => SimulatedParticipant.join(server.address, made.joinCode, name)),
      )),
    )
  }
  await Promise.all(people.map(each => each.follow()))
  await made.command({ type: 'send-out', seconds: 3600 })
  // Warm: what is measured is not the first time of anything.
  for (let number = 0; number < 20; number++) {
    await made.command({ type: 'broadcast', text: 'Listen.' })
    await pause(50)
  }
  await made.get('/cohorts')
  const cohort = (await made.post('/cohorts', new URLSearchParams({ name: 'Everybody' }))).path
  const text = `first name,family name,email,parish\n${Array.from({ length: PEOPLE }, (_, index) => {
    const family = `${FAMILY[index % FAMILY.length]}${String.fromCharCode(97 + (index % 26))}${index}`
    return `${GIVEN[index % GIVEN.length]},${family},p${index}@x.example,Parish ${index % 40}`
  }).join('\n')}`
  const file = new FormData()
  file.set('file', new File([text], 'list.csv', { type: 'text/csv' }))
  const form = (intent: string) => new URLSearchParams({ intent, text })
  let choice = ''
  const steps: [string, () => Promise<unknown>][] = [
    ['the session alone, a broadcast each 100 ms', () => pause(4000)],
    ['showing what importing would do', () => made.post(`${cohort}/import`, file)],
    ['importing', () => made.post(`${cohort}/import`, form('import'))],
    ['opening the cohort', () => made.get(cohort)],
    ['reading the rest of the list', () => made.get(`${cohort}/people?from=100`)],
    ['opening the cohort again', () => made.get(cohort)],
    ['making groups of it', () => made.get(`${cohort}/groupings/new`)],
    ['who has met whom in it', () => made.get(`${cohort}/met`)],
    [
      'opening a choice to it',
      async () => {
        choice = (await made.post(`${cohort}/choices/new`, JSON.stringify(CHOICE))).path
      },
    ],
    ['looking at the choice', () => made.get(choice)],
    ['reading the rest of its list', () => made.get(`${choice}/people?from=20`)],
    [
      'a participant looking for their name in it',
      async () => {
        const [, link = ''] = /\/choose\/([\w-]+)/.exec(await made.get(choice)) ?? []
        await made.get(`/choose/${link}`)
        await made.get(`/choose/${link}/names?from=40`)
      },
    ],
  ]
  for (const [what, step] of steps) {
    await pause(500)
    await server.longestStop()
    let running = true
    const talking = (async () => {
      for (let turn = 0; running; turn++) {
        await made.command({ type: 'broadcast', text: `Look up, ${turn}.` })
        await pause(100)
      }
    })()
    const began = performance.now()
    await step()
    const took = performance.now() - began
    running = false
    await talking
    const stop = await server.longestStop()
    console.log(`${what}: longest stop ${stop.toFixed(0)} ms, took ${took.toFixed(0)} ms (aim: under 100 ms)`)
  }
  for (const each of people) each.leave()
  await server.remove()
}
