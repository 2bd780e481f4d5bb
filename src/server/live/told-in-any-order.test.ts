import { EventEmitter } from 'node:events'
import type { Request, Response } from 'express'
import fc from 'fast-check'
import { play, scripts, toldAt } from 'tests/fixtures/any-order'
import { LiveStore, type OpenStream } from '~/app/live-client/live-store'
import { type MadeView, type Viewer, viewAfter } from '~/core/live/views'
import { changes, type Sections, wholeView } from './sections.server'
import { EventStream } from './stream.server'

/** A browser's page with the stream it has open: what is written there is read as the browser reads it. */
class Page {
  readonly store: LiveStore<object>
  private readonly stream: EventStream
  private readonly response = Object.assign(new EventEmitter(), {
    writeHead: () => undefined,
    cork: () => undefined,
    uncork: () => undefined,
    writableLength: 0,
    write: (text: string) => this.read(text),
  })
  private readonly source: ReturnType<OpenStream> = {
    readyState: 1,
    close: () => undefined,
    onmessage: null,
    onerror: null,
    onopen: null,
  }
  private made: MadeView | null = null
  private seq = 0

  constructor(private readonly reader: Viewer) {
    this.store = new LiveStore('/events', {}, () => this.source)
    this.store.subscribe(() => undefined)
    const request = { socket: { setNoDelay: () => undefined } } as unknown as Request
    this.stream = new EventStream(request, this.response as unknown as Response)
  }

  /** Goes on with a session as the hub does: the whole view first, then what has changed. */
  tell(state: MadeView['state']): void {
    const next = viewAfter(this.made, state, this.reader)
    const message = this.made
      ? changes(this.made.view as unknown as Sections, (next?.view ?? this.made.view) as unknown as Sections)
      : next && wholeView(next.view as unknown as Sections)
    if (next) this.made = next
    if (message) this.stream.send(message, ++this.seq)
  }

  leave(): void {
    this.response.emit('close')
  }

  private read(text: string): boolean {
    for (const line of text.split('\n'))
      if (line.startsWith('data: ')) this.source.onmessage?.({ data: line.slice(6) } as MessageEvent<string>)
    return true
  }
}

test('whatever is done in whatever order, what each reader was told adds up in their browser to what they may see', () => {
  fc.assert(
    fc.property(fc.boolean(), scripts, (planned, script) => {
      const pages = new Map<string, Page>()
      const wrong: unknown[] = []
      let step = 0
      play(planned, script, ({ state }) => {
        for (const reader of toldAt(step++, state)) {
          const key = JSON.stringify(reader)
          const page = pages.get(key) ?? new Page(reader)
          pages.set(key, page)
          page.tell(state)
          const sees = viewAfter(null, state, reader)?.view ?? {}
          if (sorted(page.store.getSnapshot().view) !== sorted(sees)) wrong.push(reader)
        }
      })
      for (const page of pages.values()) page.leave()
      expect(wrong).toEqual([])
    }),
    { numRuns: 30 },
  )
})

/** JSON with the sections by name: in which order they came is nothing to anybody. */
const sorted = (view: object): string =>
  JSON.stringify(Object.entries(view).sort(([one], [other]) => (one < other ? -1 : 1)))
