import { Box, chakra } from '@chakra-ui/react'
import layOut from 'd3-cloud'
import { useEffect, useState } from 'react'
import { cloudOf } from '~/core/boards/prompts/words/cloud'

const [WIDTH, HEIGHT] = [480, 260]
/** More are not drawn, and stand in the list alone. */
const MOST_DRAWN = 80
/** In quotes: a name with a number in it is none without them, and the words would be measured in another font. */
const FONT = '"Source Sans 3 Variable", sans-serif'
/** In points of the picture, of the words that were written least and most often. */
const [SMALLEST, LARGEST] = [16, 52]

interface Drawn {
  text: string
  size: number
  x: number
  y: number
}

interface Picture {
  drawn: Drawn[]
  /** Left, top, width and height of what is drawn. */
  frame: [number, number, number, number]
}

/** Around the words that were placed, with a little space. */
function frameOf(
  [upper, lower]: { x: number; y: number }[] | [undefined, undefined] = [undefined, undefined],
): Picture['frame'] {
  if (!upper || !lower) return [0, 0, WIDTH, HEIGHT]
  return [upper.x - 6, upper.y - 6, lower.x - upper.x + 12, lower.y - upper.y + 12]
}

/** The same every time and in every browser: words must not jump while others are added. */
function steady(): () => number {
  let state = 1
  return () => {
    state = (state * 48_271) % 2_147_483_647
    return state / 2_147_483_647
  }
}

/** Words by how many wrote them: drawn, and as a list for who cannot see the picture. */
export function WordCloud({ words, label }: { words: readonly string[]; label: string }) {
  const counted = cloudOf(words)
  const [{ drawn, frame }, setPicture] = useState<Picture>({ drawn: [], frame: [0, 0, WIDTH, HEIGHT] })
  const key = JSON.stringify(counted)
  useEffect(() => {
    const { most, sizes } = sized(JSON.parse(key))
    const cloud = layOut<Drawn>()
      .size([WIDTH, HEIGHT])
      .words(
        sizes
          .slice(0, MOST_DRAWN)
          .map(({ text, count }) => ({ text, size: sizeOf(count, most), x: 0, y: 0 })),
      )
      .rotate(0)
      .padding(4)
      .font(FONT)
      .fontSize(word => word.size)
      .timeInterval(20)
      .random(steady())
      .on('end', (placed, bounds) => setPicture({ drawn: placed, frame: frameOf(bounds) }))
      .start()
    return () => {
      cloud.stop()
    }
  }, [key])
  return (
    <Box>
      <Box maxW={`${frame[2] / 16}em`} aria-hidden="true">
        <chakra.svg viewBox={frame.join(' ')} w="full" fill="var(--ink)" fontFamily={FONT}>
          {drawn.map(({ text, size, x, y }) => (
            <text
              key={text}
              x={x + WIDTH / 2}
              y={y + HEIGHT / 2}
              style={{ fontSize: `${size}px` }}
              textAnchor="middle"
            >
              {text}
            </text>
          ))}
        </chakra.svg>
      </Box>
      <chakra.ul srOnly aria-label={label}>
        {counted.map(({ word, count }) => (
          <li key={word}>{count > 1 ? `${word}, ${count} times` : word}</li>
        ))}
      </chakra.ul>
    </Box>
  )
}

function sized(counted: ReturnType<typeof cloudOf>) {
  const most = Math.max(1, ...counted.map(({ count }) => count))
  return { most, sizes: counted.map(({ word, count }) => ({ text: word, count })) }
}

/** The area a word takes goes with how many wrote it. */
function sizeOf(count: number, most: number): number {
  return most === 1
    ? (SMALLEST + LARGEST) / 2
    : SMALLEST + (LARGEST - SMALLEST) * Math.sqrt((count - 1) / (most - 1))
}
