import { resolve } from 'node:path'
import { z } from 'zod'

/** What a server is told from outside, through environment variables. See the README. */
export interface Settings {
  port: number
  dataFolder: string
  /** The address people reach it at, such as `https://groups.example.org`; null: whatever address they used. */
  publicAddress: string | null
  /** Files of the certificate and its key (PEM) with which the server itself speaks HTTPS; null where something before it does, or nothing. */
  tls: { certificate: string; key: string } | null
  /**
   * Servers by which browsers in a call find each other: addresses that begin with `stun:`, `turn:` or `turns:`, and the word shared with
   * the TURN server, by which names for it are made that hold for some hours. Without any, only browsers that reach each other directly do.
   */
  call: { servers: string[]; secret: string | null }
  /** How many proxies stand before it, whose word about the caller's address is taken. */
  trustedProxies: number
  /** Load the made-up school into an empty data folder. */
  demo: boolean
}

const environment = z
  .object({
    PORT: z.coerce.number().int().min(0).max(65535).default(3000),
    DATA_FOLDER: z.string().min(1).default('data'),
    PUBLIC_ADDRESS: z.url({ protocol: /^https?$/ }).optional(),
    TRUSTED_PROXIES: z.coerce.number().int().min(0).max(10).default(0),
    DEMO: z.enum(['0', '1']).default('0'),
    CALL_SERVERS: z
      .string()
      .transform(text => text.split(/[\s,]+/).filter(Boolean))
      .pipe(z.array(z.string().regex(/^(stun|turns?):[^\s,]+$/, 'begins with stun:, turn: or turns:')).max(8))
      .default([]),
    CALL_SECRET: z.string().min(1).optional(),
    TLS_CERTIFICATE: z.string().min(1).optional(),
    TLS_KEY: z.string().min(1).optional(),
  })
  .refine(({ TLS_CERTIFICATE, TLS_KEY }) => (TLS_CERTIFICATE === undefined) === (TLS_KEY === undefined), {
    path: ['TLS_CERTIFICATE and TLS_KEY'],
    error: 'give both, or neither',
  })

/** Reads the settings; throws an error that names each wrong variable. */
export function readSettings(variables: Record<string, string | undefined>): Settings {
  const read = environment.safeParse(variables)
  if (!read.success) {
    const faults = read.error.issues.map(issue => `${issue.path.join('.')}: ${issue.message}`)
    throw new Error(`These settings can't be used: ${faults.join('; ')}`)
  }
  const { PORT, DATA_FOLDER, PUBLIC_ADDRESS, TRUSTED_PROXIES, DEMO, TLS_CERTIFICATE, TLS_KEY } = read.data
  const { CALL_SERVERS, CALL_SECRET } = read.data
  return {
    port: PORT,
    dataFolder: resolve(DATA_FOLDER),
    publicAddress: PUBLIC_ADDRESS ? new URL(PUBLIC_ADDRESS).origin : null,
    tls: TLS_CERTIFICATE && TLS_KEY ? { certificate: resolve(TLS_CERTIFICATE), key: resolve(TLS_KEY) } : null,
    call: { servers: CALL_SERVERS, secret: CALL_SECRET ?? null },
    trustedProxies: TRUSTED_PROXIES,
    demo: DEMO === '1',
  }
}

/** Whether people reach this server over HTTPS alone: then their cookies travel over nothing else. */
export const isReachedSecurely = ({ publicAddress, tls }: Pick<Settings, 'publicAddress' | 'tls'>): boolean =>
  publicAddress?.startsWith('https:') ?? tls !== null
