#!/usr/bin/env node
// What must hold under kills, floods, wrong clocks, full stores, restores, large jobs and odd requests, on the production
// build: `npm run torture [-- NAME ...]`. Prints one table, and ends with 1 where something does not hold. `-- soak` and
// `-- exercises` go on for an hour.
import { build, installed } from './lib/steps.mjs';

await installed();
await build();
const { rows } = await import('../bench/torture/lib.mjs');
const PARTS = ['kills', 'crowds', 'clocks', 'restores', 'full', 'limits', 'lists', 'big', 'odd', 'texts', 'browsers'];
const MOST_MS = 20 * 60_000;
const wanted = process.argv.slice(2);
const begun = Date.now();
for (const name of wanted.length > 0 ? wanted : PARTS) {
  if (wanted.length === 0 && Date.now() - begun > MOST_MS) {
    rows.push({ name: `${name}: not tried, twenty minutes are over`, holds: false, figures: {} });
    continue;
  }
  const part = await import(`../bench/torture/${name}.mjs`);
  const start = Date.now();
  try {
    await part[name]();
  } catch (error) {
    rows.push({ name: `${name}: ${error.message}`, holds: false, figures: {} });
  }
  console.log(`${name} took ${Math.round((Date.now() - start) / 1000)} s`);
}
const short = (value) => (typeof value === 'number' ? Math.round(value * 100) / 100 : value);
console.log('\n| holds | what | figures |\n|---|---|---|');
for (const { name, holds, figures } of rows)
  console.log(
    `| ${holds ? 'yes' : 'NO'} | ${name} | ${JSON.stringify(figures, (_, v) => short(v)).replaceAll('|', '/')} |`,
  );
const broken = rows.filter((row) => !row.holds).length;
console.log(`\n${rows.length - broken} hold, ${broken} do not; ${Math.round((Date.now() - begun) / 60_000)} min.`);
process.exit(broken > 0 ? 1 : 0);
