/**
 * Boards from text: Markdown as `boardMarkdown` writes it, or an outline that somebody wrote without knowing any of this, whose
 * points become prompts.
 */
import type { List, ListItem, RootContent } from 'mdast'
import { fromMarkdown } from 'mdast-util-from-markdown'
import { toString as textOf } from 'mdast-util-to-string'
import { type Board, MOST_PROMPTS, MOST_STEPS, type Part, type Prompt } from '../board'
import { promptDraft } from '../building/draft'
import { MOST_LATER_PARTS, type Opening } from '../part'
import { PROMPT_KINDS, type PromptKind } from '../prompts/kinds'
import { inWords, WAYS } from './board-markdown'

/** Longest text that is read, in characters. */
export const LONGEST_OUTLINE = 50_000

/** Settings that are lists, by which the points under a prompt are read when they are nothing else. */
const LISTS: Partial<Record<PromptKind, string>> = {
  cards: 'columns',
  choice: 'options',
  'short-answers': 'fields',
  table: 'columns',
  checklist: 'lines',
  'put-in-order': 'lines',
}

export interface ReadOutline {
  board: Board
  /** What was left out, and why, in words for whoever pasted it. */
  notes: string[]
}

/** Reads an outline or Markdown. `freshId` gives ids that are not taken. */
export function readOutline(text: string, freshId: () => string): ReadOutline {
  const notes: string[] = []
  if (text.length > LONGEST_OUTLINE) notes.push('It is longer than is read; the end was left out.')
  const reading = new Reading(freshId, notes)
  for (const block of fromMarkdown(shallow(text.slice(0, LONGEST_OUTLINE))).children) reading.take(block)
  return { board: reading.result(), notes }
}

/**
 * Lists and quotations in each other take the parser's time with the square of their depth: nobody's outline goes so deep, and
 * what does comes up again.
 */
const shallow = (text: string): string =>
  text.replace(/^((?:[ \t>]|[-*+] |\d{1,9}[.)] ){24})(?:[ \t>]|[-*+] |\d{1,9}[.)] )+/gm, '$1')

class Reading {
  private title = ''
  private readonly steps: string[] = []
  private readonly parts: Part[] = []
  private readonly prompts: Prompt[] = []
  /** Which prompt each refers to by number. */
  private readonly over = new Map<string, number>()

  constructor(
    private readonly freshId: () => string,
    private readonly notes: string[],
  ) {}

  take(block: RootContent): void {
    if (block.type === 'heading') this.takeHeading(block.depth, lineOf(block))
    else if (block.type === 'list') this.takeList(block)
    else if (block.type === 'blockquote') for (const each of block.children) this.take(each)
    else if (block.type !== 'thematicBreak' && block.type !== 'definition') this.takeLines(textOf(block))
  }

  result(): Board {
    const ids = this.prompts.map(({ id }) => id)
    const prompts = this.prompts.map(prompt => {
      const over = ids[(this.over.get(prompt.id) ?? 0) - 1]
      return over === undefined ? prompt : ({ ...prompt, settings: { ...prompt.settings, over } } as Prompt)
    })
    return { title: this.title || 'From an outline', steps: this.steps, prompts, parts: this.parts }
  }

  private takeHeading(depth: number, text: string): void {
    if (depth === 1 && this.title === '' && this.parts.length === 0) this.title = text.slice(0, 80)
    else if (this.parts.length === MOST_LATER_PARTS)
      this.notes.push(
        `“${text}”: there are at most ${MOST_LATER_PARTS + 1} parts; what it asks went to the one before.`,
      )
    else this.parts.push(partFrom(text, this.freshId()))
  }

  private takeLines(text: string): void {
    for (const line of text
      .split('\n')
      .map(each => each.trim())
      .filter(Boolean)) {
      if (this.title === '' && this.prompts.length === 0 && this.steps.length === 0)
        this.title = line.slice(0, 80)
      else this.addPrompt(line, [])
    }
  }

  private takeList({ ordered, children }: List): void {
    // Numbered before anything is asked it is what to do; numbered after that it is what is asked.
    const isSteps = ordered && this.hereNothingIsAsked() && children.every(each => each.children.length === 1)
    if (isSteps) {
      this.takeSteps(children)
      return
    }
    for (const each of children) {
      const [first, ...rest] = each.children
      if (!first) continue
      const under = rest.flatMap(block => (block.type === 'list' ? block.children : []))
      this.addPrompt(
        first.type === 'list' ? '' : lineOf(first),
        first.type === 'list' ? first.children : under,
      )
    }
  }

  private hereNothingIsAsked(): boolean {
    const part = this.parts.at(-1)?.id
    return !this.prompts.some(prompt => prompt.part === part)
  }

  private takeSteps(items: readonly ListItem[]): void {
    const steps = this.parts.at(-1)?.steps ?? this.steps
    for (const text of items.map(lineOf).filter(Boolean)) {
      if (steps.length < MOST_STEPS) steps.push(text.slice(0, 300))
      else this.notes.push(`“${text}”: at most ${MOST_STEPS} steps are read; tell the rest.`)
    }
  }

