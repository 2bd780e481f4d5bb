import createCache, { type EmotionCache } from '@emotion/cache'

/**
 * One cache on both sides: the server puts its styles into the head, and the browser takes them over from there. Its style
 * elements bear the page's nonce, without which they would not count.
 */
export const createStyleCache = (nonce: string | undefined): EmotionCache => createCache({ key: 'rt', nonce })
