import { expect, inaccessible, OwnServer, test, type APIRequestContext, type Page } from './test';

const BLOCK = 'sample-job-bearing-block';
const PIER = 'sample-job-pier-adapter-plate';
const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const gaugeFirst = (page: Page) => page.getByRole('button', { name: 'Gauge it first' });
const bar = (page: Page) => page.getByRole('progressbar', { name: 'Steps done' });
const doneSteps = async (page: Page): Promise<number> => Number(await bar(page).getAttribute('aria-valuenow'));

/** The big key, by keyboard; waits until it counts. A gauge is not passed by it: there the bolt is tried first. */
async function done(page: Page): Promise<void> {
  const before = await doneSteps(page);
  await page.keyboard.press('Enter');
  await expect(async () => {
    const stays = (await gaugeFirst(page).isVisible()) && (await doneSteps(page)) === before;
    expect(stays || (await doneSteps(page)) === before + 1).toBe(true);
  }).toPass();
  if ((await doneSteps(page)) === before) {
    await page.getByRole('button', { name: /^(Fits its own bolt|It goes together)$/ }).click();
    await expect(gaugeFirst(page)).toBeHidden();
    await page.keyboard.press('Enter');
  }
  await expect(bar(page)).toHaveAttribute('aria-valuenow', String(before + 1));
}

async function issue(request: APIRequestContext, jobId: string, base = ''): Promise<void> {
  const { version } = await (await request.get(`${base}/api/v1/jobs/${jobId}`)).json();
  const data = { id: `issue-${jobId}`, jobVersion: version };
  expect((await request.post(`${base}/api/v1/jobs/${jobId}/routes`, { data })).ok()).toBe(true);
}

interface Kept {
  id: string;
  kind: string;
  happenedAt: string;
  body: { step?: string; text?: string; choice?: string };
}
const recordsOf = async (request: APIRequestContext, jobId: string, base = ''): Promise<Kept[]> =>
  (await (await request.get(`${base}/api/v1/jobs/${jobId}/records?kind=bench`)).json()).records;

/** Until the page, what it was given and what it read are kept in the browser. */
async function keptHere(page: Page): Promise<void> {
  await expect(async () => {
    await page.getByRole('button', { name: 'More' }).click();
    const said = page.getByText(/here/).filter({ hasText: 'network' });
    const text = await said.textContent();
    await page.keyboard.press('Escape');
    expect(text).toBe('Kept here: opens without a network.');
  }).toPass();
}

