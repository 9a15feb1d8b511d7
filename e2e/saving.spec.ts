import { expect, OwnServer, test, type Page } from './test';

const PIER = '/jobs/sample-job-pier-adapter-plate';
const state = (page: Page) => page.getByRole('main').getByRole('status').first();
const saved = (page: Page) => expect(state(page)).toHaveText('Saved');

test('a job of 400 features: edit, close the tab at once, open: there', async ({ context, page, request }) => {
  const first = await (await request.get('/api/v1/jobs/sample-job-pier-adapter-plate')).json();
  const holes = Array.from({ length: 400 }, (_, i) => ({
    ...first.holes[3],
    id: `many-${String(i).padStart(6, '0')}`,
    letter: undefined,
    place: { kind: 'point', x: 10 + (i % 20) * 14, y: 10 + Math.floor(i / 20) * 9 },
    question: { ...first.holes[3].question, callout: 'M4 THRU' },
  }));
  const made = { id: 'job-of-400', name: 'Four hundred', materialId: 'steel-low-carbon', quantity: 1, holes };
  expect((await request.post('/api/v1/jobs', { data: made })).status()).toBe(201);
  await page.goto('/jobs/job-of-400');
  await page.getByLabel('Name of OJ').fill('the last one');
  await page.close();
  const again = await context.newPage();
  await again.goto('/jobs/job-of-400');
  await expect(again.getByLabel('Name of OJ')).toHaveValue('the last one');
  await saved(again);
  const kept = await (await request.get('/api/v1/jobs/job-of-400')).json();
  expect(kept.holes[399]).toMatchObject({ letter: 'OJ', name: 'the last one' });
});

test('the server dies while one types, and comes back: nothing is lost, and it is said meanwhile', async ({ page }) => {
  const server = new OwnServer(3931);
  await server.start();
  try {
    await page.goto(server.address + PIER);
    await saved(page);
    await server.kill();
    await page.getByLabel('Notes').fill('Typed while nobody listened');
    await page.getByLabel('Name of B').fill('rim');
    await expect(state(page)).toHaveText('2 changes waiting for the server');
    // It is tried again, and goes on being said.
    await page.waitForEvent('requestfailed', (r) => r.method() === 'PATCH');
    await expect(state(page)).toHaveText('2 changes waiting for the server');
    await server.start();
    await saved(page);
    const job = await (await fetch(`${server.address}/api/v1${PIER}`)).json();
    expect([job.notes, job.holes[1].name]).toEqual(['Typed while nobody listened', 'rim']);
  } finally {
    await server.end();
  }
});

test('two tabs: other fields merge by themselves and are told; the same field is offered from both', async ({
  context,
  page,
  request,
}) => {
  const other = await context.newPage();
  await page.goto(PIER);
  await other.goto(PIER);
  await Promise.all([saved(page), saved(other)]);
  await page.getByLabel('Name of A').fill('studs');
  await saved(page);
  await expect(other.getByText('Changed elsewhere: A name')).toBeVisible();
  await expect(other.getByLabel('Name of A')).toHaveValue('studs');

  // Both type in the same field before either is saved.
  await Promise.all([page.getByLabel('Name of B').fill('mine'), other.getByLabel('Name of B').fill('yours')]);
  const late = other.getByLabel('Changed in two places');
  await expect(async () =>
    expect([await late.isVisible(), await page.getByLabel('Changed in two places').isVisible()]).toContain(true),
  ).toPass();
  const [here, there] = (await late.isVisible()) ? [other, page] : [page, other];
  const question = here.getByLabel('Changed in two places');
  await expect(question).toContainText('B name was changed elsewhere too');
  await expect(question).toContainText('mine');
  await expect(question).toContainText('yours');
  const kept = await here.getByLabel('Name of B').inputValue();
  await question.getByRole('button', { name: 'Keep mine' }).click();
  await Promise.all([saved(here), expect(there.getByLabel('Name of B')).toHaveValue(kept)]);

  // Somebody else, in another program.
  const job = await (await request.get(`/api/v1${PIER}`)).json();
  await context.setOffline(true);
  await here.getByLabel('Notes').fill('from the tab');
  await request.patch(`/api/v1${PIER}`, {
    data: { head: { version: job.headVersion, set: { notes: 'from outside' } } },
  });
  await context.setOffline(false);
  await here.getByLabel('Changed in two places').getByRole('button', { name: 'Take theirs' }).click();
  await expect(here.getByLabel('Notes')).toHaveValue('from outside');
  await saved(here);
});

