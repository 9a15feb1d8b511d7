import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

/** Chromium's own build without a window, and all of Chromium; the first takes a tenth less of the processor. */
const SHELL = { package: 'chromium-headless-shell', path: '/usr/bin/chromium-headless-shell' };
const WHOLE = { package: 'chromium', path: '/usr/bin/chromium' };

const firstOf = (...wanted) => process.env.CHROMIUM ?? (wanted.find(({ path }) => existsSync(path)) ?? WHOLE).path;
/** The browser of the tests; `CHROMIUM` in the environment names another, here and for pictures. */
export const browserPath = () => firstOf(SHELL, WHOLE);
/** The browser of pictures and measures: all of it, as people have it, where it is. */
export const wholeBrowserPath = () => firstOf(WHOLE, SHELL);

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
