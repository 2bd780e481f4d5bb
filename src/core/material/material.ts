/** Material: files and links that groups are given to look at. What may be kept, and how it is called. */
import { z } from 'zod'
import { visibleText } from '../formats/clean-text'

export const FILE_KINDS = ['picture', 'pdf', 'sound', 'video'] as const
export type FileKind = (typeof FILE_KINDS)[number]
export type MaterialKind = FileKind | 'link'

const MB = 1024 * 1024
/** Largest file of each kind, in bytes. */
export const LARGEST_FILE: Record<FileKind, number> = {
  picture: 25 * MB,
  pdf: 50 * MB,
  sound: 100 * MB,
  video: 300 * MB,
}
export const LARGEST_OF_ALL = Math.max(...Object.values(LARGEST_FILE))
/** Most points of a picture: 8,000 by 6,000, and what a good phone takes. */
export const MOST_POINTS = 50_000_000
/** Widths a picture is kept in, in points: for lists, for a page, and to look closer. Smaller ones are not made larger. */
export const PICTURE_WIDTHS = [480, 1280, 2400] as const
export type PictureWidth = (typeof PICTURE_WIDTHS)[number]

/** What a file is taken for, by the type that its content says; nothing else is taken in. */
const KINDS_BY_TYPE: Readonly<Record<string, FileKind>> = {
  'image/jpeg': 'picture',
  'image/png': 'picture',
  'image/webp': 'picture',
  'image/gif': 'picture',
  'image/avif': 'picture',
  'application/pdf': 'pdf',
  'audio/mpeg': 'sound',
  'audio/wav': 'sound',
  'audio/ogg': 'sound',
  'audio/mp4': 'sound',
  'audio/x-m4a': 'sound',
  'audio/flac': 'sound',
  'video/mp4': 'video',
  'video/webm': 'video',
}

export const PICTURES_TAKEN_IN = 'pictures (JPEG, PNG, WebP, GIF, AVIF)'
export const TAKEN_IN =
  'Pictures (JPEG, PNG, WebP, GIF, AVIF), PDF, sound (MP3, M4A, WAV, Ogg, FLAC) and video (MP4, WebM)'

/** `type` as a file's content says it, with or without parameters; null for what is not taken in. */
export function fileKindOf(type: string): FileKind | null {
  const plain = type.split(';')[0]?.trim() ?? ''
  return Object.hasOwn(KINDS_BY_TYPE, plain) ? (KINDS_BY_TYPE[plain] ?? null) : null
}

/** The name of a kept file: the SHA-256 of what was sent, in hexadecimal. */
export const fileHash = z.string().regex(/^[0-9a-f]{64}$/)

const LONGEST_TITLE = 120
/** What a thing is called by the name of its file: without folders and the ending, and nothing that is not seen. */
export function titleOfFile(name: string): string {
  const last = visibleText(name.split(/[\\/]/).at(-1) ?? '').trim()
  const plain = last
    .replace(/\.[A-Za-z0-9]{1,5}$/, '')
    .replaceAll('_', ' ')
    .trim()
  return (plain || last || 'Without a name').slice(0, LONGEST_TITLE)
}

export const materialTitle = z
  .string('Say what it is called.')
  .max(1_000, { error: `Use at most ${LONGEST_TITLE} characters.`, abort: true })
  .overwrite(visibleText)
  .trim()
  .min(1, 'Say what it is called.')
  .max(LONGEST_TITLE, `Use at most ${LONGEST_TITLE} characters.`)

/** A size as people say it: `3.4 MB`. */
export function sizeText(bytes: number): string {
  if (bytes < 1024) return `${bytes} bytes`
  const [value, unit] =
    bytes < MB ? [bytes / 1024, 'KB'] : bytes < 1024 * MB ? [bytes / MB, 'MB'] : [bytes / 1024 / MB, 'GB']
  return `${value < 10 ? value.toFixed(1) : Math.round(value)} ${unit}`
}

/** One of the library, as lists show it. */
export interface Material {
  id: string
  kind: MaterialKind
  title: string
  /** Where a link leads. */
  address: string | null
  file: KeptFile | null
  addedBy: string
  /** In milliseconds since 1970. */
  addedAt: number
  /** Titles of the boards it stands on. */
  usedOn: string[]
}

export interface KeptFile {
  hash: string
  /** All that is kept of it, in bytes. */
  bytes: number
  /** Of a picture, in points; null for others. */
  width: number | null
  height: number | null
  /** What is said in it can be read along. */
  captioned: boolean
}

/** Under which a file's captions are asked for beside it. */
export const CAPTIONS_NAME = 'captions.vtt'
