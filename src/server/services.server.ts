import type { Logger } from 'pino'
import { createContext } from 'react-router'
import type { Account } from './auth/sign-ins.server'
import type { BoardServer } from './boards/board-server.server'
import type { Calls } from './call/calls.server'
import type { Database } from './db/database.server'
import type { Paces } from './http/paces.server'
import type { Limits } from './limits.server'
import type { AnswersApart } from './live/answers-apart.server'
import type { Doings } from './live/doings.server'
import type { LiveHub } from './live/hub.server'
import type { PutUpOnPages } from './live/put-up-on-pages.server'
import type { FileFolder } from './material/file-folder.server'
import type { Rehearsals } from './rehearsals/rehearsals.server'
import type { Settings } from './settings.server'

/** What a request can work with; made once for the process. */
export interface Services {
  db: Database
  hub: LiveHub
  boards: BoardServer
  calls: Calls
  doings: Doings
  putUpOnPages: PutUpOnPages
  answersApart: AnswersApart
  rehearsals: Rehearsals
  limits: Limits
  paces: Paces
  folder: FileFolder
  settings: Settings
  log: Logger
  /** What the server printed for whoever makes the first account; null when there were accounts when it started. */
  startWord: string | null
}

export const servicesContext = createContext<Services>()
/** The caller's network address, for limits only. */
export const addressContext = createContext<string>()
/** Who is signed in; set for every page behind the sign-in. */
export const accountContext = createContext<Account>()
/** By which the scripts of the page may run. */
export const nonceContext = createContext<string>()
