#!/usr/bin/env node
// Everything that must hold: lint, types, unit tests, production build, end to end. Installs what is missing first.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { browserInstalled } from './lib/browser-path.mjs';
import { build, installed, run } from './lib/steps.mjs';

process.env.NEXT_TELEMETRY_DISABLED = '1';
const OUT = '.tmp/results';
rmSync(OUT, { recursive: true, force: true });
mkdirSync(OUT, { recursive: true });
let passed = 0;
let failed = 0;

/** One step that passes or fails as a whole. */
async function step(name, work) {
  console.log(`\n== ${name}`);
  try {
    await work();
    passed += 1;
    return true;
  } catch (error) {
    failed += 1;
    console.error(`${name}: ${error.message}`);
    return false;
  }
}

/** A runner's own counts, read from the report that it wrote; a runner that wrote none has failed. */
function counted(name, file, read) {
  if (!existsSync(file)) {
    console.error(`${name} wrote no report.`);
    failed += 1;
    return;
  }
  const [good, bad] = read(JSON.parse(readFileSync(file, 'utf8')));
  passed += good;
  failed += good + bad === 0 ? 1 : bad;
}

await installed();
// Lint runs on one core: types and unit tests keep the other busy.
const linted = step('Lint', () => run('npm', ['run', '--silent', 'lint']));
await step('Types', () => run('npm', ['run', '--silent', 'typecheck']));
console.log('\n== Unit tests');
await run('npx', ['jest', '--json', `--outputFile=${OUT}/jest.json`], { soft: true });
counted('Jest', `${OUT}/jest.json`, (r) => [r.numPassedTests, r.numFailedTests + r.numRuntimeErrorTestSuites]);
await linted;
const built = await step('Production build', () => build());
console.log('\n== End to end');
if (built && browserInstalled()) {
  await run('npx', ['playwright', 'test'], { soft: true, env: { PLAYWRIGHT_JSON_OUTPUT_NAME: `${OUT}/e2e.json` } });
  counted('Playwright', `${OUT}/e2e.json`, ({ stats }) => [stats.expected, stats.unexpected + stats.flaky]);
} else failed += 1;

console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed > 0 ? 1 : 0;
