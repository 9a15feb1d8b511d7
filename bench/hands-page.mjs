// Practice with hands: from each key to the paint that follows it, in frames, on a processor four times slowed. A sitting
// is as many keys as it takes to tap a hole.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { browser, served } from '../scripts/lib/browser.mjs';
import { keyFrames } from './key-frames.mjs';

const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-hands-'));
const chromium = await browser();
const SITTING = 100;
/** Keys that go on without ending it: a bite and back, a moment and out, looking and aiming. */
const HANDS = [
  ['tap', ['ArrowRight', 'ArrowRight', 'ArrowLeft']],
  ['press', ['ArrowDown', 'ArrowUp']],
  ['punch', ['a', 'ArrowLeft', 's', 'ArrowRight']],
  ['height', ['ArrowUp', 'PageUp', 'ArrowDown', 'PageDown']],
  ['edge', ['ArrowRight', 'ArrowLeft', 'ArrowUp', 'ArrowDown']],
];
try {
  await served('.', 3958, { DATABASE_URL: `file:${folder}/shop.db` }, async (base) => {
    for (const [name, keys] of HANDS) {
      const page = await chromium.newPage({ viewport: { width: 1280, height: 800 } });
      await page.goto(`${base}/practice/${name}`, { waitUntil: 'networkidle' });
      const region = page.getByRole('region', { name: 'Hands' });
      await region.waitFor();
      if (name === 'press') await region.getByRole('group', { name: 'Belt' }).getByRole('button').first().click();
      await page.waitForTimeout(1000);
      console.log(
        JSON.stringify({
          name: `${name}: key to paint, four times slowed`,
          ...(await keyFrames(page, keys, 4, 250, SITTING)),
        }),
      );
      await page.close();
    }
  });
} finally {
  await chromium.close();
  rmSync(folder, { recursive: true, force: true });
}
