/**
 * Where the worker's script lies. Its scope is the whole site, since people come to their page from the join page without
 * loading another document; it answers for participants' pages alone.
 */
export const WORKER_PATH = '/service-worker.js'

/** What is kept by the browser's own caches: what pages are made of, and the pages themselves with pictures shown on them. */
export const CACHES = { assets: 'assets', pages: 'pages' }
