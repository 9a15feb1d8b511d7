import { execFile } from 'node:child_process';
import { readdirSync } from 'node:fs';
import path from 'node:path';
import { promisify } from 'node:util';
import { expect, OwnServer, test, type APIRequestContext, type Page } from './test';

const RING = '/jobs/sample-job-dust-cap-ring';
const PIER = '/jobs/sample-job-pier-adapter-plate';
const DAY_MS = 86_400_000;
const bar = (page: Page) => page.getByRole('progressbar', { name: 'Steps done' });
const go = (page: Page) => page.getByRole('listitem', { name: 'Go gauge', exact: true });
const hole = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name}\\b`) });
const doneAt = async (page: Page): Promise<number> => Number(await bar(page).getAttribute('aria-valuenow'));

interface Kept {
  id: string;
  kind: string;
  body: { step?: string; verdict?: string };
}
const recorded = async (request: APIRequestContext, job: string, base = ''): Promise<Kept[]> =>
  (await (await request.get(`${base}/api/v1${job}/records?kind=bench`)).json()).records;

/** A browser whose clock is off, by as much as it is told; a reload keeps that. */
async function offClock(page: Page, ms: number) {
  await page.addInitScript((first) => {
    const Real = Date;
    const off = (): number => Number(sessionStorage.getItem('off') ?? first);
    globalThis.Date = class extends Real {
      constructor(...given: []) {
        if (given.length > 0) super(...given);
        else super(Real.now() + off());
      }
      static now = (): number => Real.now() + off();
    } as DateConstructor;
  }, ms);
  return (to: number) => page.evaluate((value) => sessionStorage.setItem('off', String(value)), to);
}
const noSending = (page: Page) => page.route('**/api/v1/records', (route) => route.abort());

test('a reading made with the clock a day ahead does not beat the later, right one; a clock that is off is said', async ({
  page,
  request,
}) => {
  const set = await offClock(page, DAY_MS);
  await page.goto(`${RING}/check`);
  await hole(page, 'A1').click();
  await noSending(page);
  await go(page).getByLabel('turns it enters').fill('2');
  await go(page).getByRole('button', { name: 'Record' }).click();
  await expect(go(page)).toContainText('✕ Not good');
  await expect(page.getByText('1 to send')).toBeVisible();
  // The clock is set right, the page opened anew: what was measured by the old page is gone.
  await set(0);
  await page.reload();
  await hole(page, 'A1').click();
  await go(page).getByRole('button', { name: 'The full length' }).click();
  await expect(go(page)).toContainText('✓ Good');
  await page.unroute('**/api/v1/records');
  await expect(page.getByText(/to send/)).toBeHidden();
  const own = (await recorded(request, RING)).filter((r) => r.kind === 'checked').slice(-2);
  expect(own.map((r) => r.body.verdict)).toEqual(['bad', 'good']);
  expect(await (await request.get(`${RING}/inspection.csv`)).text()).toMatch(/^1,,A1,first,Go gauge,[^,]*,[^,]*,good/m);
  await set(-3_600_000);
  await page.reload();
  await hole(page, 'A1').click();
  await go(page).getByRole('button', { name: 'The full length' }).click();
  await expect(page.getByText('The clock here is 1 hour behind')).toBeVisible();
});

test('a step that two tablets recorded without a network is open on both once one takes it back', async ({
  browser,
  request,
}) => {
  const tablets = await Promise.all([1, 2].map(async () => (await browser.newContext()).newPage()));
  const [one] = tablets;
  for (const tablet of tablets) {
    await tablet.goto(`${RING}/bench`);
    await expect(bar(tablet)).toBeVisible();
    await noSending(tablet);
  }
  const before = await doneAt(one);
  for (const tablet of tablets) {
    await tablet.keyboard.press('Enter');
    await expect(bar(tablet)).toHaveAttribute('aria-valuenow', String(before + 1));
  }
  for (const tablet of tablets) {
    await tablet.unroute('**/api/v1/records');
    await expect(tablet.getByText(/to send/)).toBeHidden();
  }
  await one.keyboard.press('ArrowLeft');
  await one.getByRole('button', { name: 'More', exact: true }).click();
  await one.getByRole('menuitem', { name: 'Undo: not done' }).click();
  for (const tablet of tablets) await expect(bar(tablet)).toHaveAttribute('aria-valuenow', String(before));
  const kinds = (await recorded(request, RING)).slice(-3).map((r) => r.kind);
  expect(kinds).toEqual(['step-done', 'step-done', 'step-undone']);
  await Promise.all(tablets.map((t) => t.context().close()));
});

/** As a private window that forbids it. */
async function forbidden(page: Page): Promise<void> {
  await page.addInitScript(() => {
    for (const store of ['indexedDB', 'localStorage', 'sessionStorage'])
      Object.defineProperty(window, store, {
        get: () => {
          throw new DOMException('', 'SecurityError');
        },
      });
  });
}
/** As on a tablet whose disk is full. */
async function full(page: Page, origin: string): Promise<void> {
  const devices = await page.context().newCDPSession(page);
  await devices.send('Storage.overrideQuotaForOrigin', { origin, quotaSize: 1 });
}

for (const [how, make] of [
  ['forbids', forbidden],
  ['has no room in', full],
] as const)
  test(`a browser that ${how} its store: what is done and typed reaches the server all the same, and it is said`, async ({
    page,
    request,
    server,
  }) => {
    await make(page, server);
    await page.goto(`${RING}/bench`);
    await expect(bar(page)).toBeVisible();
    const before = await doneAt(page);
    const there = (await recorded(request, RING)).length;
    for (let i = 1; i <= 5; i++) {
      await page.keyboard.press('Enter');
      await expect(bar(page)).toHaveAttribute('aria-valuenow', String(before + i));
    }
    await expect(page.getByText(/^Not kept in this browser/)).toBeVisible();
    await expect.poll(async () => (await recorded(request, RING)).length).toBe(there + 5);
    await page.goto(PIER);
    await page.getByLabel('Notes').fill(`typed where the browser ${how}`);
    await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
    const { notes } = await (await request.get(`/api/v1${PIER}`)).json();
    expect(notes).toBe(`typed where the browser ${how}`);
  });

test('two tabs of one browser: what each records is kept in it once, and there without a network', async ({
  page,
  context,
  request,
}) => {
  const other = await context.newPage();
  const tabs = [page, other];
  for (const tab of tabs) {
    await tab.goto(`${RING}/bench`);
    await expect(bar(tab)).toBeVisible();
  }
  const first = await doneAt(page);
  for (let i = 0; i < 6; i++) {
    const tab = tabs[i % 2];
    await tab.bringToFront();
    await tab.keyboard.press('Enter');
    for (const each of tabs) await expect(bar(each)).toHaveAttribute('aria-valuenow', String(first + i + 1));
  }
  const there = async () =>
    (await (await request.get(`/api/v1${RING}/records?after=0`)).json()).records.map((r: Kept) => r.id).sort();
  const kept = (): Promise<string[]> =>
    page.evaluate(
      () =>
        new Promise<string[]>((resolve) => {
          const opened = indexedDB.open('jolly-bit');
          opened.onsuccess = () => {
            const all = opened.result.transaction('kept').objectStore('kept').getAll();
            all.onsuccess = () =>
              resolve(
                (all.result as { records: { id: string }[] }[]).flatMap((p) => p.records.map((r) => r.id)).sort(),
              );
          };
        }),
    );
  await expect(async () => expect(await kept()).toEqual(await there())).toPass();
  expect(new Set(await kept()).size).toBe((await kept()).length);
  await other.close();
});

test('a file whose reader does not load says so', async ({ page }) => {
  await page.route('**/turbopack-worker*', (route) => route.abort());
  await page.goto(`${PIER}/plate?tab=files`);
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'more.csv', mimeType: 'text/csv', buffer: Buffer.from('callout,x,y\nM5,1,1\n') });
  await expect(page.getByText(/The file could not be read/)).toBeVisible();
});

test('six tabs of Check leave room for all else, and each hears a reading', async ({ context, page, request }) => {
  const tabs = [page, ...(await Promise.all(Array.from({ length: 5 }, () => context.newPage())))];
  for (const tab of tabs) {
    await tab.goto(`${RING}/check`);
    await hole(tab, 'A7').click();
  }
  await expect(async () => {
    await request.post('/api/v1/instruments', { data: { line: 'thread-gauge go 3.5 turns' } });
    for (const tab of tabs) await expect(go(tab).getByLabel('turns it enters')).toHaveValue('3.5', { timeout: 500 });
  }).toPass();
  const { heardBy } = await (
    await request.post('/api/v1/instruments', { data: { line: 'thread-gauge go 3.5 turns' } })
  ).json();
  expect(heardBy).toBe(1);
  // The one that holds the stream goes; another takes it over.
  await tabs[0].close();
  await expect(async () => {
    await request.post('/api/v1/instruments', { data: { line: 'thread-gauge go 4.5 turns' } });
    await expect(go(tabs[5]).getByLabel('turns it enters')).toHaveValue('4.5', { timeout: 500 });
  }).toPass();
});

test('an older copy is brought back, a job removed: open pages say so, and send again what the server lacks', async ({
  page,
  context,
  request,
}) => {
  const server = new OwnServer(3939);
  await server.start();
  try {
    const at = (view: string): string => server.address + view;
    expect((await request.post(at('/api/v1/backup'))).status()).toBe(201);
    const bench = await context.newPage();
    await page.goto(at(PIER));
    await page.getByLabel('Notes').fill('After the copy');
    await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
    await bench.goto(at(`${RING}/bench`));
    const before = await doneAt(bench);
    const done = (await recorded(request, RING, server.address)).filter((r) => r.kind === 'step-done').length;
    await bench.keyboard.press('Enter');
    await expect(bar(bench)).toHaveAttribute('aria-valuenow', String(before + 1));
    await expect.poll(async () => (await recorded(request, RING, server.address)).at(-1)?.kind).toBe('step-done');
    await expect(bench.getByText(/to send/)).toBeHidden();
    const made = (await recorded(request, RING, server.address)).at(-1)?.id;
    const [copy] = readdirSync(path.join(server.folder, 'backups'));
    await promisify(execFile)(
      process.execPath,
      ['scripts/data.mjs', 'restore', path.join(server.folder, 'backups', copy), '--yes'],
      {
        env: { ...process.env, DATABASE_URL: server.database },
      },
    );
    await page.getByRole('button', { name: 'Send it again' }).click();
    await bench.getByRole('button', { name: 'Send it again' }).click();
    await expect(bar(bench)).toHaveAttribute('aria-valuenow', String(before + 1));
    await expect
      .poll(async () => (await (await request.get(at(`/api/v1${PIER}`))).json()).notes)
      .toBe('After the copy');
    await expect.poll(async () => (await recorded(request, RING, server.address)).map((r) => r.id)).toContain(made);

    await request.delete(at(`/api/v1${RING}`));
    await expect(bench.getByText('This job is not on the server any more.')).toBeVisible();
    // A tab that is not seen sends at its next retry.
    await bench.bringToFront();
    await bench.keyboard.press('Enter');
    await expect(bar(bench)).toHaveAttribute('aria-valuenow', String(before + 2));
    await request.post(at(`/api/v1${RING}/restore`));
    await expect(bench.getByText('This job is not on the server any more.')).toBeHidden();
    await expect(bench.getByText(/to send/)).toBeHidden();
    await expect
      .poll(async () => (await recorded(request, RING, server.address)).filter((r) => r.kind === 'step-done').length)
      .toBe(done + 2);
    await expect(bar(bench)).toHaveAttribute('aria-valuenow', String(before + 2));
  } finally {
    await server.end();
  }
});
