#!/usr/bin/env node
// Serves Jolly Bit: `dev`, `build`, `start`, or `demo` (installs and builds what is missing, then serves the sample shop).
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { createInterface } from 'node:readline/promises';
import { build, installed, run } from './lib/steps.mjs';

/** A server that dies is started again, at most so often in a minute. */
const MOST_RESTARTS = 5;

/** A line typed at the terminal. */
async function asked(question) {
  const terminal = createInterface({ input: process.stdin, output: process.stdout });
  try {
    return await terminal.question(question);
  } finally {
    terminal.close();
  }
}

const mode = process.argv[2] ?? 'demo';
const host = process.env.HOST ?? '127.0.0.1';
const port = process.env.PORT ?? '3000';
process.env.NEXT_TELEMETRY_DISABLED = '1';

await installed();
if (mode === 'build') await run('npx', ['next', 'build']);
else {
  if (mode === 'demo') process.env.DATABASE_URL ??= 'file:data/demo.db';
  if (mode === 'demo' || (mode === 'start' && !existsSync('.next/BUILD_ID'))) await build();
  console.log(`Jolly Bit at http://${host}:${port} ...`);
  /** Exit code of a server that another start would not help. */
  const NOT_STARTABLE = 78;
  const NO_PASSCODE = 79;
  const starts = [];
  let server;
  let ending = false;
  const start = () => {
    starts.push(Date.now());
    server = spawn(
      process.execPath,
      mode === 'dev'
        ? ['node_modules/next/dist/bin/next', 'dev', '-H', host, '-p', port]
        : ['scripts/server.mjs', host, port],
      { stdio: 'inherit' },
    );
    server.on('exit', async (code, signal) => {
      if (code === NO_PASSCODE && process.stdin.isTTY && !process.env.PASSCODE) {
        process.env.PASSCODE = await asked('Passcode for those who come over the network: ');
        return start();
      }
      if (ending || mode === 'dev' || code === 0 || code === NOT_STARTABLE || code === NO_PASSCODE)
        process.exit(code ?? 0);
      const lately = starts.filter((at) => at > Date.now() - 60_000).length;
      const how = signal ? `by ${signal}` : `with code ${code}`;
      if (lately > MOST_RESTARTS) {
        console.error(`The server ended ${how}, the ${lately}th time in a minute: not started again.`);
        process.exit(1);
      }
      console.error(`The server ended ${how}; starting it again.`);
      setTimeout(start, 500);
    });
  };
  start();
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, () => {
      ending = true;
      server.kill(signal);
    });
}
