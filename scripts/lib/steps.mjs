import { spawn } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import path from 'node:path';

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

const packagesIn = (file) =>
  Object.entries(JSON.parse(readFileSync(file, 'utf8')).packages).filter(([at]) => at !== '');

/** Whether every package of the lock file is there, as npm itself noted when it installed. */
function isInstalled() {
  const noted = 'node_modules/.package-lock.json';
  if (!existsSync(noted)) return false;
  const there = new Map(packagesIn(noted).map(([at, { version }]) => [at, version]));
  return packagesIn('package-lock.json').every(([at, { version, optional }]) => optional || there.get(at) === version);
}

/** Installs the packages of the lock file when one is missing or another. */
export async function installed() {
  if (isInstalled()) return;
  console.log('Installing packages ...');
  await run('npm', ['ci', '--no-audit', '--no-fund', '--include=dev']);
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
  const source = Math.max(newest('src'), statSync('package-lock.json').mtimeMs, statSync('next.config.mjs').mtimeMs);
  if (existsSync(mark) && statSync(mark).mtimeMs > source) return;
  console.log('Building ...');
  await run('npx', ['next', 'build'], { env: { NEXT_TELEMETRY_DISABLED: '1' } });
}
