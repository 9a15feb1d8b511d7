import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

/** Chromium's own build without a window, and all of Chromium; the first takes a tenth less of the processor. */
const SHELL = { package: 'chromium-headless-shell', path: '/usr/bin/chromium-headless-shell' };
const WHOLE = { package: 'chromium', path: '/usr/bin/chromium' };

/** The browser that tests, pictures and measures use; `CHROMIUM` in the environment names another. */
export const browserPath = () =>
  process.env.CHROMIUM ?? ([SHELL, WHOLE].find(({ path }) => existsSync(path)) ?? WHOLE).path;

/** Without a sandbox, which root has not; and never asking the network for anything of its own. */
export const flags = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** Whether there is a browser, installed from Debian's packages where it is missing and that is allowed. */
export function browserInstalled() {
  const isThere = () => existsSync(browserPath());
  if (!isThere() && !process.env.CHROMIUM && process.getuid?.() === 0) {
    console.log('Installing Chromium ...');
    execFileSync('apt-get', ['update'], { stdio: 'inherit' });
    for (const wanted of [SHELL, WHOLE])
      if (!isThere())
        spawnSync('apt-get', ['install', '-y', '--no-install-recommends', wanted.package], { stdio: 'inherit' });
  }
  if (isThere()) return true;
  console.error('Chromium is missing. As root: apt-get install chromium. Or set CHROMIUM to its path.');
  return false;
}
