/**
 * Files on their way in, piece by piece (tus, a protocol for uploads that can be gone on with, version 1.0.0): what has come
 * stays when the line breaks, and the rest follows. What is not finished within a day is taken away.
 */
import type { IncomingMessage, ServerResponse } from 'node:http'
import { join } from 'node:path'
import { FileStore } from '@tus/file-store'
import { Server } from '@tus/server'
import type { Logger } from 'pino'
import { LARGEST_OF_ALL, sizeText } from '~/core/material/material'
import type { Database } from '../db/database.server'
import { errorFacts } from '../error-facts.server'
import { UPLOADS_PATH } from '../http/routes.server'
import type { FileFolder } from './file-folder.server'
import { addFile } from './material.server'
import { isOutOfRoom, NotTakenError } from './take-in.server'

/** What was begun and not gone on with is kept for so long, in milliseconds. */
const KEPT_MS = 24 * 60 * 60 * 1000
/** So many may be under way: begun, and not finished. */
const MOST_UNDER_WAY = 400
const CLEARED_EVERY_MS = 60 * 60 * 1000

/** A request for an upload is not done; the words are for whoever sent it. */
const refusal = (status_code: number, body: string) => ({ status_code, body })

export class Uploads {
  private readonly store: FileStore
  private readonly server: Server
  private readonly clearing: NodeJS.Timeout
  /** The name of who sends a request: never what the request says. */
  private readonly senders = new WeakMap<object, string>()

  constructor(
    private readonly db: Database,
    private readonly folder: FileFolder,
    private readonly log: Logger,
  ) {
    this.store = new FileStore({ directory: folder.uploads, expirationPeriodInMilliseconds: KEPT_MS })
    this.server = new Server({
      path: UPLOADS_PATH,
      datastore: this.store,
      maxSize: LARGEST_OF_ALL,
      relativeLocation: true,
      onUploadCreate: async (_request, upload) => {
        if (upload.size === undefined || upload.size === 0)
          throw refusal(422, 'There is nothing in this file.')
        const underWay = await this.underWay()
        if (underWay.length >= MOST_UNDER_WAY)
          throw refusal(429, 'Too many files are on their way at once. Wait until some have come.')
        const toCome = underWay.reduce((sum, size) => sum + size, upload.size)
        if (!(await folder.hasRoomFor(toCome)))
          throw refusal(507, `There is no room left for ${sizeText(upload.size)} on the server’s disk.`)
        return {}
      },
      onUploadFinish: async (request, upload) => {
        try {
          const path = join(folder.uploads, upload.id)
          const name = upload.metadata?.filename ?? ''
          const sender = request.runtime?.node?.req
          const by = (sender && this.senders.get(sender)) ?? ''
          const added = await addFile(this.db, this.folder, { path, name, by })
          return { status_code: 200, body: JSON.stringify(added) }
        } catch (error) {
          if (error instanceof NotTakenError) throw refusal(422, error.message)
          this.log.error({ error: errorFacts(error) }, 'a file could not be kept')
          throw isOutOfRoom(error)
            ? refusal(507, 'There is no room left on the server’s disk.')
            : refusal(500, 'This file could not be kept. Try it again.')
        } finally {
          await this.store.remove(upload.id).catch(() => undefined)
        }
      },
      onResponseError: async (_request, error) => {
        if ('status_code' in error) return undefined
        const outOfRoom = isOutOfRoom(error)
        if (!outOfRoom) this.log.warn({ error: errorFacts(error) }, 'an upload went wrong')
        return outOfRoom ? refusal(507, 'There is no room left on the server’s disk.') : undefined
      },
    })
    this.clearing = setInterval(() => this.clear(), CLEARED_EVERY_MS)
    this.clearing.unref()
  }

  /** Answers a request for an upload, of somebody who may send files; `by` is their name. */
  async handle(request: IncomingMessage, response: ServerResponse, by: string): Promise<void> {
    this.senders.set(request, by)
    await this.server.handle(request, response)
  }

  stop(): void {
    clearInterval(this.clearing)
  }

  private clear(): void {
    this.server
      .cleanUpExpiredUploads()
      .catch(error => this.log.warn({ error: errorFacts(error) }, 'old uploads could not be taken away'))
  }

  /** Sizes of what is under way. */
  private async underWay(): Promise<number[]> {
    const { list } = this.store.configstore
    const ids = (await list?.call(this.store.configstore)) ?? []
    const uploads = await Promise.all(ids.map(id => this.store.configstore.get(id)))
    return uploads.map(upload => upload?.size ?? 0)
  }
}
