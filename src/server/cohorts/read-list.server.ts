/** Reads whatever file a class list comes in, and makes one table of it: text with commas, as a browser can send it back. */
import { strFromU8, unzipSync, zipSync } from 'fflate'
import { readSheet } from 'read-excel-file/node'
import { readCsv, writePlainCsv } from '~/core/formats/csv'
import { decodeText } from '~/core/formats/decode-text'
import {
  CLASS_HEADER,
  type OneRosterList,
  type OneRosterProblem,
  readOneRoster,
} from '~/core/formats/oneroster'
import { done, type Result, refused } from '../result'

export interface UploadedFile {
  name: string
  bytes: Uint8Array
}

/** `text` is the list as comma separated values; `read` says what it was, in words; `classes` are to be chosen from. */
export interface ReadList {
  text: string
  read: string
  classes: string[]
  /** What a OneRoster list had that this list has not. */
  leftOut?: OneRosterList['leftOut']
}

export type ListProblem =
  | { code: 'not-text' | 'unknown-zip' | 'too-large-inside' | 'broken-file' | 'several-files' }
  | OneRosterProblem

/** Largest content of a packed file, in bytes: more than any class list has, and little enough to unpack. */
const MOST_UNPACKED = 40_000_000
/** Files in a packed file. */
const MOST_PACKED = 2_000
/** How far down and to the right a spreadsheet's cells may lie: its reader makes room for all that lie before them. */
const MOST_SHEET_ROWS = 20_000
const MOST_SHEET_COLUMNS = 200

/** One file of text, a spreadsheet or a ZIP, or the files of a OneRoster list together. */
export async function readList(files: UploadedFile[]): Promise<Result<ReadList, ListProblem>> {
  const [first] = files
  if (files.length > 1 || first?.name.toLowerCase() === 'users.csv') return fromOneRoster(files)
  if (!first) return refused({ code: 'not-text' })
  return isZip(first.bytes) ? fromZip(first.bytes) : fromText(first.bytes)
}

/** The rows of one class of a list that has several; the list itself when no class is named. */
export function onlyClass(text: string, chosen: string): string {
  if (!chosen) return text
  const [headers = [], ...rows] = readCsv(text).rows
  const index = headers.indexOf(CLASS_HEADER)
  return writePlainCsv([headers, ...rows.filter(row => row[index] === chosen)])
}

function fromText(bytes: Uint8Array): Result<ReadList, ListProblem> {
  const decoded = decodeText(bytes)
  return decoded
    ? done({ text: decoded.text, read: `text in ${decoded.encoding}`, classes: [] })
    : refused({ code: 'not-text' })
}

async function fromZip(bytes: Uint8Array): Promise<Result<ReadList, ListProblem>> {
  let unpacked = 0
  const names: string[] = []
  try {
    // Only looked through: the sizes are those the file claims, and unpacking stops at them.
    unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        names.push(name)
        unpacked += originalSize
        if (names.length > MOST_PACKED) unpacked = Number.POSITIVE_INFINITY
        return false
      },
    })
    if (unpacked > MOST_UNPACKED) return refused({ code: 'too-large-inside' })
    if (names.includes('xl/workbook.xml')) return await fromSpreadsheet(bytes)
    const csv = unzipSync(bytes, { filter: ({ name }) => /(^|\/)[a-z]+\.csv$/i.test(name) })
    const files = Object.entries(csv).map(([name, content]) => ({
      name: name.replace(/^.*\//, ''),
      bytes: content,
    }))
    return files.some(file => file.name.toLowerCase() === 'users.csv')
      ? fromOneRoster(files)
      : refused({ code: 'unknown-zip' })
  } catch {
    return refused({ code: 'broken-file' })
  }
}

async function fromSpreadsheet(bytes: Uint8Array): Promise<Result<ReadList, ListProblem>> {
  // Unpacked here, to the sizes it claims, and packed anew: what reads it unpacks whatever there is.
  const parts = unzipSync(bytes, { filter: ({ name }) => name.startsWith('xl/') || !name.includes('/') })
  const sheets = Object.entries(parts).filter(([name]) => /^xl\/worksheets\/[^/]+\.xml$/.test(name))
  if (sheets.some(([, sheet]) => reachesTooFar(strFromU8(sheet))))
    return refused({ code: 'too-large-inside' })
  const rows = await readSheet(Buffer.from(zipSync(parts, { level: 0 })))
  const text = writePlainCsv(rows.map(row => row.map(cellText)))
  return done({ text, read: 'first sheet of a spreadsheet', classes: [] })
}

/** Where the cells of a sheet lie, and what it says its extent is: `r="XFD1048576"`, `ref="A1:C9"` (ECMA-376, part 1, 18.3.1). */
const PLACE = /(?:\br="|\bref="(?:[A-Z]{1,3}\d{1,7}:)?)([A-Z]{0,3})(\d{1,7})"/g

function reachesTooFar(sheet: string): boolean {
  for (const [, letters = '', row] of sheet.matchAll(PLACE))
    if (Number(row) > MOST_SHEET_ROWS || columnNumber(letters) > MOST_SHEET_COLUMNS) return true
  return false
}

/** A is 1, Z 26, AA 27. */
const columnNumber = (letters: string): number =>
  [...letters].reduce((number, letter) => number * 26 + letter.charCodeAt(0) - 64, 0)

function cellText(cell: unknown): string {
  if (cell === null || cell === undefined) return ''
  if (cell instanceof Date) return cell.toISOString().slice(0, 10)
  if (typeof cell === 'boolean') return cell ? 'yes' : 'no'
  return String(cell)
}

function fromOneRoster(files: UploadedFile[]): Result<ReadList, ListProblem> {
  const texts = new Map<string, string>()
  for (const { name, bytes } of files) {
    const text = isZip(bytes) ? undefined : decodeText(bytes)?.text
    if (text === undefined) return refused({ code: 'several-files' })
    texts.set(name.toLowerCase(), text)
  }
  const list = readOneRoster(texts)
  if (!list.ok)
    return refused(files.length > 1 && !texts.has('users.csv') ? { code: 'several-files' } : list.problem)
  const { rows, classes, leftOut } = list.list
  return done({ text: writePlainCsv(rows), read: 'OneRoster CSV', classes, leftOut })
}

const isZip = (bytes: Uint8Array) => strFromU8(bytes.subarray(0, 4), true) === 'PK\u0003\u0004'