test('what was just typed is on the next view at once; undo goes across the views of a job', async ({
  page,
  request,
}) => {
  const copy = await (await request.post(`/api/v1${PIER}/duplicate`)).json();
  const at = `/jobs/${copy.id}`;
  await page.goto(`${at}/plate`);
  const line = page.getByLabel('Add: callout and place');
  await line.fill('M3 THRU at 30,30');
  await line.press('Enter');
  await line.fill('M3 TH');
  await page.getByRole('link', { name: /^Holes / }).click();
  await expect(page.getByText('M3x0.5 THRU')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByText('M3x0.5 THRU')).toBeHidden();
  await page.getByRole('button', { name: 'Redo', exact: true }).click();
  await saved(page);
  await page.goto(`${at}/plate`);
  await expect(line).toHaveValue('M3 TH');
  await page.getByRole('button', { name: `Remove ${copy.nextLetter}` }).click();
  await saved(page);
  await line.fill('M4 THRU at 60,60');
  await line.press('Enter');
  await saved(page);
  const { holes } = await (await request.get(`/api/v1${at}`)).json();
  expect(holes.map((h: { letter: string }) => h.letter).join('')).toBe(
    copy.holes.map((h: { letter: string }) => h.letter).join('') +
      String.fromCharCode(copy.nextLetter.charCodeAt(0) + 1),
  );
});

