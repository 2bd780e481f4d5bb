// Once after a build, and as small as they get: what phones load is not compressed anew for each of them.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { brotliCompress, constants, gzip } from 'node:zlib'
import { root } from './prepare.mjs'

const folder = join(root, 'build/client/assets')
/** Smaller ones gain nothing, in bytes. */
const LEAST = 1_000

const ways = {
  '.br': bytes =>
    promisify(brotliCompress)(bytes, { params: { [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length } }),
  '.gz': bytes => promisify(gzip)(bytes, { level: 9 }),
}

await Promise.all(
  readdirSync(folder)
    .filter(name => /\.(js|mjs|css)$/.test(name))
    .map(async name => {
      const bytes = readFileSync(join(folder, name))
      if (bytes.length < LEAST) return
      for (const [ending, way] of Object.entries(ways))
        writeFileSync(join(folder, name + ending), await way(bytes))
    }),
)
