import type { Browser, CDPSession, Page } from '@playwright/test'
import { pause } from './numbers'

/** From here on a task of a page is felt, in milliseconds. */
const LONG_MS = 50
/** What is recorded is read every so often, so that it never grows large. */
const READ_EVERY_MS = 15_000

/** A task of the browser's that runs a page: how long it stood open, and how long it had a processor meanwhile, in microseconds. */
interface RunTask {
  name: string
  pid: number
  tid: number
  dur?: number
  tdur?: number
  args: { name?: string }
}

/** Number of tasks over 50 ms, and the longest of them in milliseconds. */
interface Long {
  number: number
  longest: number
}

export const longText = ({ number, longest }: Long): string =>
  number === 0 ? 'none' : `${number}, the longest ${longest.toFixed(0)} ms`

const longOf = (all: number[]): Long => ({ number: all.length, longest: Math.max(0, ...all) })

/** From now on the page notes its tasks over 50 ms, by the clock. */
export const noteTasks = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const tasks: number[] = []
    Object.assign(window, { tasks })
    new PerformanceObserver(list => {
      for (const { duration } of list.getEntries()) tasks.push(duration)
    }).observe({ type: 'longtask' })
  })

/** Those it has noted. */
export const notedTasks = async (page: Page): Promise<Long> =>
  longOf(await page.evaluate(() => (window as unknown as { tasks: number[] }).tasks))

/**
 * The long tasks of the page of a browser that has one: by the clock, as the page itself is told them, and by the time they had a
 * processor, as the browser records it. The two are apart where many share the processors: a task that waits for one is no work of the page's.
 */
export class PageTasks {
  /** Of tasks that worked for long, on any thread of the browser. */
  private readonly worked: { thread: string; milliseconds: number }[] = []
  private readonly mainThreads = new Set<string>()
  private following: Promise<void> = Promise.resolve()
  private ending = false

  private constructor(
    private readonly page: Page,
    private readonly session: CDPSession,
  ) {}

  static async follow(browser: Browser, page: Page): Promise<PageTasks> {
    await noteTasks(page)
    const tasks = new PageTasks(page, await browser.newBrowserCDPSession())
    tasks.following = tasks.record()
    return tasks
  }

  async end(): Promise<{ byClock: Long; worked: Long }> {
    this.ending = true
    await this.following
    return this.soFar()
  }

  /** Those by processor time come in some seconds after they were. */
  async soFar(): Promise<{ byClock: Long; worked: Long }> {
    const byClock = await notedTasks(this.page)
    const worked = this.worked.filter(({ thread }) => this.mainThreads.has(thread))
    return { byClock, worked: longOf(worked.map(({ milliseconds }) => milliseconds)) }
  }

  private async record(): Promise<void> {
    this.session.on('Tracing.dataCollected', ({ value }) => {
      for (const event of value as unknown as RunTask[]) this.read(event)
    })
    while (!this.ending) {
      await this.session.send('Tracing.start', {
        transferMode: 'ReportEvents',
        traceConfig: { includedCategories: ['toplevel'] },
      })
      const until = Date.now() + READ_EVERY_MS
      while (Date.now() < until && !this.ending) await pause(500)
      const complete = new Promise(resolve => this.session.once('Tracing.tracingComplete', resolve))
      await this.session.send('Tracing.end')
      await complete
    }
  }

  private read({ name, pid, tid, tdur = 0, args }: RunTask): void {
    const thread = `${pid}/${tid}`
    if (name === 'thread_name' && args.name === 'CrRendererMain') this.mainThreads.add(thread)
    if (name === 'ThreadControllerImpl::RunTask' && tdur > LONG_MS * 1_000)
      this.worked.push({ thread, milliseconds: tdur / 1_000 })
  }
}