test('a whole job: callouts, layout, a mark that is off, drill, a broken tap, a failed gauge, rework, done', async ({
  page,
  request,
}) => {
  await page.goto(`/jobs/${BLOCK}`);
  await expect(page.getByText('3/8-16 UNC-2B THRU')).toBeVisible();
  await page.getByLabel('Parts', { exact: true }).fill('1');
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
  await page.goto(`/jobs/${BLOCK}/plate?tab=punch`);
  await page.getByLabel('Right of the cross, mm').fill('0.4');
  await page.getByRole('button', { name: 'Record A1' }).click();
  await expect(page.getByText(/0\.4 mm off, right: outside/)).toBeVisible();
  await page.getByText('Measure again').click();
  await page.getByLabel('Right of the cross, mm').fill('0.02');
  await page.getByRole('button', { name: 'Record A1' }).click();
  await expect(page.getByText(/outside/)).toBeHidden();
  await page.goto(`/jobs/${BLOCK}/bench`);
  await expect(heading(page)).toHaveText('No route issued yet');
  await issue(request, BLOCK);
  await page.goto(`/jobs/${BLOCK}/bench`);
  await expect(heading(page)).toHaveText('Scribe');
  const seen: string[] = [];
  const until = async (what: string): Promise<void> => {
    for (let i = 0; i < 30; i++) {
      const at = (await heading(page).textContent()) ?? '';
      seen.push(at);
      if (at === what) return;
      await done(page);
    }
  };
  await until('Tap 3/8-16 UNC');
  // Lines first, each once: two across and one up on the top, two on the side; then their crossings.
  expect(seen.slice(0, 5)).toEqual(Array.from({ length: 5 }, () => 'Scribe'));
  expect(seen.slice(5, 11)).toEqual(['Punch', 'Punch', 'Punch', 'Clamp', 'Start', 'Start']);
  await page.keyboard.press('t');
  await expect(page.getByText(/^1 of \d+( \d\/\d)? turns$/)).toBeVisible();
  // Both hands are on the wrench: Space is a turn, and goes on to nothing.
  const tapped = await doneSteps(page);
  await page.keyboard.press('Space');
  await expect(page.getByText(/^2 of \d+( \d\/\d)? turns$/)).toBeVisible();
  expect(await doneSteps(page)).toBe(tapped);
  // The next section is drawn behind this one; each is clipped by its own stock.
  const clips = () => page.locator('clipPath').evaluateAll((all) => all.map((c) => c.id));
  await expect.poll(async () => (await clips()).length).toBe(4);
  expect(new Set(await clips()).size).toBe(4);
  await expect(async () => {
    await request.post('/api/v1/instruments', { data: { line: 'torque now 90 peak 95 Nm' } });
    await expect(page.getByRole('alert').filter({ hasText: 'Back out, clear the chips' })).toContainText('Peak 95', {
      timeout: 500,
    });
  }).toPass();
  await page.getByRole('button', { name: 'Trouble' }).click();
  await page.getByRole('button', { name: 'The tap broke' }).click();
  await page.getByRole('button', { name: 'Full of chips' }).click();
  await page.getByRole('button', { name: 'It broke: record it' }).click();
  await expect(page.getByText('Likely cause here: chips packed in the flutes.')).toBeVisible();
  await expect(page.getByText('Stop. Do not twist it: the pieces wedge.')).toBeVisible();
  await page.goto('/jobs');
  const row = page.getByRole('listitem').filter({ hasText: 'Azimuth bearing block' });
  await expect(row).toContainText('One hole waits for a decision: Check.');
  await page.goto(`/jobs/${BLOCK}/check`);
  await page.getByRole('button', { name: /a tap broke in it. Decide/ }).click();
  await page.goto(`/jobs/${BLOCK}/bench`);
  await page.getByRole('button', { name: 'Trouble' }).click();
  await page.getByRole('button', { name: 'The tap broke' }).click();
  await page.getByRole('button', { name: 'It is out: carry on' }).click();
  await until('Gauge A1');
  const go = page.getByRole('listitem', { name: 'Go gauge', exact: true });
  await go.getByLabel('turns it enters').fill('9');
  await page.keyboard.press('Enter');
  await expect(go).toContainText('Go gauge stops after 9 turns; 23.9 turns are needed.');
  await go.getByRole('button', { name: 'Chase with a sharp tap' }).click();
  // The tap once more, at once; then the gauge, then everything else as it was.
  await expect(page.getByText('Once more: Chase with a sharp tap')).toBeVisible();
  seen.length = 0;
  await until('Gauge A1');
  // What was decided is gauged once more: its bolt alone does not do.
  await go.getByRole('button', { name: 'The full length' }).click();
  await expect(gaugeFirst(page)).toBeHidden();
  await until('All done');
  expect(seen.slice(0, 2)).toEqual(['Tap 3/8-16 UNC', 'Gauge A1']);
  expect(seen.filter((h) => /3.8-16/.test(h))).toHaveLength(1);
  await page.goto(`/jobs/${BLOCK}/check`);
  await page.getByRole('button', { name: /^A1/ }).click();
  await go.getByRole('button', { name: 'The full length' }).click();
  await expect(go).toContainText('✓ Good');
  await expect(page.getByRole('button', { name: /^A1/ })).toContainText('✓');
  await page.goto('/jobs');
  await expect(row).toContainText('made');
  const table = await (await request.get(`/jobs/${BLOCK}/inspection.csv`)).text();
  expect(table).toMatch(/^1,,A1,,Go gauge,23\.9 turns or more,turns it enters 24 turns,good/m);
  const pdf = await request.get(`/jobs/${BLOCK}/inspection.pdf`);
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
});

