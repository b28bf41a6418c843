/** Unit tests beside the code, and API tests against the real database whose address tools/test.ts puts in DATABASE_URL. */
export default {
  // Two processes of plain Node: each reads a module once for all its files, and what it reckons with stays compiled (decision 40).
  runner: ['jest-light-runner', { runtime: 'child_process' }],
  setupFiles: ['<rootDir>/tools/jest/register.js'],
  transform: {},
  // Left to itself Jest keeps a core free, which on two cores leaves one.
  maxWorkers: 2,
  globalSetup: '<rootDir>/tools/jest/run.js',
  testSequencer: '<rootDir>/tools/jest/longestFirst.js',
  cacheDirectory: '<rootDir>/.local/cache/jest',
  roots: ['core', 'job', 'words', 'papers', 'contract', 'solve', 'server', 'web', 'tools'].map(
    (name) => `${name}/src`,
  ),
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
};
