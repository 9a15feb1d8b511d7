// How strong the tests of a room are: `npm run mutate -- src/core/ROOM`. Lines are changed, and what no test of that room
// notices is listed. Not part of `npm test`.
const room = process.env.MUTATE ?? 'src/core/tapping';

export default {
  testRunner: 'jest',
  jest: { configFile: 'jest.config.mjs', config: { roots: [`<rootDir>/${room}`] }, enableFindRelatedTests: false },
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
