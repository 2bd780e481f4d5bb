import { isSupported, Upload } from 'tus-js-client'
import { newId } from '../../ui/by-chance'

/** A piece is sent whole or again: on a slow line small ones lose little. In bytes. */
const PIECE = 4 * 1024 * 1024
/** Tries after the line broke, in milliseconds; then it waits for a press. */
const AGAIN_AFTER_MS = [0, 1_000, 3_000, 6_000, 10_000, 20_000, 30_000]
/** So many are sent at once; the others wait. */
const AT_ONCE = 2

export interface FileOnItsWay {
  id: string
  name: string
  bytes: number
  sent: number
  state: 'waiting' | 'sending' | 'looked-at' | 'there' | 'failed'
  /** Why it failed, in words. */
  why?: string
  /** Sending it again may help. */
  canGoOn?: boolean
}

/** Files that are being sent, a few at a time: each goes on where it was when the line breaks, also after the page was left. */
export class Uploading {
  private files: readonly FileOnItsWay[] = []
  private readonly uploads = new Map<string, Upload>()
  private readonly listeners = new Set<() => void>()

  /** `onThere` is called when a file has come into the library. */
  constructor(private readonly onThere: () => void) {}

  list = (): readonly FileOnItsWay[] => this.files
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  add(files: readonly File[]): void {
    for (const file of files) {
      const id = newId()
      this.change([...this.files, { id, name: file.name, bytes: file.size, sent: 0, state: 'waiting' }])
      this.uploads.set(id, this.uploadOf(id, file))
    }
    this.goOn()
  }

  again(id: string): void {
    this.say(id, { state: 'waiting' })
    this.goOn()
  }

  /** Gives one up, or takes it off the list. */
  remove(id: string): void {
    const upload = this.uploads.get(id)
    this.uploads.delete(id)
    this.change(this.files.filter(file => file.id !== id))
    // What had come of it is taken away on the server too; if that is not heard, it goes by itself within a day.
    upload?.abort(true).catch(() => undefined)
    this.goOn()
  }

  private goOn(): void {
    const busy = this.files.filter(({ state }) => state === 'sending' || state === 'looked-at').length
    for (const { id } of this.files.filter(({ state }) => state === 'waiting').slice(0, AT_ONCE - busy)) {
      this.say(id, { state: 'sending' })
      this.begin(id).catch(() => this.fail(id, 'This file could not be read.', false))
    }
  }

  private async begin(id: string): Promise<void> {
    const upload = this.uploads.get(id)
    if (!upload) return
    const [earlier] = await upload.findPreviousUploads()
    if (earlier) upload.resumeFromPreviousUpload(earlier)
    upload.start()
  }

  private uploadOf(id: string, file: File): Upload {
    return new Upload(file, {
      endpoint: '/material/uploads',
      chunkSize: PIECE,
      retryDelays: AGAIN_AFTER_MS,
      removeFingerprintOnSuccess: true,
      metadata: { filename: file.name },
      onProgress: sent => this.say(id, { sent, state: sent < file.size ? 'sending' : 'looked-at' }),
      onShouldRetry: error => {
        const status = statusOf(error)
        return status === 0 || status === 409 || status === 423 || status === 429 || status >= 500
      },
      onError: error => {
        const status = statusOf(error)
        if (status === 0) this.fail(id, 'The line is down. What has come so far is kept.', true)
        else this.fail(id, wordsOf(error), status >= 500 || status === 429)
      },
      onSuccess: () => {
        this.uploads.delete(id)
        this.say(id, { state: 'there', sent: file.size })
        this.onThere()
        this.goOn()
      },
    })
  }

  private fail(id: string, why: string, canGoOn: boolean): void {
    this.say(id, { state: 'failed', why, canGoOn })
    this.goOn()
  }

  private say(id: string, changes: Partial<FileOnItsWay>): void {
    this.change(this.files.map(file => (file.id === id ? { ...file, ...changes } : file)))
  }

  private change(files: readonly FileOnItsWay[]): void {
    this.files = files
    for (const listener of this.listeners) listener()
  }
}

export const canUpload = (): boolean => isSupported

type UploadError = Parameters<NonNullable<ConstructorParameters<typeof Upload>[1]['onError']>>[0]

const responseOf = (error: UploadError) => ('originalResponse' in error ? error.originalResponse : null)
const statusOf = (error: UploadError): number => responseOf(error)?.getStatus() ?? 0

/** What the server said; its own words are sentences. */
function wordsOf(error: UploadError): string {
  const said = responseOf(error)?.getBody()?.trim() ?? ''
  return /^[A-Z][^<{]{5,300}[.]$/.test(said) ? said : 'This file was not taken in.'
}
