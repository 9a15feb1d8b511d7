#!/usr/bin/env node
// Measures what must stay fast, each as a ratio against a reference in the same run.
import { buildSync } from 'esbuild';
import { mkdirSync } from 'node:fs';
import { build, installed, run } from './lib/steps.mjs';

await installed();
mkdirSync('.tmp', { recursive: true });
buildSync({
  entryPoints: ['bench/answer.bench.ts'],
  bundle: true,
  format: 'esm',
  platform: 'node',
  outfile: '.tmp/answer.bench.mjs',
});
await run(process.execPath, ['.tmp/answer.bench.mjs']);
await build();
await run(process.execPath, ['bench/script-size.mjs']);
