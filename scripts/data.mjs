#!/usr/bin/env node
// `npm run backup` copies the data into backups/ beside it; `npm run restore -- FILE` shows what a copy holds, and with
// --yes puts it in the place of the data. Both are safe while the server runs.
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { buildSync } from 'esbuild';
import { installed } from './lib/steps.mjs';

const [mode, ...args] = process.argv.slice(2);
await installed();

/** A module of the server, built to run here. */
async function load(name) {
  const outfile = path.resolve(`.tmp/${name}.mjs`);
  buildSync({
    entryPoints: [`src/server/${name}.ts`],
    bundle: true,
    format: 'esm',
    platform: 'node',
    packages: 'external',
    outfile,
    logLevel: 'error',
  });
  return import(pathToFileURL(outfile).href);
}

const file = (process.env.DATABASE_URL ?? 'file:data/jolly-bit.db').replace(/^file:/, '');
const holds = ({ jobs, machines, drills, changedAt }) =>
  `${jobs} jobs, ${machines} machines, ${drills} drills${changedAt ? `, changed last ${changedAt}` : ''}`;

try {
  if (mode === 'backup') {
    const { openDatabase } = await load('database');
    const { copyDatabase } = await load('backup');
    const { client } = await openDatabase(`file:${file}`);
    console.log(`Copied to ${await copyDatabase(client, file, 'backup')}`);
    client.close();
  } else {
    const from = args.find((a) => !a.startsWith('--'));
    if (!from) throw new Error('Name the copy: npm run restore -- FILE');
    const { inspectCopy, inspectData, restoreCopy } = await load('restore');
    console.log(`${from} holds ${holds(await inspectCopy(from))}.`);
    const now = await inspectData(file);
    console.log(now ? `${file} holds ${holds(now)}.` : `${file} is not there yet.`);
    if (args.includes('--yes')) {
      const kept = await restoreCopy(from, file);
      console.log(`Brought back. What was there before is in ${kept}`);
    } else console.log('Nothing is changed yet. To bring it back: npm run restore -- FILE --yes');
  }
} catch (error) {
  console.error(error.message);
  process.exitCode = 1;
}
