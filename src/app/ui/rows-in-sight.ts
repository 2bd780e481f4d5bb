import { useWindowVirtualizer } from '@tanstack/react-virtual'
import { type RefObject, useLayoutEffect, useState } from 'react'

/** A list that long is drawn whole; of a longer one, only what is in sight and a little around it. */
const DRAWN_WHOLE = 60
/** Rows drawn above and below the window, so that arrow keys and a turn of the wheel find them there. */
const AROUND = 15
const USUAL_HEIGHT = 45

export interface RowsInSight<Item> {
  /** Height of what stands before and after the rows that are drawn, in pixels. */
  before: number
  after: number
  inSight: { item: Item; index: number; measure: (element: HTMLElement | null) => void }[]
}

/** Which rows of a list to draw while the page scrolls. `holder` is what holds the rows. */
export function useRowsInSight<Item extends { id: string }>(
  items: readonly Item[],
  holder: RefObject<HTMLElement | null>,
): RowsInSight<Item> {
  /** Null until the page has come alive: the server draws no more than what fits a window. */
  const [measured, setMeasured] = useState<number | null>(null)
  const top = measured ?? 0
  const isLong = items.length > DRAWN_WHOLE
  useLayoutEffect(() => {
    const above = holder.current?.getBoundingClientRect().top ?? 0
    setMeasured(above + window.scrollY)
  }, [holder])
  const virtual = useWindowVirtualizer({
    count: items.length,
    estimateSize: () => USUAL_HEIGHT,
    overscan: measured === null ? 0 : AROUND,
    scrollMargin: top,
    getItemKey: index => items[index]?.id ?? index,
    initialRect: { width: 1280, height: 500 },
    enabled: isLong,
  })
  const measure = virtual.measureElement
  if (!isLong) {
    const inSight = items.map((item, index) => ({ item, index, measure: noMeasure }))
    return { before: 0, after: 0, inSight }
  }
  const drawn = virtual.getVirtualItems()
  return {
    before: (drawn[0]?.start ?? top) - top,
    after: virtual.getTotalSize() - ((drawn.at(-1)?.end ?? top) - top),
    inSight: drawn.flatMap(({ index }) => {
      const item = items[index]
      return item ? [{ item, index, measure }] : []
    }),
  }
}

const noMeasure = () => undefined
