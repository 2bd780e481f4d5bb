import { fileURLToPath } from 'node:url'
import { reactRouter } from '@react-router/dev/vite'
import { defineConfig } from 'vite'

const source = fileURLToPath(new URL('./src', import.meta.url))

export default defineConfig({
  plugins: [reactRouter()],
  resolve: { alias: { '~': source }, dedupe: ['react', 'react-dom', 'yjs'] },
  worker: { format: 'es' },
  environments: {
    ssr: {
      // Bundled into the server, so that a start does not read thousands of small files; what brings files of its
      // own or is needed as it is stays outside.
      resolve: {
        noExternal: true,
        external: ['@electric-sql/pglite', '@node-rs/argon2', 'pino', 'piscina', 'sharp', 'tsx'],
      },
      build: { rollupOptions: { input: './src/start.server.ts' } },
    },
  },
  optimizeDeps: { entries: ['src/app/**/*.{ts,tsx}'] },
})
