import { uint32, uuidv4 } from 'lib0/random'

// Half of `crypto` is missing in pages that come over plain HTTP: what is taken from here works at every address.

/** A new id of 36 characters, 122 random bits. */
export const newId = (): string => uuidv4()

/** What a drawing of lots begins with: a whole number of 32 bits, with its sign. */
export const newSeed = (): number => uint32() | 0
