import { spawn } from 'node:child_process';
import { chromium } from '@playwright/test';
import { flags, wholeBrowserPath } from './browser-path.mjs';

/** Debian's Chromium without a screen. */
export const browser = () => chromium.launch({ executablePath: wholeBrowserPath(), args: flags });

/** Serves a built folder while `work` runs with its address. */
export async function served(folder, port, env, work) {
  const server = spawn(process.execPath, [`${process.cwd()}/scripts/server.mjs`, '127.0.0.1', String(port)], {
    cwd: folder,
    stdio: 'ignore',
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', JOLLY_BIT_SEED: 'first-day', ...env },
  });
  const base = `http://127.0.0.1:${port}`;
  try {
    for (let i = 0; i < 80; i++) {
      const up = await fetch(base)
        .then((r) => r.ok)
        .catch(() => false);
      if (up) break;
      await new Promise((resolve) => setTimeout(resolve, 250));
    }
    return await work(base);
  } finally {
    server.kill();
  }
}
