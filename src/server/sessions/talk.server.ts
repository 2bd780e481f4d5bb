import type { LineRead } from '~/core/live/talk/line'
import { talkFor } from '~/core/live/talk/talk'
import type { LiveHub } from '../live/hub.server'

/**
 * What a facilitator may read of a room's talk: asked for by a page that may show it, and sent to no other. Throws
 * not-found for an unknown session.
 */
export const roomTalk = async (
  hub: LiveHub,
  accountId: string,
  sessionId: string,
  roomId: string,
): Promise<LineRead[]> => talkFor(await hub.state(sessionId), accountId, roomId)
