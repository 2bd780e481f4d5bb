import { type ChildProcess, fork } from 'node:child_process'
import { once } from 'node:events'
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'

/** The made-up school as it is loaded, made once for all tests; each test server works on a copy. */
export const PREPARED_DEMO = resolve('test-results/prepared-demo')

/** Cookies of each account of the made-up school, signed in once for all tests: a copy of its folder knows them too. */
export const PREPARED_COOKIES = resolve('test-results/prepared-cookies.json')

export interface Demo {
  accounts: string[]
  password: string
  joinCode: string
}

/** A real server in a process of its own, on a data folder of its own. */
export class TestServer {
  private child: ChildProcess | undefined
  private port = 0
  private scheme = 'http'
  private said = ''
  /** How far the server's clock was moved, in milliseconds: one that is started again goes on from there. */
  private ahead = 0
  demo: Demo | null = null
  /** What the first account is made with, on an empty folder. */
  startWord: string | null = null

  private constructor(readonly folder: string) {}

  static async withDemo(environment: Record<string, string> = {}): Promise<TestServer> {
    const server = TestServer.onNewFolder()
    cpSync(PREPARED_DEMO, server.folder, { recursive: true })
    await server.start({ DEMO: '1', ...environment })
    return server
  }

  static async empty(): Promise<TestServer> {
    const server = TestServer.onNewFolder()
    await server.start({ DEMO: '0' })
    return server
  }

  static on(folder: string): TestServer {
    return new TestServer(folder)
  }

  private static onNewFolder(): TestServer {
    return new TestServer(mkdtempSync(join(tmpdir(), 'round-table-test-')))
  }

  get address(): string {
    return `${this.scheme}://localhost:${this.port}`
  }

  /** Starts, on the same port as before when it ran already; rejects with what it said when it ends instead. */
  async start(environment: Record<string, string> = { DEMO: '1' }): Promise<void> {
    this.scheme = environment.TLS_CERTIFICATE ? 'https' : 'http'
    const child = fork('server.js', {
      env: {
        ...process.env,
        NODE_ENV: 'production',
        PORT: String(this.port),
        DATA_FOLDER: this.folder,
        TEST_CLOCK: '1',
        ...environment,
      },
      stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
      // As `npm start` does it, not with what the tests themselves are run with.
      execArgv: process.env.SERVER_ARGV ? process.env.SERVER_ARGV.split(' ') : [],
    })
    this.child = child
    this.said = ''
    const take = (chunk: Buffer) => {
      this.said += chunk
    }
    child.stdout?.on('data', take)
    child.stderr?.on('data', take)
    const ready = once(child, 'message').then(
      ([message]) => message as { port: number; demo: Demo | null; startWord: string | null },
    )
    const ended = once(child, 'exit').then(([code]) =>
      Promise.reject(new Error(`The server ended with ${code}: ${this.said}`)),
    )
    const { port, demo, startWord } = await Promise.race([ready, ended])
    ended.catch(() => undefined)
    this.port = port
    this.demo = demo
    this.startWord = startWord
    if (this.ahead > 0) await this.tellAhead(this.ahead)
  }

  /** Moves the server's time forward; what falls due meanwhile has been done when it resolves. */
  async moveClock(milliseconds: number): Promise<void> {
    this.ahead += milliseconds
    await this.tellAhead(milliseconds)
  }

  /** So much time goes by while it does not run: it is told when it starts again. */
  passWhileAway(milliseconds: number): void {
    this.ahead += milliseconds
  }

  private async tellAhead(milliseconds: number): Promise<void> {
    const moved = once(this.child as ChildProcess, 'message')
    this.child?.send({ moveClock: milliseconds })
    await moved
  }

  /** What it takes of the machine's memory, its database in it, in megabytes (`/proc`, Linux). */
  async megabytes(): Promise<number> {
    const status = await readFile(`/proc/${this.child?.pid}/status`, 'utf8')
    return Number(/VmRSS:\s+(\d+)/.exec(status)?.[1]) / 1024
  }

  /** Errors it has written into its log since it started. */
  get faults(): string[] {
    return this.said.split('\n').filter(line => /"level":[56]0/.test(line))
  }

  /** How long the server's thread did not come round, at the longest since it was last asked, in milliseconds. */
  async longestStop(): Promise<number> {
    return (await this.held()).byClock
  }

  /** The same, and how long it worked before it did: the two are apart where many share the processors. */
  async held(): Promise<{ byClock: number; worked: number }> {
    const answered = once(this.child as ChildProcess, 'message')
    this.child?.send({ longestStop: true })
    const [{ longestStop, longestWork }] = (await answered) as [
      { longestStop: number; longestWork?: number | null },
    ]
    return { byClock: longestStop, worked: longestWork ?? longestStop }
  }

  /** Gives the exit code; null when the process was killed. */
  async end(signal: 'SIGTERM' | 'SIGKILL'): Promise<number | null> {
    const { child } = this
    if (!child || child.exitCode !== null || child.signalCode !== null) return child?.exitCode ?? null
    const exited = once(child, 'exit')
    child.kill(signal)
    const [code] = await exited
    return code as number | null
  }

  async signal(signal: 'SIGHUP'): Promise<void> {
    this.child?.kill(signal)
    await new Promise(resolve => setTimeout(resolve, 200))
  }

  /** Ends it without waiting for what it would put away: how it ends in good order is walked in crash.spec. */
  async remove(): Promise<void> {
    await this.end('SIGKILL')
    rmSync(this.folder, { recursive: true, force: true })
  }
}

/** Signs in by the form's request alone; gives the cookies as they are sent back. */
export async function signedInCookies({ address, demo }: TestServer, account = 0): Promise<string[]> {
  const { accounts, password } = demo as Demo
  const answer = await fetch(`${address}/sign-in`, {
    method: 'POST',
    body: new URLSearchParams({ email: accounts[account] ?? '', password }),
    redirect: 'manual',
  })
  return answer.headers.getSetCookie().map(each => each.split(';')[0] ?? '')
}
