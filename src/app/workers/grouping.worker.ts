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
      const { question, seed, steps, before } = task
      run(arrange(question, { seed, steps }, before), 'step', question, reply)
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
      const groups = task.groups.map((personIds, place) => ({ id: String(place), name: '', personIds }))
      reply({
        kind: 'judged',
        ...judgeCost(posed, task.question, groups),
        bound: lowerBound(posed.problem),
        random: randomCosts(posed, task.question, RANDOM_SEED),
      })
    }
  }
}

/** A first answer may break what a better one keeps: only after so many steps is it asked why rules can't hold. */
const EXPLAIN_AFTER = 50_000

/** Sends every better answer, and, when they go on breaking a rule, why. */
function run<
  Kind extends 'step' | 'rounds-step' | 'repair-step',
  Step extends { broken: number; steps: number },
>(
  search: Generator<Step, Step>,
  kind: Kind,
  question: GroupingQuestion,
  reply: (answer: WorkerAnswer) => void,
): void {
  let explained = false
  for (;;) {
    const { value, done = false } = search.next()
    reply({ kind, ...value, done } as unknown as WorkerAnswer)
    if (value.broken > 0 && !explained && (done || value.steps > EXPLAIN_AFTER)) {
      explained = true
      reply({ kind: 'contradiction', contradiction: contradictionOf(question) })
    }
    if (done) return
  }
}

const withoutId = ({ id: _id, ...task }: WorkerRequest) => task
