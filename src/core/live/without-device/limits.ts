/** Limits that pages say too: they bring nothing else of the topic along. */

/** Most people put in at once: each is held against everybody who is there. */
export const MOST_PUT_IN = 60
/** Longest name, in characters, as at the door. */
export const LONGEST_NAME = 40
