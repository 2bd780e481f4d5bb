import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'

const source = fileURLToPath(new URL('./src', import.meta.url))

/** Threads beside the server's are small programs of their own: the one that holds the database, and the one for what takes long. */
export default defineConfig({
  resolve: { alias: { '~': source } },
  ssr: { noExternal: true, external: ['@electric-sql/pglite', '@electric-sql/pglite-socket'] },
  build: {
    ssr: true,
    outDir: 'build/threads',
    target: 'node20',
    rollupOptions: {
      input: {
        database: 'src/server/db/database-thread.server.ts',
        work: 'src/server/work/tasks.server.ts',
        backup: 'src/server/backup/command.server.ts',
      },
      output: { entryFileNames: '[name].js' },
    },
  },
})
