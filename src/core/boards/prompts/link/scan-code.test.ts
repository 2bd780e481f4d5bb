import jsQR from 'jsqr'
import { scanCode } from './scan-code'

/** The code as a picture: eight points a square, white around it. */
function picture({ size, path }: NonNullable<ReturnType<typeof scanCode>>) {
  const [scale, margin] = [8, 4]
  const width = (size + 2 * margin) * scale
  const points = new Uint8ClampedArray(width * width * 4).fill(255)
  for (const [, column, row] of path.matchAll(/M(\d+) (\d+)h1v1h-1z/g)) {
    for (let y = 0; y < scale; y++)
      for (let x = 0; x < scale; x++) {
        const at = (((Number(row) + margin) * scale + y) * width + (Number(column) + margin) * scale + x) * 4
        points.fill(0, at, at + 3)
      }
  }
  return { points, width }
}

test.each(['https://lowmarsh.example/paths', `https://lowmarsh.example/${'a'.repeat(600)}?q=ü&x=1#end`])(
  'another library (jsQR) reads the address back: %s',
  address => {
    const code = scanCode(address)
    expect(code).not.toBeNull()
    if (!code) return
    const { points, width } = picture(code)
    expect(jsQR(points, width, width)?.data).toBe(address)
  },
)

test('what is too long for a code has none', () => {
  expect(scanCode(`https://lowmarsh.example/${'a'.repeat(3_000)}`)).toBeNull()
})
