/** Longest captions of a sound or film, in letters: more than an hour of talk. */
export const LONGEST_CAPTIONS = 100_000
