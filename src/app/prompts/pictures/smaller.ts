/** Widest side of a picture as it is sent, in points: more is not kept. */
const WIDEST = 2_400

/**
 * A picture as it is sent from a phone: no wider than it is kept, which is a fraction of what a camera makes, and turned as it
 * is seen. What a browser cannot read is sent as it is: the server says what it takes.
 */
export async function smaller(file: File): Promise<Blob> {
  try {
    const bitmap = await createImageBitmap(file)
    const scale = Math.min(1, WIDEST / Math.max(bitmap.width, bitmap.height))
    const canvas = new OffscreenCanvas(Math.round(bitmap.width * scale), Math.round(bitmap.height * scale))
    canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
    bitmap.close()
    const made = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.85 })
    return made.size < file.size ? made : file
  } catch {
    return file
  }
}
