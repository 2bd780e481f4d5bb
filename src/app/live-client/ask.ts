/** How it ended; `unreached`: the server did not hear of it, and may be asked again. */
export type Answer = { ok: true } | { ok: false; message: string; unreached?: true }

/** Sends a command to the server and says how it ended, in words. Never throws. */
export async function ask(url: string, request: object): Promise<Answer> {
  try {
    const response = await fetch(url, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(request),
    })
    const answer = (await response.json()) as Answer
    return answer.ok ? { ok: true } : { ok: false, message: answer.message }
  } catch {
    return {
      ok: false,
      unreached: true,
      message: 'The server could not be reached. Nothing was sent; try again in a moment.',
    }
  }
}
