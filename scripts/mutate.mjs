#!/usr/bin/env node
// Changes lines of a room of core and counts what its own tests do not notice: `npm run mutate -- src/core/ROOM`.
import { existsSync } from 'node:fs';
import { installed, run } from './lib/steps.mjs';

const room = (process.argv[2] ?? '').replace(/\/$/, '');
if (!room || !existsSync(room)) {
  console.error('Name a folder, for example: npm run mutate -- src/core/tapping');
  process.exit(1);
}
await installed();
await run('npx', ['stryker', 'run'], { env: { MUTATE: room } });
