#!/usr/bin/env node
// Serves Jolly Bit: `dev`, `build`, `start`, or `demo` (installs and builds what is missing, then serves the sample shop).
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { build, installed, run } from './lib/steps.mjs';

const mode = process.argv[2] ?? 'demo';
const host = process.env.HOST ?? '127.0.0.1';
const port = process.env.PORT ?? '3000';
process.env.NEXT_TELEMETRY_DISABLED = '1';

await installed();
if (mode === 'build') await run('npx', ['next', 'build']);
else {
  if (mode === 'demo') process.env.DATABASE_URL ??= 'file:data/demo.db';
  if (mode === 'demo' || (mode === 'start' && !existsSync('.next/BUILD_ID'))) await build();
  console.log(`Jolly Bit at http://${host}:${port}`);
  const server = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', mode === 'dev' ? 'dev' : 'start', '-H', host, '-p', port],
    {
      stdio: 'inherit',
    },
  );
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 0));
}
