import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { request as rawRequest } from 'node:http';
import { request as secureRequest } from 'node:https';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test } from './test';

const PORT = 3933;
const BASE = `http://127.0.0.1:${PORT}`;
const PASSCODE = 'three brass taps';

/** A server on all addresses of this computer; undefined for one that did not start, with what it said. */
async function onTheNetwork(folder: string, env: Record<string, string>, host = '0.0.0.0') {
  let said = '';
  const server = spawn(process.execPath, ['scripts/server.mjs', host, String(PORT)], {
    env: { ...process.env, DATABASE_URL: `file:${folder}/shop.db`, ...env },
  });
  server.stderr.on('data', (chunk) => (said += chunk));
  let printed = '';
  server.stdout.on('data', (chunk) => (printed += chunk));
  const ended = new Promise<number | null>((resolve) => server.once('exit', resolve));
  const up = (async () => {
    for (;;) {
      if (
        await fetch(`${BASE}/sign-in`).then(
          (r) => r.ok,
          () => false,
        )
      )
        return 'up' as const;
      await new Promise((resolve) => setTimeout(resolve, 200));
    }
  })();
  const state = await Promise.race([up, ended]);
  return { state, said: () => said, printed: () => printed, stop: () => (server.kill('SIGKILL'), ended) };
}

test('off loopback: no start without a passcode; with one nothing but the sign-in page, until it is given', async ({
  page,
}) => {
  const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-access-'));
  let server = await onTheNetwork(folder, {});
  expect(server.state).toBe(79);
  expect(server.said()).toContain(
    "there is no passcode. Set one once: PASSCODE='at least eight characters' npm start.",
  );
  server = await onTheNetwork(folder, { PASSCODE });
  try {
    expect(server.state).toBe('up');
    const status = async (at: string, method = 'GET') =>
      (await fetch(BASE + at, { method, redirect: 'manual' })).status;
    expect(await Promise.all(['/', '/jobs', '/crib', '/jobs/x/template.pdf'].map((p) => status(p)))).toEqual([
      303, 303, 303, 303,
    ]);
    expect(await Promise.all(['/api/v1/jobs', '/api/openapi.json'].map((p) => status(p)))).toEqual([401, 401]);
    expect(await status('/api/v1/jobs/sample-job-pier-adapter-plate', 'DELETE')).toBe(401);
    // What keeps pages for when there is no network is let through: the browser asks for it without a session.
    expect(await status('/serwist/sw.js')).toBe(200);
    // Loopback in its Host header lets nobody in.
    const asLocal = await new Promise<number | undefined>((resolve) =>
      rawRequest(`${BASE}/api/v1/jobs`, { headers: { host: 'localhost' } }, (r) => resolve(r.statusCode)).end(),
    );
    expect(asLocal).toBe(401);
    // A name that is pointed here from outside reads nothing, whatever it brings.
    const foreign = await new Promise<number | undefined>((resolve) =>
      rawRequest(`${BASE}/api/v1/jobs`, { headers: { host: 'evil.example' } }, (r) => resolve(r.statusCode)).end(),
    );
    expect(foreign).toBe(421);

    await page.goto(`${BASE}/jobs/sample-job-pier-adapter-plate`);
    await page.getByLabel('Your name').fill('R. at the press');
    await page.getByLabel('Passcode of the shop').fill('three brass taps?');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByText('Wrong passcode.')).toBeVisible();
    await page.getByLabel('Passcode of the shop').fill(PASSCODE);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page).toHaveURL(/pier-adapter-plate$/);
    await expect(page.getByText('R. at the press')).toBeVisible();

    // What is recorded carries the name.
    await page.goto(`${BASE}/jobs/sample-job-bearing-block/plate`);
    await page.getByRole('checkbox').first().check();
    await expect(async () => {
      const { records } = await (await page.request.get(`${BASE}/api/v1/jobs/sample-job-bearing-block/records`)).json();
      expect(records.map((r: { who: string }) => r.who)).toEqual(['R. at the press']);
    }).toPass();

    const kept = (): Promise<number> =>
      page.evaluate(
        () =>
          new Promise<number>((resolve) => {
            const opened = indexedDB.open('jolly-bit');
            opened.onsuccess = () => {
              const count = opened.result.transaction('cache').objectStore('cache').count();
              count.onsuccess = () => resolve(count.result);
            };
          }),
      );
    await expect.poll(kept).toBeGreaterThan(0);

    // The crib is anyone's, until the shop says that it asks again; who signed in lately is not asked.
    await page.goto(`${BASE}/crib`);
    await page.getByRole('tab', { name: 'How this shop works' }).click();
    await page.getByLabel(/needs the passcode again/).check();
    const session = (await page.context().cookies()).find(({ name }) => name === 'jolly-bit-session');
    const cookie = `jolly-bit-session=${session?.value}`;
    const withCookie = async () => (await fetch(`${BASE}/api/v1/jobs`, { headers: { cookie } })).status;
    expect(await withCookie()).toBe(200);
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page).toHaveURL(/sign-in/);
    expect(await kept()).toBe(0);
    // The session ended on the server: what was copied of it is worth nothing.
    expect(await withCookie()).toBe(401);
    expect((await page.request.get(`${BASE}/api/v1/jobs`)).status()).toBe(401);

    const guess = async (): Promise<number> =>
      (await page.request.post(`${BASE}/api/v1/session`, { data: { passcode: 'a guess' } })).status();
    /** How many guesses are looked at before one has to wait; one that comes late is looked at once more. */
    const untilTooSoon = async (): Promise<number> => {
      for (let looked = 0; ; looked++) {
        const status = await guess();
        if (status === 429) return looked;
        expect(status).toBe(401);
      }
    };
    // The wait doubles from a second on: on a machine that is busy a few more are looked at, never many.
    expect([5, 6, 7, 8, 9]).toContain(await untilTooSoon());
    await server.stop();
    server = await onTheNetwork(folder, {});
    // A restart forgets none: one more wrong one, and the next has to wait.
    await expect.poll(guess).toBe(401);
    expect(await untilTooSoon()).toBeLessThan(4);
  } finally {
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
});

