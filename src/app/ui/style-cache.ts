import createCache, { type EmotionCache } from '@emotion/cache'

/** One cache on both sides: the server puts its styles into the head, and the browser takes them over from there. */
export const createStyleCache = (): EmotionCache => createCache({ key: 'rt' })
