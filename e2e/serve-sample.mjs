// A server on a fresh sample shop, for the end-to-end tests.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-e2e-'));
const server = spawn(process.execPath, ['scripts/server.mjs', '127.0.0.1', process.argv[2]], {
  stdio: 'inherit',
  env: { ...process.env, DATABASE_URL: `file:${folder}/shop.db`, NEXT_TELEMETRY_DISABLED: '1' },
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => {
  rmSync(folder, { recursive: true, force: true });
  process.exit(code ?? 0);
});
