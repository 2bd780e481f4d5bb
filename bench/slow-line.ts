import { once } from 'node:events'
import { type AddressInfo, createConnection, createServer, type Socket } from 'node:net'
import { setTimeout } from 'node:timers/promises'

export interface LineQuality {
  /** In each direction, of all connections together, as a phone has them. */
  bitsPerSecond: number
  /** There and back, in milliseconds. */
  roundTripMs: number
}

/** Bytes that may wait in one direction of a connection before no more are read. */
const MOST_WAITING = 64_000

/** A line to a server on this machine that is as slow as it is told: it delays, narrows, stalls and cuts what goes over it. */
export class SlowLine {
  private readonly server = createServer(socket => this.connect(socket))
  private readonly sockets = new Set<Socket>()
  /** When the line is free again in each direction, in milliseconds since the process began. */
  private readonly free = { up: 0, down: 0 }
  private isCut = false

  private constructor(
    private readonly target: number,
    private readonly quality: LineQuality,
  ) {}

  static async to(address: string, quality: LineQuality): Promise<SlowLine> {
    const line = new SlowLine(Number(new URL(address).port), quality)
    line.server.listen(0, 'localhost')
    await once(line.server, 'listening')
    return line
  }

  get address(): string {
    return `http://localhost:${(this.server.address() as AddressInfo).port}`
  }

  /** Nothing goes over it for so long; nothing is lost. */
  stall(milliseconds: number): void {
    const until = performance.now() + milliseconds
    this.free.up = Math.max(this.free.up, until)
    this.free.down = Math.max(this.free.down, until)
  }

  /** Every connection breaks, and none can be made until it is mended. */
  cut(): void {
    this.isCut = true
    for (const socket of this.sockets) socket.destroy()
  }

  mend(): void {
    this.isCut = false
  }

  close(): void {
    this.cut()
    this.server.close()
  }

  private connect(near: Socket): void {
    if (this.isCut) {
      near.destroy()
      return
    }
    const far = createConnection(this.target, 'localhost')
    for (const socket of [near, far]) {
      this.sockets.add(socket)
      socket.setNoDelay(true)
      socket.on('error', () => socket.destroy())
      socket.on('close', () => {
        this.sockets.delete(socket)
        near.destroy()
        far.destroy()
      })
    }
    this.carry(near, far, 'up')
    this.carry(far, near, 'down')
  }

  private carry(from: Socket, to: Socket, way: 'up' | 'down'): void {
    let waiting = 0
    /** What came first arrives first, however the timers fall. */
    let before: Promise<void> = Promise.resolve()
    const inTurn = (act: () => void) => {
      const due = this.free[way] + this.quality.roundTripMs / 2
      before = before.then(() => setTimeout(Math.max(0, due - performance.now()))).then(act)
    }
    from.on('data', bytes => {
      waiting += bytes.length
      if (waiting > MOST_WAITING) from.pause()
      const begins = Math.max(performance.now(), this.free[way])
      this.free[way] = begins + (bytes.length * 8_000) / this.quality.bitsPerSecond
      inTurn(() => {
        waiting -= bytes.length
        if (waiting <= MOST_WAITING) from.resume()
        if (!to.destroyed) to.write(bytes)
      })
    })
    from.on('end', () => inTurn(() => to.end()))
  }
}
