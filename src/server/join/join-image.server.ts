import { LRUCache } from 'lru-cache'
import QRCode from 'qrcode'

/** Pages with a code look at it again every few seconds; drawing it takes a tenth of what a page takes. */
const drawn = new LRUCache<string, string>({ max: 200 })

/** A code to scan that leads to an address, as an image address (SVG in a data URL). */
export async function joinImage(address: string): Promise<string> {
  const known = drawn.get(address)
  if (known) return known
  const image = await QRCode.toString(address, { type: 'svg', margin: 1 })
  const url = `data:image/svg+xml;base64,${Buffer.from(image).toString('base64')}`
  drawn.set(address, url)
  return url
}
