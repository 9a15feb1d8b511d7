import axe from 'axe-core';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test as base, type Page } from '@playwright/test';

const FIRST_PORT = Number(process.env.E2E_PORT ?? 3917);

/** Files of tests in a shop with its five months; the others begin on its first day, where every figure is typical. */
const WITH_PAST = new Set(['every-view', 'learned']);

/** Every file of tests has a server of its own on a fresh sample shop. */
export const test = base.extend<object, { shop: string; server: string }>({
  shop: ['', { option: true, scope: 'worker' }],
  server: [
    async ({ shop }, provide, { parallelIndex }) => {
      const folder = mkdtempSync(path.join(tmpdir(), `jolly-bit-${shop}-`));
      const port = FIRST_PORT + parallelIndex;
      const address = `http://127.0.0.1:${port}`;
      const isUp = (): Promise<boolean> =>
        fetch(`${address}/sign-in`).then(
          (r) => r.ok,
          () => false,
        );
      if (await isUp()) throw new Error(`Port ${port} is taken: another server would answer with its own shop.`);
      const server = spawn(process.execPath, ['scripts/server.mjs', '127.0.0.1', String(port)], {
        stdio: 'inherit',
        env: {
          ...process.env,
          DATABASE_URL: `file:${folder}/shop.db`,
          NEXT_TELEMETRY_DISABLED: '1',
          JOLLY_BIT_SEED: WITH_PAST.has(shop) ? 'sample' : 'first-day',
        },
      });
      const ended = new Promise((resolve) => server.once('exit', resolve));
      while (!(await isUp())) await new Promise((resolve) => setTimeout(resolve, 100));
      // The past fills in beside all else; its last job is written at once.
      const isPast = async (): Promise<boolean> =>
        (await (await fetch(`${address}/api/v1/log?q=drive+brackets+tapped`)).json()).entries.length > 0;
      while (WITH_PAST.has(shop) && !(await isPast())) await new Promise((resolve) => setTimeout(resolve, 200));
      await provide(address);
      server.kill('SIGKILL');
      await ended;
      rmSync(folder, { recursive: true, force: true });
    },
    { scope: 'worker', auto: true, timeout: 600_000 },
  ],
  baseURL: async ({ server }, provide) => provide(server),
  context: async ({ context }, provide) => {
    context.on('page', withItsScript);
    await provide(context);
  },
});

/**
 * A script's hands are quicker than any person's: a page that is opened or reloaded is waited for until its fields have
 * their script, for what is typed while that takes over may be moved. `waitUntil` given: as it says, and no longer.
 */
function withItsScript(page: Page): void {
  const open = page.goto.bind(page);
  const again = page.reload.bind(page);
  const ready = () =>
    page.waitForFunction(() =>
      [...document.querySelectorAll('input, textarea, select')].every((field) =>
        Object.keys(field).some((key) => key.startsWith('__react')),
      ),
    );
  page.goto = async (address, how) => {
    const response = await open(address, how);
    if (!how?.waitUntil) await ready();
    return response;
  };
  page.reload = async (how) => {
    const response = await again(how);
    if (!how?.waitUntil) await ready();
    return response;
  };
}

/** A server of its own, that can be killed and comes back on the same database. */
export class OwnServer {
  readonly folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-own-'));
  readonly database = `file:${this.folder}/shop.db`;
  private process: ChildProcess | undefined;
  readonly address: string;
  constructor(
    private port: number,
    private env: Record<string, string> = {},
  ) {
    this.address = `http://127.0.0.1:${port}`;
  }
  async start(): Promise<void> {
    const env = { ...process.env, DATABASE_URL: this.database, JOLLY_BIT_SEED: 'first-day', ...this.env };
    this.process = spawn(process.execPath, ['scripts/server.mjs', '127.0.0.1', String(this.port)], { env });
    await expect(async () => expect((await fetch(`${this.address}/sign-in`)).ok).toBe(true)).toPass();
  }
  kill(): Promise<void> {
    return new Promise((resolve) => {
      if (!this.process || this.process.exitCode !== null || this.process.signalCode !== null) return resolve();
      this.process.once('exit', () => resolve());
      this.process.kill('SIGKILL');
    });
  }
  async end(): Promise<void> {
    await this.kill();
    rmSync(this.folder, { recursive: true, force: true });
  }
}
/** What stands against the page for people who read it otherwise; empty where nothing does. */
export async function inaccessible(page: Page, where: string): Promise<string[]> {
  await page.evaluate(axe.source);
  // Only what stands against it leaves the page: what passes is thousands of nodes.
  const found = await page.evaluate(async () => {
    const { violations } = await (window as unknown as { axe: typeof axe }).axe.run({ resultTypes: ['violations'] });
    return violations.map((v) => `${v.id}: ${v.nodes[0].html}`);
  });
  return found.map((v) => `${where} ${v}`);
}

/** Picks from a searchable field by typing what it is called. */
export async function pick(page: Page, field: string, typed: string): Promise<void> {
  await page.getByRole('button', { name: new RegExp(`^${field}:`) }).click();
  await page.getByPlaceholder('Type to find').fill(typed);
  await page.keyboard.press('Enter');
}
/** Goes on with Tab until what is wanted has the focus, as hands without a mouse do. */
export async function tabTo(page: Page, name: RegExp): Promise<void> {
  const named = () =>
    page.evaluate(() => {
      const at = document.activeElement as HTMLInputElement | null;
      if (at === document.body) return '';
      return at?.labels?.[0]?.textContent ?? at?.getAttribute('aria-label') ?? at?.textContent ?? '';
    });
  for (let i = 0; i < 200; i++) {
    if (name.test(await named())) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`No way to ${name} by keyboard`);
}

/** Presses what is named, by keyboard alone. */
export async function press(page: Page, name: RegExp): Promise<void> {
  await tabTo(page, name);
  await page.keyboard.press('Enter');
}

export { expect, type APIRequestContext, type Page } from '@playwright/test';
