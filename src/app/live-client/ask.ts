/** How it ended, with what more was told; `unreached`: the server did not hear of it, and may be asked again. */
export type Answer<Told extends object = object> =
  | ({ ok: true } & Told)
  | { ok: false; message: string; unreached?: true }

/** Sends a command to the server and says how it ended, in words. Never throws. */
export async function ask<Told extends object = object>(url: string, request: object): Promise<Answer<Told>> {
  try {
    const response = await fetch(url, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(request),
    })
    const answer = (await response.json()) as Answer<Told>
    return answer.ok ? answer : { ok: false, message: answer.message }
  } catch {
    return {
      ok: false,
      unreached: true,
      message: 'The server could not be reached. Nothing was sent; try again in a moment.',
    }
  }
}
