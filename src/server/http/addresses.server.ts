import type { IncomingMessage } from 'node:http'
import { type NetworkInterfaceInfo, networkInterfaces } from 'node:os'

/** Where people reach this server, as told to them and put into codes to scan. */
export interface Addresses {
  /** Origin, such as `https://groups.example.org`. */
  main: string
  /** Whether `main` was guessed, because the page was opened at an address that means this machine alone. */
  guessed: boolean
  /** Further origins of this machine that others may be able to reach. */
  others: string[]
}

type Interfaces = NodeJS.Dict<NetworkInterfaceInfo[]>

/**
 * The public address when one is set, otherwise the one the page was opened at. An address like `localhost` leads everybody
 * else to their own machine: then the addresses this machine has in its networks are given, IPv4 first.
 */
export function addressesFor(
  requestUrl: string,
  publicAddress: string | null,
  interfaces: Interfaces = networkInterfaces(),
): Addresses {
  const { origin, hostname, port, protocol } = new URL(requestUrl)
  if (publicAddress !== null) return { main: publicAddress, guessed: false, others: [] }
  if (!isThisMachine(hostname)) return { main: origin, guessed: false, others: [] }
  const found = Object.values(interfaces)
    .flatMap(list => list ?? [])
    .filter(({ internal, family, address }) => !internal && (family === 'IPv4' || !/^fe80:/i.test(address)))
    .sort((one, other) => one.family.localeCompare(other.family))
    .map(({ family, address }) => {
      const host = family === 'IPv6' ? `[${address}]` : address
      return `${protocol}//${host}${port ? `:${port}` : ''}`
    })
  const [main = origin, ...others] = found
  return { main, guessed: true, others: found.length === 0 ? [] : others }
}

const isThisMachine = (hostname: string): boolean =>
  hostname === 'localhost' ||
  hostname.endsWith('.localhost') ||
  hostname === '[::1]' ||
  /^127\./.test(hostname)

/** Where a request comes from, when so many proxies stand before the server and are believed about their caller. */
export function callerOf(request: IncomingMessage, trustedProxies: number): string {
  const forwarded = String(request.headers['x-forwarded-for'] ?? '')
  const told = forwarded === '' ? [] : forwarded.split(',').map(address => address.trim())
  const known = [request.socket.remoteAddress ?? 'unknown', ...told.toReversed()]
  return known[Math.min(trustedProxies, known.length - 1)] ?? 'unknown'
}
