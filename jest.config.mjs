/** Unit tests beside their sources, checks against the outside world, database tests on a real server. */
export default {
  testMatch: [
    '<rootDir>/src/**/*.test.ts',
    '<rootDir>/src/**/*.test.tsx',
    '<rootDir>/checks/**/*.check.ts',
    '<rootDir>/cli/**/*.test.ts',
  ],
  transform: {
    '^.+\\.(tsx?|js)$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
      },
    ],
  },
  setupFiles: ['<rootDir>/src/core/food/load.ts'],
  // These come as ES modules only.
  transformIgnorePatterns: [
    '/node_modules/(?!intl-messageformat/|@formatjs/|@noble/|uuid/|htmlparser2/|dom[a-z-]+/|entities/|read-excel-file/|saxen/|unzipper-esm/|worker-f/)',
  ],
  modulePathIgnorePatterns: ['<rootDir>/.next/'],
  testTimeout: 30_000,
  // Names of a sandbox are looked up slowly: the engine’s tests take a third of the time with these at hand.
  sandboxInjectedGlobals: ['Math', 'Number', 'Object', 'Array', 'JSON'],
};
