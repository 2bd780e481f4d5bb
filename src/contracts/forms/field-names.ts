/** Names of form fields, as the form library reads them: `title`, `steps[2]`, `values[0].value`. */

/** No form of ours has a list that long, nor lies that deep. */
const MOST_INDEX = 499
const DEEPEST = 4
const LONGEST = 100

const SEGMENT = /^[A-Za-z]\w*(\[\d{1,3}\])?$/
/** Names that plain objects answer to by themselves. */
const TAKEN = new Set(['__proto__', 'constructor', 'prototype', 'toString', 'valueOf', 'hasOwnProperty'])

/**
 * Whether a field may have this name. The library makes objects and lists as names say: of `email[100000000]` a list with as
 * many places. Its own fields begin with two underscores.
 */
export function isFieldName(name: string): boolean {
  if (name.length > LONGEST) return false
  const segments = name.split('.')
  return segments.length <= DEEPEST && segments.every(isSegment)
}

function isSegment(segment: string): boolean {
  if (!SEGMENT.test(segment)) return false
  const [word = '', index = '0'] = segment.split(/[[\]]/)
  return !TAKEN.has(word) && Number(index) <= MOST_INDEX
}

/** What the form library asks for by a button (a row more, one row less, one moved), as JSON. */
export const INTENT_FIELD = '__intent__'
/** What the form library keeps of a form between two requests, as JSON. */
export const STATE_FIELD = '__state__'
const LONGEST_INTENT = 10_000

/**
 * Whether what a button asks for may be done: only on fields that may have their name, and at places a list can have. What
 * would put whole values into a form is asked for by no button of ours.
 */
export function isIntent(text: string): boolean {
  if (text === '') return true
  if (text.length > LONGEST_INTENT) return false
  try {
    const { type, payload = {} } = JSON.parse(text) as { type: string; payload?: Record<string, unknown> }
    const { name, index, from, to } = payload
    return (
      ['validate', 'reset', 'insert', 'remove', 'reorder'].includes(type) &&
      (name === undefined || (typeof name === 'string' && (name === '' || isFieldName(name)))) &&
      [index, from, to].every(isPlace)
    )
  } catch {
    return false
  }
}

const isPlace = (value: unknown) =>
  value === undefined || (Number.isInteger(value) && Number(value) >= 0 && Number(value) <= MOST_INDEX)
