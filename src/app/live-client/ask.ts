import type { LiveProblem } from '~/core/live/commands'

export type Answer = { ok: true } | { ok: false; message: string }

/** Sends a command to the server and says how it ended, in words. Never throws. */
export async function ask(url: string, request: object): Promise<Answer> {
  try {
    const response = await fetch(url, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(request),
    })
    const outcome = (await response.json()) as { ok: true } | { ok: false; problem: LiveProblem }
    return outcome.ok ? { ok: true } : { ok: false, message: problemText(outcome.problem) }
  } catch {
    return { ok: false, message: 'The server could not be reached. Nothing was sent; try again in a moment.' }
  }
}

/** A refused command in words: what happened, and what to do. */
export function problemText(problem: LiveProblem): string {
  switch (problem.code) {
    case 'name-taken':
      return `${problem.shownName} is already taken in this session. If that is you on another device, ask the facilitator to free the name.`
    case 'waiting':
      return `${problem.shownName} is still on the waiting list. Let them in first.`
    case 'text-too-long':
      return `Use at most ${problem.most} characters.`
    case 'bad-length':
      return `Choose a length from ${lengthText(problem.least)} to ${lengthText(problem.most)}.`
    case 'session-full':
      return `A session has room for ${problem.most} people, and this one is full.`
    default:
      return PLAIN[problem.code]
  }
}

const lengthText = (seconds: number) => (seconds < 60 ? `${seconds} s` : `${Math.round(seconds / 60)} min`)

type PlainCode = Exclude<
  LiveProblem['code'],
  'name-taken' | 'waiting' | 'text-too-long' | 'bad-length' | 'session-full'
>

const PLAIN: Record<PlainCode, string> = {
  'not-allowed': 'This is not yours to do.',
  'not-open': 'The session has not been opened yet.',
  'already-open': 'The session is already open.',
  ended: 'The session has ended.',
  'no-such-room': 'This room is not part of the session.',
  'no-such-participant': 'This person is no longer in the session.',
  'no-such-message': 'This message is no longer there.',
  'already-out': 'People are already in rooms. Call them back first.',
  'not-out': 'Nobody is in rooms now.',
  'not-called-back': 'The round is running; nobody has been called back.',
  'round-over': 'The time of this round is over. Add a minute to let it go on.',
  'no-such-doubt': 'This has been settled already.',
  'nobody-to-send': 'Nobody who is let in has a room yet. Let people in, or give them a room.',
  'not-in-a-room': 'This can be done from a room only.',
  'text-empty': 'Write something first.',
}
