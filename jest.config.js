/** Unit tests beside the code, and API tests against the real database whose address tools/test.ts puts in DATABASE_URL. */
export default {
  testEnvironment: 'node',
  // Only a guard against a test that hangs: signing in costs a slow hash, and a machine may be busy. No test here measures time.
  testTimeout: 120_000,
  // Left to itself Jest keeps a core free, which on two cores leaves one.
  maxWorkers: 2,
  globalSetup: '<rootDir>/tools/jestRun.js',
  cacheDirectory: '<rootDir>/.local/cache/jest',
  roots: ['core', 'job', 'words', 'papers', 'contract', 'solve', 'server', 'web', 'tools'].map(
    (name) => `${name}/src`,
  ),
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: { '^.+\\.tsx?$': '<rootDir>/tools/jestTransform.js' },
  moduleNameMapper: { '\\.css$': '<rootDir>/web/src/test/emptyStyle.ts' },
};
