/** Unit tests beside the code, and API tests against the real database whose address tools/test.ts puts in DATABASE_URL. */
export default {
  testEnvironment: 'node',
  roots: ['core/src', 'contract/src', 'solve/src', 'server/src', 'web/src', 'tools'],
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
        module: { type: 'es6' },
        sourceMaps: 'inline',
      },
    ],
  },
  moduleNameMapper: { '\\.css$': '<rootDir>/web/src/test/emptyStyle.ts' },
};
