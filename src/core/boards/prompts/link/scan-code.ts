import QRCode from 'qrcode'

/** A code to scan (ISO/IEC 18004), as a path of unit squares; it needs four of them free on each side. */
export interface ScanCode {
  /** Squares on a side. */
  size: number
  path: string
}

/** Null for what does not fit into a code. O(size²). */
export function scanCode(text: string): ScanCode | null {
  try {
    const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' })
    const { size } = modules
    const rows = Array.from({ length: size }, (_, row) =>
      Array.from({ length: size }, (_, column) =>
        modules.get(row, column) ? `M${column} ${row}h1v1h-1z` : '',
      ).join(''),
    )
    return { size, path: rows.join('') }
  } catch {
    return null
  }
}
