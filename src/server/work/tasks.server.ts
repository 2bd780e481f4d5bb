/**
 * What takes long is done here, on a thread of its own: reading a class list, matching its rows, working out what thousands
 * of people are called and who has met whom, checking a password the old way. The server's thread serves everybody's sessions meanwhile.
 */
import { compare } from 'bcryptjs'
import type { AskedKind, ChoiceAnswer, ChoiceTopic } from '~/core/choices/asked'
import { sharedOut } from '~/core/choices/shared-out'
import { cleanText } from '~/core/formats/clean-text'
import { readCsv } from '~/core/formats/csv'
import type { Matching } from '~/core/formats/people-headers'
import { type ImportPlan, type ListedForImport, planImport } from '~/core/formats/people-import'
import { type FactsHere, factsHere } from '~/core/grouping/facts-here'
import { pastMeetings } from '~/core/history/meetings'
import type { LiveState, Recorded } from '~/core/live/topics'
import type { Column } from '~/core/people/columns'
import { type NamedPerson, shownNames } from '~/core/people/shown-name'
import { type Finding, rehearsalFindings, type Written } from '~/core/rehearsal/findings'
import { type SessionTold, toldBy } from '~/core/review/told'
import {
  type ListProblem,
  onlyClass,
  type ReadList,
  readList,
  type UploadedFile,
} from '../cohorts/read-list.server'
import type { Result } from '../result'

/** Reads whatever file a class list comes in. */
async function read(files: UploadedFile[]): Promise<Result<ReadList, ListProblem>> {
  const list = await readList(files)
  return list.ok ? { ok: true, value: { ...list.value, text: cleanText(list.value.text) } } : list
}

interface PlanTask {
  text: string
  /** The one class of a list with several that is meant; empty for all of it. */
  onlyClass: string
  listed: ListedForImport[]
  columns: Column[]
  matching: Matching | undefined
}

/** Says row by row what importing a text would do. */
const plan = (task: PlanTask): ImportPlan =>
  planImport(readCsv(onlyClass(task.text, task.onlyClass)), task.listed, task.columns, task.matching)

/** What each of many people is called by others. */
const names = (people: NamedPerson[]): Map<string, string> => shownNames(people)

/** Whether a password is the one that a hash of the first versions was made of. */
const oldPassword = (task: { password: string; passwordHash: string }): Promise<boolean> =>
  compare(task.password, task.passwordHash)

/** Shares people out over topics by what they chose. */
const share = (task: {
  kind: AskedKind
  topics: ChoiceTopic[]
  personIds: string[]
  answers: ChoiceAnswer[]
}): ReturnType<typeof sharedOut> => sharedOut(task.kind, task.topics, task.personIds, task.answers)

/** Works out what is known of those who are in a session. */
const facts = (task: {
  state: LiveState
  log: Recorded[]
  cohort: Parameters<typeof factsHere>[2]
  now: number
}): FactsHere => factsHere(task.state, task.log, task.cohort, task.now)

/** Works out who met whom in a session that has ended. */
const past = ({ log }: { log: Recorded[] }): ReturnType<typeof pastMeetings> => pastMeetings(log)

/** Works out what a log tells for looking back. */
const told = ({ log, now }: { log: Recorded[]; now: number }): SessionTold => toldBy(log, now)

/** Works out what a rehearsal showed. */
const findings = (task: { log: Recorded[]; written: Written[]; now: number }): Finding[] =>
  rehearsalFindings(task.log, task.written, task.now)

const TASKS = { read, plan, names, oldPassword, share, facts, past, told, findings }

export type Tasks = typeof TASKS

/** Does the task of this name; what the thread is asked for. */
export default <Name extends keyof Tasks>({
  name,
  task,
}: {
  name: Name
  task: Parameters<Tasks[Name]>[0]
}): unknown => (TASKS[name] as (task: Parameters<Tasks[Name]>[0]) => unknown)(task)
