#!/usr/bin/env node
// Measures what must stay fast, each as a ratio against a reference in the same run.
import { buildSync } from 'esbuild';
import { mkdirSync } from 'node:fs';
import { build, installed, run } from './lib/steps.mjs';

await installed();
mkdirSync('.tmp', { recursive: true });
for (const name of [
  'answer',
  'plate',
  'route',
  'route-plan',
  'records',
  'log',
  'learning',
  'rehearsal',
  'calibration',
]) {
  const outfile = `.tmp/${name}.bench.mjs`;
  buildSync({
    entryPoints: [`bench/${name}.bench.ts`],
    bundle: true,
    format: 'esm',
    platform: 'node',
    packages: 'external',
    outfile,
  });
  await run(process.execPath, [outfile]);
}
await build();
await run(process.execPath, ['bench/script-size.mjs']);
await run(process.execPath, ['bench/plate-pan.mjs']);
await run(process.execPath, ['bench/route-page.mjs']);
await run(process.execPath, ['bench/bench-page.mjs']);
await run(process.execPath, ['bench/hands-page.mjs']);
await run(process.execPath, ['bench/run-chart.mjs']);
await run(process.execPath, ['bench/rehearsal-page.mjs']);
