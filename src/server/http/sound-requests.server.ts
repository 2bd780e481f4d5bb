import type { ErrorRequestHandler, RequestHandler } from 'express'
import { UPLOADS_PATH } from './routes.server'

const METHODS = new Set(['GET', 'HEAD', 'POST', 'OPTIONS'])
/** With which an upload goes on, or is given up. */
const UPLOAD_METHODS = new Set(['PATCH', 'DELETE'])

/** Refuses what no page of ours and no browser asks for, and what the page router could not even make a request of. */
export const soundRequests: RequestHandler = (request, response, next) => {
  const refuse = (status: number, why: string) => response.status(status).type('text/plain').send(why)
  const isUpload = UPLOAD_METHODS.has(request.method) && request.path.startsWith(`${UPLOADS_PATH}/`)
  if (!METHODS.has(request.method) && !isUpload) refuse(405, 'This is not done here.')
  else if (!URL.canParse(`http://${request.headers.host ?? ''}`)) refuse(400, 'Say which server is meant.')
  // No address of ours has a null character, and the database refuses to be asked about one.
  else if (/%00/.test(request.url) || !isDecodable(request.path)) refuse(400, 'There is no such address.')
  else next()
}

function isDecodable(path: string): boolean {
  try {
    decodeURIComponent(path)
    return true
  } catch {
    return false
  }
}

/** What went wrong by the sender's fault is said to be so; the status stands on the error. Others are passed on. */
export const sendersFault: ErrorRequestHandler = (error, _request, response, next) => {
  const status = Number(error?.status)
  if (status < 400 || status > 499 || Number.isNaN(status) || response.headersSent) next(error)
  else response.status(status).type('text/plain').send('This request could not be read.')
}
