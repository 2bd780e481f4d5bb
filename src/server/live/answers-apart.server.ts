import { randomInt } from 'node:crypto'
import type { Logger } from 'pino'
import { drawBatch, type Held } from '~/core/live/questions/apart'
import type { GivenAnswer } from '~/core/live/questions/question'
import { notDrawn, openQuestion } from '~/core/live/questions/state'
import type { LiveProblem, LiveState } from '~/core/live/topics'
import { randomStream } from '~/core/random/random'
import { errorFacts } from '../error-facts.server'
import type { Result } from '../result'
import type { LiveHub } from './hub.server'

/** Answers to one question that are on their way. */
interface Urn {
  sessionId: string
  held: Held[]
}

/**
 * Keeps what was answered apart from who has answered. That somebody has is written down at once; what they answered is held in
 * memory alone until it goes into the log together with that of others, in an order drawn by lot. When the server ends before
 * that, it is gone, and its givers are asked anew.
 */
export class AnswersApart {
  /** By question id. */
  private readonly urns = new Map<string, Urn>()
  /** Batches are written one after the other. */
  private writing: Promise<unknown> = Promise.resolve()

  constructor(
    private readonly hub: LiveHub,
    private readonly log: Logger,
  ) {
    hub.onChange((sessionId, state) => {
      for (const [questionId, urn] of this.urns)
        if (urn.sessionId === sessionId && openQuestion(state)?.id !== questionId)
          this.write(questionId, true)
    })
  }

  /** Whether an answer to this goes here. */
  static takes = (state: LiveState, questionId: string): boolean =>
    state.questions.some(({ id, anonymous }) => id === questionId && anonymous)

  /** Takes somebody's answer; refused like any command. */
  async answer(
    sessionId: string,
    participantId: string,
    questionId: string,
    answer: GivenAnswer,
  ): Promise<Result<{ seq: number }, LiveProblem>> {
    const actor = { kind: 'participant', participantId } as const
    const command = { type: 'note-answer', questionId, answer: answer as number } as const
    const noted = await this.hub.command(sessionId, actor, command)
    if (!noted.ok) return noted
    const urn = this.urns.get(questionId) ?? { sessionId, held: [] }
    this.urns.set(questionId, urn)
    urn.held.push({ giverId: participantId, answer })
    // It may have been closed since.
    const isOpen = openQuestion(await this.hub.state(sessionId))?.id === questionId
    await this.write(questionId, !isOpen)
    return noted
  }

  /** Answers that an earlier server had not written down are asked for anew. */
  async takeUp(sessionId: string): Promise<void> {
    const state = await this.hub.state(sessionId)
    for (const { id } of state.questions) {
      if (this.urns.has(id) || notDrawn(state, { id }).length === 0) continue
      await this.hub.command(sessionId, { kind: 'clock' }, { type: 'lose-answers', questionId: id })
    }
  }

  /** Writes down what can be: of fewer than three nothing. */
  async stop(): Promise<void> {
    for (const questionId of [...this.urns.keys()]) this.write(questionId, true)
    await this.writing
  }

  private write(questionId: string, all: boolean): Promise<void> {
    const next = this.writing.then(() => this.writeNow(questionId, all))
    this.writing = next
    return next
  }

  private async writeNow(questionId: string, all: boolean): Promise<void> {
    const urn = this.urns.get(questionId)
    if (!urn) return
    const drawn = drawBatch(urn.held, all, randomStream(randomInt(2 ** 31)))
    if (all) this.urns.delete(questionId)
    if (!drawn) return
    const held = new Set(drawn.batch.giverIds)
    const taken = urn.held.filter(({ giverId }) => held.has(giverId))
    urn.held = urn.held.filter(({ giverId }) => !held.has(giverId))
    const { giverIds: participantIds, answers } = drawn.batch
    const batch = { questionId, participantIds, answers: answers as number[] }
    try {
      await this.hub.command(urn.sessionId, { kind: 'clock' }, { type: 'draw-answers', ...batch })
    } catch (error) {
      // They wait for the next try: with the next answer, or when anything happens in the session.
      urn.held.push(...taken)
      this.urns.set(questionId, urn)
      this.log.error({ error: errorFacts(error) }, 'answers could not be written down')
    }
  }
}
