import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'

const source = fileURLToPath(new URL('./src', import.meta.url))

/** What stands in for the server on participants' pages when there is no line: one file beside the pages' own. */
export default defineConfig({
  resolve: { alias: { '~': source } },
  define: { 'process.env.NODE_ENV': JSON.stringify('production') },
  publicDir: false,
  build: {
    outDir: 'build/client',
    emptyOutDir: false,
    rollupOptions: {
      input: 'src/app/service-worker.ts',
      output: { format: 'iife', entryFileNames: 'service-worker.js' },
    },
  },
})