test('two changes of the same that are left behind go one after the other, and are in no conflict with each other', async ({
  page,
  request,
}) => {
  const copy = await (await request.post(`/api/v1${PIER}/duplicate`)).json();
  const now = async () => (await request.get(`/api/v1/jobs/${copy.id}`)).json();
  await page.goto(`/jobs/${copy.id}/plate`);
  const refused: string[] = [];
  page.on('response', (r) => r.status() === 409 && refused.push(r.url()));
  // Nothing of it reaches the server from here.
  await page.route('**/api/v1/jobs/*', (route) =>
    route.request().method() === 'PATCH' ? route.abort() : route.continue(),
  );
  await page.keyboard.press('Alt+u');
  await expect(page.getByRole('button', { name: 'inch' })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Alt+u');
  await expect(page.getByRole('button', { name: 'mm', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await page.unroute('**/api/v1/jobs/*');
  await page.goto('/crib');
  await expect.poll(async () => (await now()).headVersion).toBe(copy.headVersion + 2);
  expect([(await now()).units, refused]).toEqual(['mm', []]);
});

test('a change left behind in conflict is told in the list of jobs, not sent again, and decided in its job', async ({
  page,
  request,
}) => {
  const copy = await (await request.post(`/api/v1${PIER}/duplicate`)).json();
  await page.goto(`/jobs/${copy.id}`);
  await page.route('**/api/v1/jobs/*', (route) =>
    route.request().method() === 'PATCH' ? route.abort() : route.continue(),
  );
  await page.getByLabel('Notes').fill('mine');
  await expect(state(page)).toHaveText('1 change waiting for the server');
  const theirs = { head: { version: copy.headVersion, set: { notes: 'theirs' } } };
  expect((await request.patch(`/api/v1/jobs/${copy.id}`, { data: theirs })).ok()).toBe(true);
  await page.unroute('**/api/v1/jobs/*');
  await page.clock.install();
  await page.goto('/jobs');
  const told = page.getByRole('listitem').filter({ hasText: 'A change that you made waits here' });
  await page.clock.runFor(1000);
  await expect(told).toHaveCount(1);
  let refused = 0;
  page.on('response', (r) => r.status() === 409 && refused++);
  // What waits behind it, of another job, goes: by then the one in conflict was passed over.
  const other = await (await request.post(`/api/v1${PIER}/duplicate`)).json();
  await page.evaluate(
    ({ id, headVersion }) =>
      new Promise<void>((resolve) => {
        indexedDB.open('jolly-bit').onsuccess = (opened) => {
          const at = (opened.target as IDBOpenDBRequest).result.transaction('changes', 'readwrite');
          const rows = at.objectStore('changes');
          rows.getAll().onsuccess = (got) => {
            const [row] = (got.target as IDBRequest).result;
            const change = { ...row.change, change: crypto.randomUUID() };
            change.head = { version: headVersion, set: { notes: 'another' } };
            rows.put({ ...row, id: `${row.id}-later`, jobId: id, change });
          };
          at.oncomplete = () => resolve();
        };
      }),
    other,
  );
  await expect
    .poll(async () => {
      await page.clock.runFor(11_000);
      return (await (await request.get(`/api/v1/jobs/${other.id}`)).json()).notes;
    })
    .toBe('another');
  expect(refused).toBe(0);
  await page.clock.resume();
  await told.getByRole('link', { name: copy.name }).click();
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await saved(page);
  expect((await (await request.get(`/api/v1/jobs/${copy.id}`)).json()).notes).toBe('mine');
  await page.getByRole('link', { name: 'Jobs', exact: true }).first().click();
  await expect(page.getByRole('link', { name: copy.name, exact: true }).first()).toBeVisible();
  await expect(told).toHaveCount(0);
});

test('what is recorded waits for the server, and what it will not have stays until somebody leaves it out', async ({
  page,
  request,
}) => {
  const at = '/jobs/sample-job-bearing-block';
  const ticks = async () => (await (await request.get(`/api/v1${at}/records?kind=layout-tick`)).json()).records.length;
  await page.goto(`${at}/plate`);
  await page.route('**/api/v1/records', (route) => route.abort());
  await page.getByRole('checkbox').first().check();
  await expect(page.getByText('1 waiting for the server')).toBeVisible();
  expect(await ticks()).toBe(0);
  await page.unroute('**/api/v1/records');
  await expect.poll(ticks).toBe(1);
  await page.route('**/api/v1/records', async (route) => {
    const [{ id }] = route.request().postDataJSON().records;
    const why = { id, code: 'hole-unknown', detail: 'This job has no such feature.', remedy: 'Load the job.' };
    await route.fulfill({ json: { taken: [], known: [], refused: [why] } });
  });
  // A click: what is refused may be unticked again before anybody could look.
  await page.getByRole('checkbox').nth(1).click();
  const refused = page.getByText('Not recorded: This job has no such feature. Load the job.');
  await expect(refused).toBeVisible();
  await page.unroute('**/api/v1/records');
  await page.reload();
  await expect(refused).toBeVisible();
  await page.getByRole('button', { name: 'Leave it out' }).click();
  await page.reload();
  await expect(page.getByRole('checkbox').first()).toBeChecked();
  await expect(refused).toBeHidden();
  expect(await ticks()).toBe(1);
});

test('what one tab left behind reaches the server from any page, its job open or not', async ({
  context,
  page,
  request,
}) => {
  await page.goto('/jobs/sample-job-spreader-bars');
  await saved(page);
  await page.route('**/api/v1/jobs/**', (route) =>
    route.request().method() === 'PATCH' ? route.abort() : route.continue(),
  );
  await page.getByLabel('Notes').fill('left behind');
  await expect(state(page)).toHaveText('1 change waiting for the server');
  await page.close();
  const other = await context.newPage();
  await other.goto('/crib');
  const notes = async () => (await (await request.get('/api/v1/jobs/sample-job-spreader-bars')).json()).notes;
  await expect.poll(notes).toBe('left behind');
});
