import { type WorkerAnswer, type WorkerRequest, workerRequest } from '~/contracts/grouping-worker'
import { arrange, contradictionOf } from '~/core/grouping/arrange'
import { lowerBound } from '~/core/grouping/engine/bound'
import { drawGrouping } from '~/core/grouping/grouping'
import { judgeCost, randomCosts } from '~/core/grouping/judge'
import { type GroupingQuestion, poseQuestion } from '~/core/grouping/pose'
import { repair } from '~/core/grouping/repair'
import { planRounds } from '~/core/grouping/rounds/plan'

/** Computes groupings beside the page, so that the page stays responsive however long it takes. */
self.onmessage = (event: MessageEvent<unknown>) => {
  const { id, ...task } = workerRequest.parse(event.data)
  const reply = (answer: WorkerAnswer) => self.postMessage({ ...answer, id })
  answer(task, reply)
}

/** The same groups for the same task, whenever and wherever it is asked. */
const RANDOM_SEED = 1

function answer(task: ReturnType<typeof withoutId>, reply: (answer: WorkerAnswer) => void): void {
  switch (task.kind) {
    case 'draw':
      reply({ kind: 'drawn', ...drawGrouping(task) })
      return
    case 'arrange': {
      const { question, seed, steps, before, firstOnly = false } = task
      const search = arrange(question, { seed, steps }, before)
      if (firstOnly) reply({ kind: 'step', ...search.next().value, done: false })
      else run(search, 'step', question, reply)
      return
    }
    case 'rounds': {
      const { question, rounds, seats, seed, steps } = task
      run(planRounds(question, { rounds, seed, steps }, seats), 'rounds-step', question, reply)
      return
    }
    case 'repair': {
      const { question, seed, steps } = task
      run(repair(question, { seed, steps }), 'repair-step', question, reply)
      return
    }
    case 'judge': {
      const posed = poseQuestion(task.question)
      const groups = task.groups.map((personIds, index) => ({ id: String(index), name: '', personIds }))
      reply({
        kind: 'judged',
        ...judgeCost(posed, task.question, groups),
        bound: lowerBound(posed.problem),
        random: randomCosts(posed, task.question, RANDOM_SEED),
      })
    }
  }
}

/** Effort for a first look at why a rule is broken: a better answer may keep it yet. In steps. */
const FIRST_LOOK = 100_000

/** Sends every better answer, and, when they break a rule, why: what can be seen at once at once, the rest at the end. */
function run<
  Kind extends 'step' | 'rounds-step' | 'repair-step',
  Step extends { broken: number; steps: number },
>(
  search: Generator<Step, Step>,
  kind: Kind,
  question: GroupingQuestion,
  reply: (answer: WorkerAnswer) => void,
): void {
  let looked = false
  let explained = false
  const explain = (effort?: number) => {
    const contradiction = contradictionOf(question, effort)
    if (contradiction) reply({ kind: 'contradiction', contradiction })
    explained = contradiction !== null
  }
  for (;;) {
    const { value, done = false } = search.next()
    // Before the last answer: with that the page stops listening.
    if (done && value.broken > 0 && !explained) explain()
    reply({ kind, ...value, done } as unknown as WorkerAnswer)
    if (done) return
    if (value.broken > 0 && !looked) {
      looked = true
      explain(FIRST_LOOK)
    }
  }
}

const withoutId = ({ id: _id, ...task }: WorkerRequest) => task
