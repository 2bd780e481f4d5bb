/** Finds out what a file is, from what is in it and never from its name, and keeps what may be kept of it. */
import { stat } from 'node:fs/promises'
import { join } from 'node:path'
import { fileTypeFromFile } from 'file-type'
import sharp, { type Metadata } from 'sharp'
import {
  FILE_KINDS,
  type FileKind,
  fileKindOf,
  LARGEST_FILE,
  MOST_POINTS,
  PICTURE_WIDTHS,
  PICTURES_TAKEN_IN,
  sizeText,
  TAKEN_IN,
} from '~/core/material/material'
import { copyTo, type FileFolder, hashOf } from './file-folder.server'

// It would take drawings that are programs of their own, and read files that they name.
sharp.block({ operation: ['VipsForeignLoadSvg'] })
// With one thread: the session goes on beside it.
sharp.concurrency(1)
sharp.cache(false)

/** A file is not taken in. The message is for whoever sent it. */
export class NotTakenError extends Error {
  override name = 'NotTakenError'
}

export interface TakenIn {
  hash: string
  kind: FileKind
  type: string
  bytes: number
  width: number | null
  height: number | null
}

/** The name of what is kept of a file that is no picture. */
export const WHOLE = 'whole'
/** The name of a picture in one of its widths. */
export const pictureName = (width: number): string => `${width}.webp`

/**
 * Takes in the file at a path, which stays where it is. Pictures are made anew in three widths, turned as they were meant to be
 * seen, without place, camera or anything else they said of themselves; other files are kept as they are. Of other `kinds` than
 * those that are wanted nothing is taken in. Throws NotTakenError.
 */
export async function takeIn(
  path: string,
  folder: FileFolder,
  kinds: readonly FileKind[] = FILE_KINDS,
): Promise<TakenIn> {
  const { size } = await stat(path)
  const type = (await fileTypeFromFile(path))?.mime ?? ''
  const kind = fileKindOf(type)
  if (kind === null || !kinds.includes(kind))
    throw new NotTakenError(
      `This is none of what is taken in: ${kinds.length > 1 ? TAKEN_IN : PICTURES_TAKEN_IN}.`,
    )
  if (size > LARGEST_FILE[kind])
    throw new NotTakenError(
      `This is too large: it has ${sizeText(size)}, and at most ${sizeText(LARGEST_FILE[kind])} are taken in.`,
    )
  const hash = await hashOf(path)
  if (kind === 'picture')
    return { hash, kind, type: 'image/webp', ...(await takePicture(path, hash, folder)) }
  const bytes = await folder.keep(hash, making => copyTo(path, join(making, WHOLE)))
  return { hash, kind, type, bytes, width: null, height: null }
}

async function takePicture(path: string, hash: string, folder: FileFolder) {
  const { width, height } = await measured(path)
  const bytes = await folder
    .keep(hash, async making => {
      for (const wanted of PICTURE_WIDTHS)
        await sharp(path, { limitInputPixels: MOST_POINTS, failOn: 'error' })
          .autoOrient()
          .resize({ width: wanted, withoutEnlargement: true })
          .webp({ quality: 82 })
          .toFile(join(making, pictureName(wanted)))
    })
    .catch(error => {
      if (isOutOfRoom(error)) throw error
      throw new NotTakenError('This picture can not be read: it is damaged, or not whole.')
    })
  return { width, height, bytes }
}

/** A picture's size as it is seen: one that lies on its side is turned. */
async function measured(path: string): Promise<{ width: number; height: number }> {
  // Only its head is read, so its size counts before anything is unpacked.
  const read: Metadata = await sharp(path, { limitInputPixels: false })
    .metadata()
    .catch(() => {
      throw new NotTakenError('This picture can not be read: it is damaged, or not whole.')
    })
  if (read.width * read.height > MOST_POINTS)
    throw new NotTakenError(
      `This picture is too large: it has ${read.width} by ${read.height} points. Make it smaller than ${MOST_POINTS / 1_000_000} million.`,
    )
  return read.autoOrient
}

export const isOutOfRoom = (error: unknown): boolean =>
  ['ENOSPC', 'EDQUOT', 'EFBIG'].includes(String((error as { code?: unknown })?.code)) ||
  /no space left|disk full/i.test(String((error as Error)?.message))
