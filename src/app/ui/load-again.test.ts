import { loadAgain } from './load-again'

/** A server that is away for so many tries, and then has the part or not. */
function world(awayFor: number, has: boolean) {
  let asked = 0
  const paused: number[] = []
  return {
    paused,
    asked: () => asked,
    load: async () => {
      asked++
      if (asked <= awayFor || !has) throw new TypeError('Failed to fetch dynamically imported module')
      return 'part'
    },
    tries: {
      pause: async (milliseconds: number) => {
        paused.push(milliseconds)
      },
      isReachable: async () => asked >= awayFor,
      importFrom: async (_address: string): Promise<unknown> => 'never asked for',
    },
  }
}

test('what is there is loaded once, without a pause', async () => {
  const { load, tries, asked, paused } = world(0, true)
  expect(await loadAgain(load, tries)).toBe('part')
  expect([asked(), paused]).toEqual([1, []])
})

test('while the line is down it is tried again however long that takes', async () => {
  const { load, tries, asked } = world(100, true)
  expect(await loadAgain(load, tries)).toBe('part')
  expect(asked()).toBe(101)
})

test('what a server that answers does not have is given up, with what was said of it', async () => {
  const { load, tries, asked, paused } = world(0, false)
  await expect(loadAgain(load, tries)).rejects.toThrow('dynamically imported')
  expect(asked()).toBe(6)
  expect(paused).toEqual([500, 1_000, 2_000, 4_000, 8_000])
})

test('a file that a browser has given up is asked for under another address', async () => {
  const { tries } = world(0, true)
  const addresses: string[] = []
  const importFrom = async (address: string) => {
    addresses.push(address)
    if (addresses.length < 3) throw new TypeError(`Failed to fetch dynamically imported module: ${address}`)
    return 'part'
  }
  const load = async (): Promise<string> => {
    throw new TypeError('Failed to fetch dynamically imported module: http://host/assets/sheet-1a.js')
  }
  expect(await loadAgain(load, { ...tries, importFrom })).toBe('part')
  expect(addresses).toEqual([1, 2, 3].map(number => `http://host/assets/sheet-1a.js?again=${number}`))
})
