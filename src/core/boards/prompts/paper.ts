/** How the space under a prompt looks on paper, for groups that work with pen. */
export type Paper =
  | { is: 'lines'; count: number }
  /** Boxes to tick. */
  | { is: 'boxes'; labels: readonly string[] }
  /** Columns to write in, a line each row. `first` are labels at the left of the rows, empty where there are none. */
  | { is: 'grid'; columns: readonly string[]; first: readonly string[] }
  /** Labels with room behind each: what stands before it, and its unit. */
  | { is: 'fields'; fields: readonly { before: string; after: string }[] }
  | { is: 'scale'; low: string; high: string; steps: number }
  | { is: 'text'; text: string }
  /** A picture from the library; its size in points. */
  | { is: 'picture'; file: string; title: string; width: number; height: number }
  /** An empty frame to draw in. */
  | { is: 'ground' }

export const lines = (count: number): Paper => ({ is: 'lines', count })

/** So many empty rows. */
export const emptyRows = (count: number): string[] => Array.from({ length: count }, () => '')

/** Pictures of the library, one below the other. */
export const picturesOnPaper = (pictures: readonly Omit<PaperPicture, 'is'>[]): Paper[] =>
  pictures.map(({ file, title, width, height }) => ({ is: 'picture', file, title, width, height }))

type PaperPicture = Extract<Paper, { is: 'picture' }>
