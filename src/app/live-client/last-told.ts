/** What was last told of something that changes often: whoever shows it follows it, and nothing around is drawn anew. */
export class LastTold<Value> {
  private readonly listeners = new Set<() => void>()

  constructor(private value: Value) {}

  get = (): Value => this.value

  tell = (value: Value): void => {
    if (value === this.value) return
    this.value = value
    for (const listener of this.listeners) listener()
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }
}