  private addPrompt(line: string, under: readonly ListItem[]): void {
    const { text, kind: said } = kindIn(line)
    if (text === '' && under.length === 0) return
    if (this.prompts.length === MOST_PROMPTS) {
      this.notes.push(`“${text}”: a board asks at most ${MOST_PROMPTS} things.`)
      return
    }
    const { settings, points } = settingsIn(under)
    const kind = said ?? (points.length >= 2 && points.length <= 6 ? 'choice' : 'cards')
    const main = LISTS[kind]
    const rest =
      said || kind === 'choice'
        ? main && points.length > 0 && !(main in settings)
          ? { [main]: points }
          : {}
        : {}
    if (points.length > 0 && Object.keys(rest).length === 0)
      this.notes.push(`“${text}”: what stands below it (${points.join(', ')}) was left out.`)
    const id = this.freshId()
    const part = this.parts.at(-1)?.id
    const prompt = { id, kind, text: text.slice(0, 300), ...(part !== undefined && { part }) }
    const { over, ...others } = settings
    const read = readSettings(prompt, { ...others, ...rest })
    if (read.problem) this.notes.push(`“${text}”: ${read.problem} What is set about it was left out.`)
    const number = /^prompt (\d{1,2})$/i.exec(String(over ?? ''))?.[1]
    if (number) this.over.set(id, Number(number))
    this.prompts.push(read.prompt)
  }
}

/** A prompt with what was set about it; with none of it, and why, when that cannot be. */
function readSettings(
  prompt: { kind: PromptKind },
  settings: Record<string, unknown>,
): { prompt: Prompt; problem?: string | undefined } {
  const read = promptDraft.safeParse({ ...prompt, settings } as never)
  if (read.success) return { prompt: read.data }
  // What reads as a number, or as yes or no, may be a name all the same.
  const asText = Object.fromEntries(
    Object.entries(settings).map(([name, value]) => [
      name,
      read.error.issues.some(({ path }) => path[1] === name) ? textOfSetting(value) : value,
    ]),
  )
  const again = promptDraft.safeParse({ ...prompt, settings: asText } as never)
  if (again.success) return { prompt: again.data }
  return {
    prompt: promptDraft.parse({ ...prompt, settings: {} } as never),
    problem: read.error.issues[0]?.message,
  }
}

/** The text of a block on one line. */
const lineOf = (block: RootContent): string =>
  (block.type === 'listItem' ? textOf(block.children[0]) : textOf(block)).replace(/\s+/g, ' ').trim()

/** `What do you see? (put in order)`: the kind at the end, when there is one so called. */
function kindIn(line: string): { text: string; kind: PromptKind | null } {
  const [, text, name] = /^(.*?)\s*\(([a-z ]{1,40})\)$/i.exec(line) ?? []
  const kind = PROMPT_KINDS.find(each => inWords(each) === name?.toLowerCase()) ?? null
  return kind ? { text: text ?? '', kind } : { text: line, kind: null }
}

/** What is set by the points under a prompt, `name: value` or `name:` with a list; other points are what there is to choose from. */
function settingsIn(items: readonly ListItem[]): { settings: Record<string, unknown>; points: string[] } {
  const settings: Record<string, unknown> = {}
  const points: string[] = []
  for (const each of items) {
    const text = lineOf(each)
    const under = each.children.flatMap(block => (block.type === 'list' ? block.children.map(lineOf) : []))
    const [, words, value] = /^([a-z][a-z ]{0,30}):\s*(.*)$/i.exec(text) ?? []
    const name = words && camel(words)
    if (name && SETTING_NAMES.has(name)) settings[name] = valueIn(name, value ?? '', under)
    else if (text !== '') points.push(text)
  }
  return { settings, points }
}

function valueIn(name: string, value: string, under: readonly string[]): unknown {
  if (under.length === 0) return settingOf(value)
  return TEXTS.has(name) ? under.join('\n') : under
}

/** Every name a setting has, of whatever kind. */
const SETTING_NAMES = new Set([
  ...[
    'columns',
    'mostEach',
    'mostGroup',
    'options',
    'by',
    'reasons',
    'low',
    'high',
    'steps',
    'fields',
    'rows',
    'lines',
  ],
  ...['add', 'over', 'points', 'address', 'pictures', 'show', 'opens', 'hidden', 'begin', 'seen'],
])
/** Those that are one text, though it may stand there line by line. */
const TEXTS = new Set(['hidden', 'begin'])

const camel = (words: string): string =>
  words.toLowerCase().replace(/ ([a-z])/g, (_space, letter: string) => letter.toUpperCase())

function settingOf(text: string): unknown {
  if (/^\d{1,6}$/.test(text)) return Number(text)
  return text === 'yes' ? true : text === 'no' ? false : text
}

const textOfSetting = (value: unknown): unknown =>
  typeof value === 'boolean' ? (value ? 'yes' : 'no') : typeof value === 'number' ? String(value) : value

/** `Plan a visit (8 min, opens when done)`. What is not said stays as a new part has it: opened by hand. */
function partFrom(text: string, id: string): Part {
  const [, name = text, facts = ''] = /^(.*?)\s*\(([^()]*\b(?:min|opens)\b[^()]*)\)$/.exec(text) ?? []
  const minutes = Number(/(?:^|, )(\d{1,3}) min/.exec(facts)?.[1] ?? 0)
  const after = Number(/opens after (\d{1,3}) min/.exec(facts)?.[1] ?? 0)
  const opens = (Object.keys(WAYS) as Opening[]).find(each => facts.includes(`opens ${WAYS[each]}`)) ?? 'hand'
  const isRight = (count: number) => count >= 1 && count <= 180
  return {
    id,
    title: name.slice(0, 60),
    steps: [],
    ...(isRight(minutes) && { minutes }),
    opens,
    ...(opens === 'after' && isRight(after) && { after }),
  }
}
