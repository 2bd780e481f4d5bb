import { defineConfig } from 'vite'

/** The thread that holds the database is its own small program beside the server's. */
export default defineConfig({
  build: {
    ssr: 'src/server/db/database-thread.server.ts',
    outDir: 'build/database',
    target: 'node20',
    rollupOptions: { output: { entryFileNames: 'thread.js' } },
  },
})
