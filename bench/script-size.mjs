// Compressed script of the Ask page against an empty page of the same framework version, both as Chromium loads them.
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import { run } from '../scripts/lib/steps.mjs';

const root = process.cwd();
const NEXT = path.join(root, 'node_modules/next/dist/bin/next');

async function served(folder, port, env, work) {
  const server = spawn(process.execPath, [NEXT, 'start', '-H', '127.0.0.1', '-p', String(port)], {
    cwd: folder,
    stdio: 'ignore',
    env: { ...process.env, ...env },
  });
  try {
    for (let i = 0; i < 60; i++) {
      if (
        await fetch(`http://127.0.0.1:${port}/`)
          .then((r) => r.ok)
          .catch(() => false)
      )
        break;
      await new Promise((resolve) => setTimeout(resolve, 250));
    }
    return await work(`http://127.0.0.1:${port}`);
  } finally {
    server.kill();
  }
}

async function scriptBytes(browser, url) {
  const page = await browser.newPage();
  const bodies = [];
  page.on('response', (r) => r.request().resourceType() === 'script' && bodies.push(r.body()));
  await page.goto(url, { waitUntil: 'networkidle' });
  const sizes = (await Promise.all(bodies)).map((b) => gzipSync(b, { level: 9 }).length);
  await page.close();
  return sizes.reduce((a, b) => a + b, 0);
}

const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-bench-'));
const empty = path.join(folder, 'empty');
mkdirSync(path.join(empty, 'app'), { recursive: true });
symlinkSync(path.join(root, 'node_modules'), path.join(empty, 'node_modules'));
writeFileSync(path.join(empty, 'package.json'), '{"name":"empty","private":true}');
writeFileSync(path.join(empty, 'next.config.mjs'), `export default { turbopack: { root: '/' } };`);
writeFileSync(
  path.join(empty, 'app/layout.js'),
  'export default ({ children }) => <html lang="en"><body>{children}</body></html>;',
);
writeFileSync(path.join(empty, 'app/page.js'), 'export default () => <p>empty</p>;');
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
});
try {
  await run('sh', ['-c', `cd ${empty} && node ${NEXT} build > build.log 2>&1 || (tail -20 build.log; exit 1)`]);
  const emptyBytes = await served(empty, 3951, {}, (url) => scriptBytes(browser, url));
  const question = '/?callout=M8+x+16+DEEP&thickness=25&machine=bench-drill-press';
  const askBytes = await served(root, 3952, { DATABASE_URL: `file:${folder}/shop.db` }, (url) =>
    scriptBytes(browser, url + question),
  );
  console.log(
    JSON.stringify({
      name: 'script of Ask, compressed',
      askBytes,
      emptyBytes,
      ratio: askBytes / emptyBytes,
      limit: 1.6,
    }),
  );
} finally {
  await browser.close();
  rmSync(folder, { recursive: true, force: true });
}
