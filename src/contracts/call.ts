/** What goes over the socket of a call. Sound and pictures do not: only who is there, and how browsers find each other. */
import { z } from 'zod'

/** Longest description of what a browser sends and receives (SDP), in characters; three tracks make some 7,000. */
const LONGEST_SDP = 40_000
const LONGEST_CANDIDATE = 1_000

const given = { microphone: z.boolean(), camera: z.boolean(), sharing: z.boolean() }

/** How two browsers find each other, as WebRTC has it (W3C, "WebRTC: Real-Time Communication in Browsers", 4.4 and 4.8). */
const signalSchema = z.union([
  z.strictObject({
    description: z.strictObject({ type: z.enum(['offer', 'answer']), sdp: z.string().max(LONGEST_SDP) }),
  }),
  z.strictObject({
    candidate: z.strictObject({
      candidate: z.string().max(LONGEST_CANDIDATE),
      sdpMid: z.string().max(100).nullish(),
      sdpMLineIndex: z.int().min(0).max(100).nullish(),
      usernameFragment: z.string().max(300).nullish(),
    }),
  }),
])
export type CallSignal = z.infer<typeof signalSchema>

/** What a browser says in a call. */
export const callMessage = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('give'), ...given }),
  z.strictObject({ type: z.literal('speak'), speaking: z.boolean() }),
  z.strictObject({ type: z.literal('signal'), to: z.string().max(40), signal: signalSchema }),
])
export type CallMessage = z.infer<typeof callMessage>
