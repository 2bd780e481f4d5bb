/**
 * Whether letters of alphabets that look alike stand within one word (Unicode Technical Standard 39, section 5.2, "Highly
 * Restrictive": one script, or Latin with what Japanese, Chinese or Korean is written in). A name in any one alphabet is well,
 * and so is one in two, a word each.
 */
export const mixesScripts = (name: string): boolean => name.split(/\s+/).some(isMixed)

const ALLOWED_TOGETHER = [
  ['Latin', 'Han', 'Hiragana', 'Katakana'],
  ['Latin', 'Han', 'Bopomofo'],
  ['Latin', 'Han', 'Hangul'],
]

/** Scripts people's names are written in today (Unicode Standard Annex 31, table 5, "Recommended Scripts"); from memory. */
const SCRIPTS = [
  ...['Arabic', 'Armenian', 'Bengali', 'Bopomofo', 'Cyrillic', 'Devanagari', 'Ethiopic', 'Georgian', 'Greek'],
  ...['Gujarati', 'Gurmukhi', 'Han', 'Hangul', 'Hebrew', 'Hiragana', 'Kannada', 'Katakana', 'Khmer', 'Lao'],
  ...['Latin', 'Malayalam', 'Myanmar', 'Oriya', 'Sinhala', 'Tamil', 'Telugu', 'Thaana', 'Thai', 'Tibetan'],
  ...['Cherokee', 'Coptic', 'Lisu'],
].map(script => ({ script, letters: new RegExp(`\\p{Script_Extensions=${script}}`, 'u') }))

/** Letters and marks that belong to no script alone, such as a hyphen or an accent put after its letter. */
const COMMON = /[\p{Script=Common}\p{Script=Inherited}]/gu

function isMixed(word: string): boolean {
  const letters = word.normalize('NFKC').replace(COMMON, '')
  if (/^\p{Script=Latin}*$/u.test(letters)) return false
  const scripts = SCRIPTS.filter(each => each.letters.test(letters)).map(each => each.script)
  return scripts.length > 1 && !ALLOWED_TOGETHER.some(set => scripts.every(script => set.includes(script)))
}
