/** Saves a text as a file, named after the board it is of. */
export function saveAs({ title }: { title: string }, extension: 'json' | 'md', text: string): void {
  const type = extension === 'json' ? 'application/json' : 'text/markdown'
  const address = URL.createObjectURL(new Blob([text], { type: `${type};charset=utf-8` }))
  const link = document.createElement('a')
  link.href = address
  link.download = `${fileName(title)}.${extension}`
  link.click()
  URL.revokeObjectURL(address)
}

const fileName = (title: string): string =>
  title
    .replace(/[^\p{L}\p{N} _-]/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim() || 'board'
