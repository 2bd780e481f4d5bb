/** Pauses between tries, in milliseconds; the last one is repeated while the server cannot be reached. */
const PAUSES = [500, 1_000, 2_000, 4_000, 8_000]

/** What trying again needs of the world. */
export interface Tries {
  pause: (milliseconds: number) => Promise<void>
  /** Whether the server answers at all. */
  isReachable: () => Promise<boolean>
  importFrom: (address: string) => Promise<unknown>
}

const IN_BROWSER: Tries = {
  pause: milliseconds => new Promise(resolve => setTimeout(resolve, milliseconds)),
  isReachable: () =>
    fetch('/health', { cache: 'no-store' }).then(
      answer => answer.ok,
      () => false,
    ),
  importFrom: address => import(/* @vite-ignore */ address),
}

/**
 * Loads a part of the page that is fetched when it is first met, and again while the line is down: a part that cannot be had
 * now must not take the whole page with it. Throws what `load` threw once the server was there and still did not give it.
 */
export async function loadAgain<Part>(load: () => Promise<Part>, tries: Tries = IN_BROWSER): Promise<Part> {
  // A browser keeps in mind that a file could not be had: it is asked for again only under another address.
  let address: string | undefined
  for (let failed = 0, asked = 0; ; asked++) {
    try {
      return address ? ((await tries.importFrom(`${address}?again=${asked}`)) as Part) : await load()
    } catch (error) {
      address ??= /https?:\/\/[^\s?]+\.js/.exec(String(error))?.[0]
      if (failed >= PAUSES.length) throw error
      await tries.pause(PAUSES[failed] ?? 0)
      // A line that is down says nothing of the part: only tries that could have succeeded count.
      if (await tries.isReachable()) failed++
    }
  }
}
