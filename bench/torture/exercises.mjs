import { buildSync } from 'esbuild';
import { execFile } from 'node:child_process';
import { cpus } from 'node:os';
import { promisify } from 'node:util';
import { said } from './lib.mjs';

const run = promisify(execFile);
const made = (entry, outfile) =>
  buildSync({ entryPoints: [entry], bundle: true, format: 'esm', platform: 'node', packages: 'external', outfile });
/** Kinds as the core lists them. */
const kindsOf = async () => {
  made('src/core/practice/kinds-of-exercise.ts', '.tmp/kinds-of-exercise.mjs');
  return (await import('../../.tmp/kinds-of-exercise.mjs')).KINDS_TO_LEARN;
};

/** Ten thousand exercises of each kind: each can be asked, has its best answers, and is the same when it is made again. */
export async function exercises() {
  const seeds = process.env.PRACTICE_SEEDS ?? '10000';
  const outfile = '.tmp/exercises-of-seeds.mjs';
  made('bench/torture/exercises-of-seeds.ts', outfile);
  const waiting = [...(await kindsOf())];
  const worker = async () => {
    for (let kind = waiting.shift(); kind; kind = waiting.shift()) {
      const start = Date.now();
      const { stdout } = await run(process.execPath, [outfile, kind, seeds]);
      const { different, p99Ms, faulty, faults } = JSON.parse(stdout);
      const figures = { seeds: Number(seeds), different, p99Ms, seconds: Math.round((Date.now() - start) / 1000) };
      said(`exercises: ${kind}`, faulty === 0, faulty ? { ...figures, faulty, faults } : figures);
    }
  };
  await Promise.all(cpus().map(worker));
}
