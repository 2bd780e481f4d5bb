import { expect, test } from '@jest/globals'
import { draftGroupingForm } from '~/contracts/forms/groupings'
import { draftKey, draftsOf, earlierKey, type GroupingDraft, readDraft, writeDraft } from './grouping-draft'

/** A browser's storage; `full` refuses what is written, as a browser may. */
function storage({ full = false } = {}) {
  const kept = new Map<string, string>()
  return {
    kept,
    getItem: (key: string) => kept.get(key) ?? null,
    setItem(key: string, text: string) {
      if (full) throw new DOMException('Full', 'QuotaExceededError')
      kept.set(key, text)
    },
    removeItem: (key: string) => void kept.delete(key),
  }
}

const content = (...personIds: string[]): GroupingDraft['content'] =>
  draftGroupingForm.parse({ groups: [{ id: 'g1', name: 'Group 1', personIds }] })
const draft = (version: number | null, ...personIds: string[]): GroupingDraft => ({
  version,
  at: 1_000,
  content: content(...personIds),
})

const KEY = draftKey('c1', 'grouping-1')
const here = (version: number, ...personIds: string[]) => ({ version, content: content(...personIds) })

test('a draft of the version that is shown is gone on from', () => {
  const browser = storage()
  writeDraft(browser, KEY, draft(3, 'ana', 'bo'))
  expect(draftsOf(browser, KEY, here(3, 'ana'))).toEqual({ here: draft(3, 'ana', 'bo'), earlier: null })
})

test('one of a version that was saved over waits beside what is made now, and is there again when the page is', () => {
  const browser = storage()
  writeDraft(browser, KEY, draft(3, 'ana', 'bo'))
  expect(draftsOf(browser, KEY, here(4, 'chi'))).toEqual({ here: null, earlier: draft(3, 'ana', 'bo') })
  writeDraft(browser, KEY, draft(4, 'chi', 'dov'))
  expect(draftsOf(browser, KEY, here(4, 'chi'))).toEqual({
    here: draft(4, 'chi', 'dov'),
    earlier: draft(3, 'ana', 'bo'),
  })
})

test('one that says what the page shows has been saved: it is no draft any more', () => {
  const browser = storage()
  writeDraft(browser, KEY, draft(3, 'ana', 'bo'))
  expect(draftsOf(browser, KEY, here(4, 'ana', 'bo'))).toEqual({ here: null, earlier: null })
  expect([...browser.kept.keys()]).toEqual([])
})

test('a browser that keeps nothing more leaves an older draft where it is', () => {
  const browser = storage({ full: true })
  browser.kept.set(KEY, JSON.stringify(draft(3, 'ana')))
  expect(draftsOf(browser, KEY, here(4, 'chi')).earlier).toEqual(draft(3, 'ana'))
  expect(readDraft(browser, KEY)).toEqual(draft(3, 'ana'))
  expect(writeDraft(browser, earlierKey(KEY), draft(4, 'chi'))).toBe(false)
})

test('what is no draft is none', () => {
  const browser = storage()
  for (const text of ['', 'not json', '{}', '{"version":1,"at":2,"content":{"groups":7}}']) {
    browser.kept.set(KEY, text)
    expect(readDraft(browser, KEY)).toBe(null)
  }
})
