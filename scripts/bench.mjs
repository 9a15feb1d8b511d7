#!/usr/bin/env node
// Measures what must stay fast, each as a ratio against a reference in the same run.
import { buildSync } from 'esbuild';
import { mkdirSync } from 'node:fs';
import { build, installed, run } from './lib/steps.mjs';

await installed();
/** What was measured, and whether its limit held; all of it is measured, whatever does not hold. */
const rows = [];
async function measure(file) {
  const { code, output } = await run(process.execPath, [file], { soft: true });
  const found = output.split('\n').flatMap((line) => {
    try {
      const one = JSON.parse(line);
      return one && typeof one === 'object' && 'name' in one ? [one] : [];
    } catch {
      return [];
    }
  });
  rows.push({ file, holds: code === 0, found });
}

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
  await measure(outfile);
}
await build();
await measure('bench/script-size.mjs');
await measure('bench/plate-pan.mjs');
await measure('bench/route-page.mjs');
await measure('bench/bench-page.mjs');
await measure('bench/hands-page.mjs');
await measure('bench/run-chart.mjs');
await measure('bench/rehearsal-page.mjs');
const short = (value) => (typeof value === 'number' ? Math.round(value * 100) / 100 : value);
console.log('\n| holds | what | ratio | limit |\n|---|---|---|---|');
for (const { file, holds, found } of rows)
  for (const { name, ratio, limit } of found.length > 0 ? found : [{ name: file }])
    console.log(
      `| ${!holds && (ratio === undefined || limit === undefined || ratio > limit) ? 'NO' : 'yes'} | ${name} | ${short(ratio) ?? ''} | ${limit ?? ''} |`,
    );
const broken = rows.filter(({ holds }) => !holds);
console.log(
  `\n${rows.length - broken.length} measures hold${broken.length > 0 ? `, not: ${broken.map((r) => r.file).join(', ')}` : ''}.`,
);
process.exitCode = broken.length > 0 ? 1 : 0;
