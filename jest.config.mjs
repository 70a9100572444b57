/** Tests of everything without a browser. `npx jest --selectProjects core` runs a part. */
const swc = {
  '^.+\\.m?(t|j)sx?$': ['@swc/jest', { jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022' }, module: { type: 'commonjs' } }],
};
const node = (displayName, dir, more = {}) => ({
  displayName,
  testEnvironment: 'node',
  roots: [`<rootDir>/${dir}`],
  testMatch: ['**/*.test.ts'],
  transform: swc,
  // Reading a global through the sandbox is slow; simulations ask Math a great deal.
  sandboxInjectedGlobals: ['Math'],
  // Libraries that come as ES modules only.
  transformIgnorePatterns: ['/node_modules/(?!(ml-[a-z-]+|is-any-array|d3-[a-z]+|internmap|delaunator|robust-predicates|flatbush|flatqueue|uuid|csv-parse|metar-taf-parser)/)'],
  ...more,
});

const onPostgres = { globalSetup: '<rootDir>/apps/server/test/postgres-setup.mjs', globalTeardown: '<rootDir>/apps/server/test/postgres-teardown.mjs' };

export default {
  // Only to end a test that hangs: a busy machine takes several times as long as an idle one.
  testTimeout: 180_000,
  projects: [
    node('core', 'packages/core/test'),
    node('research', 'packages/research/test'),
    node('contract', 'packages/contract/test'),
    node('stand-ins', 'stand-ins'),
    node('cli', 'apps/cli/test', {}),
    node('server', 'apps/server/test', onPostgres),
    // The phone's own ledger against the server's, without a browser between.
    node('integration', 'integration', { moduleNameMapper: { '^@/(.*)$': '<rootDir>/apps/angler/src/$1' }, ...onPostgres }),
    '<rootDir>/apps/angler/jest.config.js',
  ],
};
