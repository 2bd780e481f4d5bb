import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'

/** Packages of some hundred small files, which every test file would find and link anew: each is made one file first. */
const MANY_FILES = ['date-fns', 'lodash-es', 'zod']
const FOLDER = 'node_modules/.cache/in-one-file'

export default async () => {
  await build({
    entryPoints: MANY_FILES.map(name => ({ in: fileURLToPath(import.meta.resolve(name)), out: name })),
    bundle: true,
    format: 'esm',
    outExtension: { '.js': '.mjs' },
    outdir: FOLDER,
  })
  const inOneFile = MANY_FILES.map(name => [`^${name}$`, `<rootDir>/${FOLDER}/${name}.mjs`])
  return {
    testEnvironment: 'node',
    roots: ['<rootDir>/src'],
    testMatch: ['**/*.test.ts'],
    extensionsToTreatAsEsm: ['.ts', '.tsx'],
    moduleNameMapper: {
      '^~/(.*)$': '<rootDir>/src/$1',
      '^tests/(.*)$': '<rootDir>/tests/$1',
      ...Object.fromEntries(inOneFile),
    },
    transform: {
      '^.+\\.tsx?$': [
        '@swc/jest',
        {
          jsc: {
            parser: { syntax: 'typescript', tsx: true },
            target: 'es2022',
            experimental: { keepImportAttributes: true },
          },
          module: { type: 'es6' },
        },
      ],
    },
    globalSetup: '<rootDir>/tests/fixtures/databases.ts',
    globalTeardown: '<rootDir>/tests/fixtures/end-databases.ts',
    testTimeout: 60_000,
    // One more than two processors have: played sessions wait for their clock.
    maxWorkers: 3,
  }
}
