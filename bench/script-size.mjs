// Compressed script of the Ask page against an empty page of the same framework version, both as Chromium loads them.
import { mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { browser, served } from '../scripts/lib/browser.mjs';
import { run } from '../scripts/lib/steps.mjs';

const root = process.cwd();
const NEXT = path.join(root, 'node_modules/next/dist/bin/next');

async function scriptBytes(chromium, url) {
  const page = await chromium.newPage();
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
const chromium = await browser();
try {
  await run('sh', ['-c', `cd ${empty} && node ${NEXT} build > build.log 2>&1 || (tail -20 build.log; exit 1)`]);
  const emptyBytes = await served(empty, 3951, {}, (url) => scriptBytes(chromium, url));
  const question = '/?callout=M8+x+16+DEEP&thickness=25&machine=bench-drill-press';
  const askBytes = await served(root, 3952, { DATABASE_URL: `file:${folder}/shop.db` }, (url) =>
    scriptBytes(chromium, url + question),
  );
  console.log(
    JSON.stringify({
      name: 'script of Ask, compressed',
      askBytes,
      emptyBytes,
      ratio: askBytes / emptyBytes,
      limit: 1.4,
    }),
  );
} finally {
  await chromium.close();
  rmSync(folder, { recursive: true, force: true });
}
