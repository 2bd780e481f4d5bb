import { Node } from '@tiptap/core'
import type { Picture } from '~/core/boards/prompts/shown-picture'

interface SheetPictureOptions {
  /** Where files are read from. */
  filesAt: string
  /** Those that were set for this sheet: no other is asked for. */
  pictures: readonly Picture[]
}

const plain = (name: string) => ({
  default: null,
  parseHTML: (element: HTMLElement) => element.getAttribute(`data-${name}`),
})

/** A picture of the library in the text of a sheet. What stands in a shared document is from anybody: only set ones are shown. */
export const SheetPicture = Node.create<SheetPictureOptions>({
  name: 'picture',
  group: 'block',
  atom: true,
  draggable: true,
  addOptions: () => ({ filesAt: '/files', pictures: [] }),
  addAttributes: () => ({ file: plain('file'), title: plain('title') }),
  parseHTML: () => [{ tag: 'img[data-file]' }],
  renderHTML({ node }) {
    const set = this.options.pictures.find(({ file }) => file === node.attrs.file)
    if (!set) return ['p', {}, 'A picture that is not here']
    const { file, title, width, height } = set
    return [
      'img',
      {
        src: `${this.options.filesAt}/${file}/1280.webp`,
        alt: title || 'Picture without a name',
        width: String(width),
        height: String(height),
        'data-file': file,
        'data-title': title,
      },
    ]
  },
})
