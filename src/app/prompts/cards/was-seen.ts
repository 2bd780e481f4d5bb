import { type RefObject, useEffect, useState } from 'react'

/** So far from what is seen is near. */
const NEAR = '600px'

/** One for all elements of a page: a thousand of their own would each be asked. */
class Near {
  private readonly waiting = new Map<Element, () => void>()
  private readonly observer = new IntersectionObserver(entries => this.see(entries), { rootMargin: NEAR })

  /** `then` is called once, when it comes near. Gives how to stop waiting. */
  wait(element: Element, then: () => void): () => void {
    this.waiting.set(element, then)
    this.observer.observe(element)
    return () => this.forget(element)
  }

  private see(entries: readonly IntersectionObserverEntry[]): void {
    for (const { target, isIntersecting } of entries) {
      if (!isIntersecting) continue
      const then = this.waiting.get(target)
      this.forget(target)
      then?.()
    }
  }

  private forget(element: Element): void {
    this.waiting.delete(element)
    this.observer.unobserve(element)
  }
}

let near: Near | undefined

/** Whether an element was ever near what is seen of the page. */
export function useWasSeen(element: RefObject<Element | null>): boolean {
  const [wasSeen, setSeen] = useState(false)
  useEffect(() => {
    if (!element.current) return
    near ??= new Near()
    return near.wait(element.current, () => setSeen(true))
  }, [element])
  return wasSeen
}
