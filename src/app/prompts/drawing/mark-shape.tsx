import { getStroke } from 'perfect-freehand'
import { memo } from 'react'
import { type Mark, type Shape, WIDTH } from '~/core/boards/prompts/drawing/document'

/** The colours of marks, to be told apart on light and dark pictures: each has a rim of the other. */
export const MARK_COLOURS = [
  { name: 'red', fill: '#c4281c', rim: '#ffffff' },
  { name: 'blue', fill: '#1d4fbf', rim: '#ffffff' },
  { name: 'black', fill: '#14171a', rim: '#ffffff' },
  { name: 'yellow', fill: '#ffd54a', rim: '#14171a' },
] as const

const THICK = 70
const RIM = 40
const HEAD = 260
const LETTERS = 380

export const SHAPE_WORDS: Record<Shape, string> = {
  pen: 'Line',
  arrow: 'Arrow',
  box: 'Box',
  ellipse: 'Ellipse',
  text: 'Text',
}

/** One mark as it is drawn. Marks are never changed, so each is drawn once. */
export const MarkShape = memo(function MarkShape({ mark }: { mark: Mark }) {
  const { fill, rim } = MARK_COLOURS[mark.colour] ?? MARK_COLOURS[0]
  if (mark.points.length === 0) return null
  if (mark.shape === 'pen')
    return (
      <path d={strokePath(mark.points)} fill={fill} stroke={rim} strokeWidth={RIM / 2} paintOrder="stroke" />
    )
  if (mark.shape === 'text') {
    const [x = 0, y = 0] = mark.points
    return (
      <text
        x={x}
        y={y}
        // As a style: what styles say of letters elsewhere counts before an attribute.
        style={{ fontSize: `${LETTERS}px`, fontWeight: 650 }}
        fill={fill}
        stroke={rim}
        strokeWidth={RIM * 2}
        paintOrder="stroke"
        dominantBaseline="middle"
      >
        {mark.text}
      </text>
    )
  }
  const d = outline(mark)
  const line = { fill: 'none', strokeLinecap: 'round', strokeLinejoin: 'round' } as const
  return (
    <>
      <path d={d} {...line} stroke={rim} strokeWidth={THICK + RIM} />
      <path d={d} {...line} stroke={fill} strokeWidth={THICK} />
    </>
  )
})

function strokePath(points: readonly number[]): string {
  const pairs = Array.from({ length: points.length / 2 }, (_, at) => [
    points[2 * at] ?? 0,
    points[2 * at + 1] ?? 0,
  ])
  const edge = getStroke(pairs, { size: THICK * 1.6, thinning: 0.3, simulatePressure: true })
  const [first, ...rest] = edge
  return first ? `M${coordinates(first)} ${rest.map(point => `L${coordinates(point)}`).join(' ')}Z` : ''
}
const coordinates = ([x = 0, y = 0]: number[]) => `${Math.round(x)} ${Math.round(y)}`

function outline({ shape, points }: Mark): string {
  const [ax = 0, ay = 0, bx = 0, by = 0] = points
  switch (shape) {
    case 'box':
      return `M${ax} ${ay}H${bx}V${by}H${ax}Z`
    case 'ellipse': {
      const [rx, ry] = [Math.abs(bx - ax) / 2, Math.abs(by - ay) / 2]
      const [cx, cy] = [(ax + bx) / 2, (ay + by) / 2]
      return `M${cx - rx} ${cy}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0Z`
    }
    default: {
      const angle = Math.atan2(by - ay, bx - ax)
      const barb = (turn: number) =>
        `${Math.round(bx - HEAD * Math.cos(angle + turn))} ${Math.round(by - HEAD * Math.sin(angle + turn))}`
      return `M${ax} ${ay}L${bx} ${by}M${barb(0.5)}L${bx} ${by}L${barb(-0.5)}`
    }
  }
}

/** The least and greatest a mark reaches, to be pressed anywhere in it. */
export function reachOf({ shape, points, text }: Mark): {
  x: number
  y: number
  width: number
  height: number
} {
  const xs = points.filter((_, place) => place % 2 === 0)
  const ys = points.filter((_, place) => place % 2 === 1)
  if (shape === 'text')
    return {
      x: xs[0] ?? 0,
      y: (ys[0] ?? 0) - LETTERS / 2,
      width: Math.max(LETTERS, text.length * LETTERS * 0.55),
      height: LETTERS,
    }
  const [left, top] = [Math.min(...xs), Math.min(...ys)]
  const room = WIDTH / 60
  return {
    x: left - room,
    y: top - room,
    width: Math.max(...xs) - left + 2 * room,
    height: Math.max(...ys) - top + 2 * room,
  }
}