test('no network: fifty records, the tab closed, opened again; then all of them are there once, in order', async ({
  context,
  page,
  request,
}) => {
  const server = new OwnServer(3935);
  await server.start();
  try {
    await issue(request, PIER, server.address);
    await page.goto(`${server.address}/jobs/${PIER}/bench`);
    await keptHere(page);
    await server.kill();
    for (let i = 0; i < 58; i++) await done(page);
    // Faster than what was recorded can count: each key is for a step of its own.
    await Promise.all(Array.from({ length: 8 }, () => page.keyboard.press('Enter')));
    await page.getByRole('button', { name: 'More' }).click();
    await page.getByRole('menuitem', { name: 'Note' }).click();
    await page.getByRole('button', { name: 'Hard spot' }).click();
    // Besides 66 steps and the note: 17 lines ticked, and what was gauged of three holes that went through first.
    await expect(page.getByText('87 to send')).toBeVisible();
    await page.close();
    const again = await context.newPage();
    await again.goto(`${server.address}/jobs/${PIER}/bench`);
    await expect(again.getByText('87 to send')).toBeVisible();
    expect(await doneSteps(again)).toBe(66);
    await server.start();
    await expect(again.getByText(/to send/)).toBeHidden();
    const kept = await recordsOf(request, PIER, server.address);
    const gauged = kept.filter((r) => r.kind === 'checked');
    const others = kept.filter((r) => r.kind !== 'checked');
    expect(gauged).toHaveLength(3);
    expect(others.map((r) => r.kind)).toEqual([...Array.from({ length: 66 }, () => 'step-done'), 'note']);
    const ids = kept.map((r) => r.id);
    expect(new Set(others.map((r) => r.body.step)).size).toBe(67);
    expect(ids).toEqual([...ids].sort());
  } finally {
    await server.end();
  }
});

test('two benches on one job without a network, then with one: nothing lost, nothing double, both shown', async ({
  browser,
  request,
}) => {
  const server = new OwnServer(3936);
  await server.start();
  try {
    await issue(request, PIER, server.address);
    const benches = await Promise.all([1, 2].map(async () => (await browser.newContext()).newPage()));
    for (const bench of benches) {
      await bench.goto(`${server.address}/jobs/${PIER}/bench`);
      await keptHere(bench);
    }
    await server.kill();
    const [one, two] = benches;
    for (let i = 0; i < 3; i++) await done(one);
    for (let i = 0; i < 6; i++) await two.keyboard.press('ArrowRight');
    await done(two);
    expect(await Promise.all(benches.map(doneSteps))).toEqual([3, 1]);
    await server.start();
    for (const bench of benches) await expect(bar(bench)).toHaveAttribute('aria-valuenow', '4');
    const kept = await recordsOf(request, PIER, server.address);
    expect([kept.length, new Set(kept.map((r) => r.body.step)).size]).toEqual([4, 4]);
    await Promise.all(benches.map((b) => b.context().close()));
  } finally {
    await server.end();
  }
});

