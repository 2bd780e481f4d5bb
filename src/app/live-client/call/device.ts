import type { Given } from '~/core/live/call/ways'
import { CallFault } from './media'

/** Six of these come to each at the same time. */
const CAMERA = { width: { ideal: 320 }, height: { ideal: 240 }, frameRate: { max: 15 } }

const ASK: Record<keyof Given, () => Promise<MediaStream>> = {
  microphone: () =>
    navigator.mediaDevices.getUserMedia({ audio: { echoCancellation: true, noiseSuppression: true } }),
  camera: () => navigator.mediaDevices.getUserMedia({ video: CAMERA }),
  sharing: () => navigator.mediaDevices.getDisplayMedia({ video: { frameRate: { max: 10 } } }),
}

const NAMES: Record<keyof Given, string> = {
  microphone: 'microphone',
  camera: 'camera',
  sharing: 'screen',
}

/** What this device gives: its microphone, camera or screen. Throws a `CallFault` that says why not. */
export async function trackOf(what: keyof Given): Promise<MediaStreamTrack> {
  const name = NAMES[what]
  if (!globalThis.isSecureContext)
    throw new CallFault(
      `Browsers give a ${name} only to pages that were opened with https://. You hear and see the others all the same.`,
    )
  try {
    const [track] = (await ASK[what]()).getTracks()
    if (track) return track
  } catch (error) {
    throw new CallFault(whyNot(error, name))
  }
  throw new CallFault(`No ${name} was found.`)
}

/** The names of errors are those of W3C, "Media Capture and Streams", 10.2. */
function whyNot(error: unknown, name: string): string {
  switch (error instanceof DOMException ? error.name : '') {
    case 'NotAllowedError':
      return `The browser does not let this page use the ${name}. Allow it beside the address, and switch it on again.`
    case 'NotFoundError':
      return `No ${name} was found.`
    case 'NotReadableError':
      return `The ${name} is used by something else on this device.`
    default:
      return `The ${name} could not be switched on.`
  }
}
