import type { NetworkInterfaceInfo } from 'node:os'
import { addressesFor, callerOf } from './addresses.server'

const face = (address: string, family: 'IPv4' | 'IPv6', internal = false) =>
  ({ address, family, internal }) as NetworkInterfaceInfo
const interfaces = {
  lo: [face('127.0.0.1', 'IPv4', true), face('::1', 'IPv6', true)],
  wifi: [face('fe80::1', 'IPv6'), face('2001:db8::7', 'IPv6'), face('192.168.1.5', 'IPv4')],
  gone: undefined,
}

test.each([
  ['http://localhost:3000/x', null],
  ['http://127.0.0.1:3000/x', null],
  ['http://[::1]:3000/x', null],
])('%s leads others to their own machine: the addresses in its networks are given', (url, set) => {
  expect(addressesFor(url, set, interfaces)).toEqual({
    main: 'http://192.168.1.5:3000',
    guessed: true,
    others: ['http://[2001:db8::7]:3000'],
  })
})

test('the public address comes first, and an address that others can use stays', () => {
  const others: string[] = []
  expect(addressesFor('http://localhost:3000/x', 'https://groups.example.org', interfaces)).toEqual({
    main: 'https://groups.example.org',
    guessed: false,
    others,
  })
  expect(addressesFor('http://school.example/x', null, interfaces)).toEqual({
    main: 'http://school.example',
    guessed: false,
    others,
  })
})

test('a machine in no network says what it has', () => {
  expect(addressesFor('http://localhost:3000/x', null, { lo: interfaces.lo })).toEqual({
    main: 'http://localhost:3000',
    guessed: true,
    others: [],
  })
})

test.each([
  [0, undefined, '10.0.0.1'],
  [0, '1.1.1.1', '10.0.0.1'],
  [1, undefined, '10.0.0.1'],
  [1, '6.6.6.6, 1.1.1.1', '1.1.1.1'],
  [2, '6.6.6.6, 1.1.1.1, 2.2.2.2', '1.1.1.1'],
  [3, '1.1.1.1', '1.1.1.1'],
])('behind %i proxies that say %s the caller is %s', (proxies, forwarded, caller) => {
  const request = { headers: { 'x-forwarded-for': forwarded }, socket: { remoteAddress: '10.0.0.1' } }
  expect(callerOf(request as never, proxies)).toBe(caller)
})
