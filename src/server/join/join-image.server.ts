import QRCode from 'qrcode'

/** A code to scan that leads to an address, as an image address (SVG in a data URL). */
export async function joinImage(address: string): Promise<string> {
  const image = await QRCode.toString(address, { type: 'svg', margin: 1 })
  return `data:image/svg+xml;base64,${Buffer.from(image).toString('base64')}`
}
