export default {
  testEnvironment: 'node',
  roots: ['<rootDir>/src'],
  testMatch: ['**/*.test.ts'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  moduleNameMapper: { '^~/(.*)$': '<rootDir>/src/$1', '^tests/(.*)$': '<rootDir>/tests/$1' },
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
  maxWorkers: 2,
}
