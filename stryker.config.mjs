// How strong the tests of a room are: `npm run mutate -- src/core/ROOM`. Lines are changed, and what no test of that room
// notices is listed. Not part of `npm test`.
const room = process.env.MUTATE ?? 'src/core/tapping';
/** Tests of rooms that need a whole hole or run to say anything stand beside what makes one. */
const ALSO = {
  'src/core/tapping': ['src/core/hole/tap-work.test.ts', 'src/core/hole/at-the-edges.test.ts'],
  'src/core/gauging': ['src/core/run/inspection.test.ts'],
  'src/core/operation': ['src/core/hole/one-plan.test.ts'],
};
const tests = [`<rootDir>/${room}/**/*.test.ts`, ...(ALSO[room] ?? []).map((file) => `<rootDir>/${file}`)];

export default {
  testRunner: 'jest',
  jest: { configFile: 'jest.config.mjs', config: { testMatch: tests }, enableFindRelatedTests: false },
  coverageAnalysis: 'perTest',
  mutate: [`${room}/**/*.ts`, `!${room}/**/*.test.ts`, `!${room}/**/*.table.ts`],
  mutator: { excludedMutations: ['StringLiteral', 'ObjectLiteral'] },
  ignorePatterns: ['.next', '.tmp', 'data', 'docs', 'e2e', 'bench', 'test-results', 'coverage'],
  reporters: ['clear-text', 'json'],
  jsonReporter: { fileName: `.tmp/mutation/${room.replaceAll('/', '-')}.json` },
  clearTextReporter: { allowColor: false, logTests: false, allowEmojis: false },
  tempDirName: '.tmp/stryker',
  concurrency: 2,
  timeoutMS: 3_000,
  disableTypeChecks: false,
};
