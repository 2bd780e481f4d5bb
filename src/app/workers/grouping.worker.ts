import { type WorkerAnswer, type WorkerRequest, workerRequest } from '~/contracts/grouping-worker'
import { arrange, contradictionOf } from '~/core/grouping/arrange'
import { lowerBound } from '~/core/grouping/engine/bound'
import { drawGrouping } from '~/core/grouping/grouping'
import { judgeCost, randomCosts } from '~/core/grouping/judge'
import { poseQuestion } from '~/core/grouping/pose'

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
      const search = arrange(question, { seed, steps }, before)
      let explained = false
      for (;;) {
        const { value, done = false } = search.next()
        reply({ kind: 'step', ...value, done })
        if (value.broken > 0 && !explained) {
          explained = true
          reply({ kind: 'contradiction', contradiction: contradictionOf(question) })
        }
        if (done) return
      }
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

const withoutId = ({ id: _id, ...task }: WorkerRequest) => task
