import { type ChildProcess, fork } from 'node:child_process'
import { once } from 'node:events'

/** A reference server in a process of its own, as ours is; it sends the port it listens on. */
export async function helperProcess(file: string): Promise<{ port: number; child: ChildProcess }> {
  const child = fork(file, { execArgv: ['--import', 'tsx'] })
  const [message] = (await once(child, 'message')) as [{ port: number }]
  return { port: message.port, child }
}