test('readings go to the check that waits and to the field with the focus; one that is off says so', async ({
  page,
  request,
}) => {
  await issue(request, PIER);
  const says = (line: string) => request.post('/api/v1/instruments', { data: { line } });
  await page.goto(`/jobs/${PIER}/check`);
  const go = page.getByRole('listitem', { name: 'Go gauge', exact: true });
  await expect(async () => {
    await says('thread-gauge go 12.5 turns');
    await expect(go.getByLabel('turns it enters')).toHaveValue('12.5', { timeout: 500 });
  }).toPass();
  await go.getByRole('button', { name: 'Record' }).click();
  // The first hole by name, and it stays until another is picked.
  await expect(page.getByRole('button', { name: /^A1 (✓|good)/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: /^A1: / })).toBeVisible();
  const depth = page.getByRole('listitem', { name: 'Depth of thread' });
  await says('depth-gauge depth 0.7 in');
  await expect(depth.getByLabel('depth, mm')).toHaveValue('17.78');
  await expect(depth).toContainText(/! .*off/);
  const place = page.getByRole('listitem', { name: 'Position' });
  await says('readout x 90.06 y 155 mm');
  await place.getByRole('button', { name: 'Record' }).click();
  await expect(place).toContainText('Off 0.06 mm right');
  await expect(page.getByRole('region', { name: 'Positions' })).toContainText('A1');
  expect((await says('caliper size wide mm')).status()).toBe(422);
  // From a photograph: 200 of its pixels are 20 mm along X; the mark is 10 of them right of the crossing.
  await page.getByRole('button', { name: /^A2/ }).click();
  // What was not recorded stays with its hole.
  await expect(depth.getByLabel('depth, mm')).toHaveValue('');
  await page.getByRole('button', { name: /^A1/ }).click();
  await expect(depth.getByLabel('depth, mm')).toHaveValue('17.78');
  await page.getByRole('button', { name: /^A2/ }).click();
  await page.getByRole('button', { name: 'Position from a photograph' }).click();
  const picture = { name: 'bench.png', mimeType: 'image/png', buffer: await page.screenshot() };
  await page.locator('input[type=file]').setInputFiles(picture);
  const canvas = page.getByRole('img', { name: /four points/ });
  const shown = (await canvas.evaluate((c: HTMLCanvasElement) => c.getBoundingClientRect().width / c.width)) || 1;
  for (const [x, y] of [
    [100, 400],
    [300, 400],
    [200, 200],
    [210, 200],
  ])
    await canvas.click({ position: { x: x * shown, y: y * shown } });
  await page.getByRole('button', { name: /^Record (0\.9|1\.0)\d* mm right/ }).click();
  await expect(place).toContainText(/Off (0\.9|1\.0)\d* mm right.*the zone is 0\.5 mm/);
  await expect(async () => {
    const show = page.getByRole('button', { name: 'Show the photograph' });
    if (await show.isVisible()) await show.click({ timeout: 500 });
    await expect(page.getByRole('img', { name: /from which the position/ })).toBeVisible({ timeout: 500 });
  }).toPass();
  await page.goto(`/jobs/${PIER}/plate?tab=punch`);
  await expect(async () => {
    await says('readout x 0.05 y -0.02 mm');
    await expect(page.getByLabel('Right of the cross, mm')).toHaveValue('0.05', { timeout: 500 });
  }).toPass();
  // The simulated readout: half of what it shows, sent.
  await page.goto('/instruments');
  await page.getByRole('button', { name: 'Move X by 10' }).click();
  await page.getByRole('button', { name: 'Half X' }).click();
  await expect(page.getByText('X 5.000')).toBeVisible();
});

test('skip with a reason, take back, dark, and the foot switch; nothing has to be typed', async ({ page, request }) => {
  await issue(request, PIER);
  await page.goto(`/jobs/${PIER}/bench`);
  await done(page);
  const menu = async (item: string): Promise<void> => {
    await page.getByRole('button', { name: 'More' }).click();
    await page.getByRole('menuitem', { name: item }).click();
  };
  await menu('Skip this step');
  // A reason is asked for, and nothing else can be pressed by mistake.
  await expect(page.getByRole('button', { name: /^Done(?! already)/ })).toBeHidden();
  await page.getByRole('button', { name: 'Not needed' }).click();
  await expect(bar(page)).toHaveAttribute('aria-valuenow', '2');
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  await menu('Undo: not done');
  await expect(bar(page)).toHaveAttribute('aria-valuenow', '1');
  await menu('Learn a foot switch');
  await expect(page.getByText('Press the foot switch now')).toBeVisible();
  await page.keyboard.press('F9');
  await page.keyboard.press('F9');
  await expect(bar(page)).toHaveAttribute('aria-valuenow', '2');
  await menu('Dark');
  await page.reload();
  await expect(page.getByRole('main')).toHaveAttribute('data-theme', 'dark');
  await expect(async () =>
    expect((await recordsOf(request, PIER)).map((r) => r.kind).slice(-4)).toEqual([
      'step-done',
      'step-skipped',
      'step-undone',
      'step-done',
    ]),
  ).toPass();
});

test('the key of the bench is on the first screen and the bench is accessible, at the desk and on a phone', async ({
  page,
  request,
}) => {
  await issue(request, PIER);
  for (const size of [
    { width: 1280, height: 800 },
    { width: 390, height: 844 },
  ]) {
    await page.setViewportSize(size);
    await page.goto(`/jobs/${PIER}/bench`);
    const key = page.getByRole('button', { name: /^Done/ });
    await expect(key).toBeInViewport({ ratio: 1 });
    await key.click({ trial: true });
    expect(await inaccessible(page, `bench at ${size.width}`)).toEqual([]);
  }
});
