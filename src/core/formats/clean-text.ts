/**
 * Text as a database can keep it: without the null character, which PostgreSQL refuses in every text, and without
 * halves of surrogate pairs, which its JSON refuses. Neither can be seen or meant.
 */
export const cleanText = (text: string): string => text.replaceAll('\u0000', '').toWellFormed()
