import { spawn } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { createHash } from 'node:crypto';

/** Runs a command, its output shown as it comes and returned. Rejects when it fails, unless `soft`. */
export function run(command, args, { soft = false, env = {} } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'], env: { ...process.env, ...env } });
    let output = '';
    for (const [from, to] of [
      [child.stdout, process.stdout],
      [child.stderr, process.stderr],
    ])
      from.on('data', (chunk) => {
        output += chunk;
        to.write(chunk);
      });
    child.on('error', reject);
    child.on('exit', (code) => {
      if (code === 0 || soft) resolve({ code: code ?? 1, output });
      else reject(new Error(`${command} ${args.join(' ')} ended with ${code}`));
    });
  });
}

const digest = (file) => createHash('sha256').update(readFileSync(file)).digest('hex');

/** Installs the packages of the lock file when they are missing or older than it. */
export async function installed() {
  const mark = 'node_modules/.jolly-bit-lock';
  const lock = digest('package-lock.json');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return;
  console.log('Installing packages ...');
  await run('npm', ['ci', '--no-audit', '--no-fund', '--include=dev']);
  writeFileSync(mark, lock);
}

function newest(folder) {
  return readdirSync(folder, { withFileTypes: true }).reduce((latest, entry) => {
    const at = path.join(folder, entry.name);
    return Math.max(latest, entry.isDirectory() ? newest(at) : statSync(at).mtimeMs);
  }, 0);
}

/** Builds for production when there is no build, or the source is newer. */
export async function build() {
  const mark = '.next/BUILD_ID';
  const source = Math.max(newest('src'), statSync('package-lock.json').mtimeMs, statSync('next.config.ts').mtimeMs);
  if (existsSync(mark) && statSync(mark).mtimeMs > source) return;
  console.log('Building ...');
  await run('npx', ['next', 'build'], { env: { NEXT_TELEMETRY_DISABLED: '1' } });
}