test('through a gateway nobody comes in without a passcode; encrypted, tablets trust the shop by its own certificate', async () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-gateway-'));
  const names = { PUBLIC_URL: 'https://bench.lan:3934', HTTPS_PORT: '3934', PASSCODE };
  let server = await onTheNetwork(folder, {}, '127.0.0.1');
  try {
    const status = async (headers: Record<string, string>) => (await fetch(`${BASE}/api/v1/jobs`, { headers })).status;
    expect(await status({})).toBe(200);
    expect(await status({ 'x-forwarded-for': '192.0.2.7' })).toBe(403);
    expect(await status({ 'x-jolly-bit-own': '1', via: '1.1 gateway' })).toBe(403);
    await server.stop();
    server = await onTheNetwork(folder, names, '127.0.0.1');
    expect(await status({})).toBe(401);
    const trust = await (await fetch(`${BASE}/trust`)).text();
    expect(trust).toContain('https://bench.lan:3934');
    const printed = /Fingerprint of the shop's certificate: ([0-9A-F:]{95})/.exec(server.printed())?.[1];
    expect([printed !== undefined, trust.includes(String(printed))]).toEqual([true, true]);
    const ca = await (await fetch(`${BASE}/shop-ca.crt`)).text();
    const reached = (host: string, authority: string | undefined) =>
      new Promise<number | string | undefined>((resolve) =>
        secureRequest(
          { host: '127.0.0.1', port: 3934, servername: host, headers: { host }, ca: authority, path: '/sign-in' },
          (r) => resolve(r.statusCode),
        )
          .on('error', (error) => resolve((error as NodeJS.ErrnoException).code))
          .end(),
      );
    expect(await reached('bench.lan', ca)).toBe(200);
    expect(await reached('bench.lan', undefined)).toMatch(/CERT|SELF_SIGNED|UNABLE/);
    expect(await reached('evil.example', ca)).toBe('ERR_TLS_CERT_ALTNAME_INVALID');
    // Half a file is made anew, by the authority that tablets trust; nobody else reads the data or a key.
    await server.stop();
    const key = `${folder}/https/server.key`;
    writeFileSync(key, readFileSync(key, 'utf8').slice(0, 500));
    server = await onTheNetwork(folder, names, '127.0.0.1');
    expect(await reached('bench.lan', ca)).toBe(200);
    expect([key, `${folder}/https/shop-ca.key`, `${folder}/shop.db`].map((f) => statSync(f).mode & 0o777)).toEqual([
      0o600, 0o600, 0o600,
    ]);
    const elsewhere = await fetch(`${BASE}//evil.example/x`, { redirect: 'manual' });
    expect([elsewhere.status, elsewhere.headers.get('location')]).toEqual([400, null]);
  } finally {
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
});
