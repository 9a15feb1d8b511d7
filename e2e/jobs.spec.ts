import { expect, test } from './test';

test('a job saves itself as one types; what comes out of it is undone; a bad number stays with its reason', async ({
  page,
  request,
}) => {
  const saved = page.getByRole('status').filter({ hasText: 'Saved' });
  await page.goto('/jobs/sample-job-fork-trunnion');
  await page.getByLabel('Job', { exact: true }).fill('Fork trunnion, north');
  await page.getByLabel('Parts').fill('2');
  await page.getByLabel('Add a hole').fill('2x M6 x 12 DEEP');
  // Left by a link at once, with a line half typed: all of it is there on the way back.
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByLabel('Add a hole').fill('4x M');
  await page.getByRole('link', { name: 'Jobs', exact: true }).click();
  await expect(page).toHaveURL(/\/jobs$/);
  await page.goBack();
  await expect(page.getByLabel('Job', { exact: true })).toHaveValue('Fork trunnion, north');
  await expect(page.getByText(/Drill 5\.0 mm/)).toBeVisible();
  await expect(page.getByLabel('Add a hole')).toHaveValue('4x M');
  await expect(saved).toBeVisible();
  const job = await (await request.get('/api/v1/jobs/sample-job-fork-trunnion')).json();
  expect([job.name, job.quantity, job.holes.map((h: { letter: string }) => h.letter)]).toEqual([
    'Fork trunnion, north',
    2,
    ['A', 'B', 'C'],
  ]);

  await page.goto('/jobs/sample-job-counterweight-collar');
  await page.getByRole('button', { name: /^Remove A, / }).click();
  await expect(page.getByText('2x M6 THRU')).toBeHidden();
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('2x M6 THRU')).toBeVisible();
  await page.getByLabel('Parts').fill('lots');
  await expect(page.getByRole('main').getByRole('alert')).toContainText('Enter how many parts');
  await page.reload();
  await expect(page.getByLabel('Parts')).toHaveValue('lots');
});

test('copy, delete and undo with one key', async ({ page }) => {
  await page.goto('/jobs');
  const titles = page.getByRole('heading', { level: 2 });
  const before = await titles.count();
  const menu = async (job: RegExp, item: string): Promise<void> => {
    await page.getByRole('button', { name: job }).last().click();
    await page.getByRole('menuitem', { name: item }).click();
  };
  await menu(/^More for/, 'Duplicate');
  await expect(titles).toHaveCount(before + 1);
  await menu(/^More for .*\(copy\)$/, 'Delete');
  await expect(titles).toHaveCount(before);
  await page.keyboard.press('z');
  await expect(titles).toHaveCount(before + 1);
  await menu(/^More for .*\(copy\)$/, 'Delete');
  await expect(page.getByRole('status').filter({ hasText: 'was deleted' })).toBeVisible();
});

test('the card prints on A5 and on half a letter, in one sheet for a small job', async ({ page }) => {
  for (const [paper, width, height] of [
    ['a5', 148 / 25.4, 210 / 25.4],
    ['letter-half', 5.5, 8.5],
  ] as const) {
    await page.goto(`/jobs/sample-job-dust-cap-ring/card?paper=${paper}`);
    const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
    const [, w, h] = /MediaBox\s*\[0 0 ([\d.]+) ([\d.]+)\]/.exec(pdf) ?? [];
    expect(Number(w) / 72).toBeCloseTo(width, 1);
    expect(Number(h) / 72).toBeCloseTo(height, 1);
    expect(pdf.match(/\/Type\s*\/Page\b/g)).toHaveLength(1);
  }
});

test('the card names every tool that is missing, a line each', async ({ page, request }) => {
  const question = (await (await request.get('/api/v1/jobs/sample-job-pier-adapter-plate')).json()).holes[0].question;
  const hole = { id: 'two-missing', name: '', question: { ...question, callout: 'ø27 H7 REAM THRU CBORE ø41 x 6' } };
  const job = {
    id: 'job-two-missing',
    name: 'Two missing',
    materialId: 'steel-low-carbon',
    quantity: 1,
    holes: [hole],
  };
  expect((await request.post('/api/v1/jobs', { data: job })).status()).toBe(201);
  await page.goto('/jobs/job-two-missing/card');
  const missing = page.getByText(/not in the crib|crib has no/i);
  await expect(missing.filter({ hasText: /ream/i })).toHaveCount(1);
  await expect(missing.filter({ hasText: /counterbore/i })).toHaveCount(1);
});

test('the log of the shop: found by words, narrowed by kind, from a record to its hole, out as a table', async ({
  page,
}) => {
  await page.goto('/log');
  const entries = page
    .getByRole('main')
    .getByRole('listitem')
    .filter({ hasNot: page.getByRole('heading') });
  await expect(entries.first()).toBeVisible();
  await page.getByLabel('Find').fill('not good A10 ring');
  await expect(entries).toHaveCount(1);
  await expect(entries).toContainText('Gauged minor diameter: not good');
  const csv = await page.request.get((await page.getByRole('link', { name: 'CSV' }).getAttribute('href')) ?? '');
  expect((await csv.text()).split('\n').slice(0, 2)).toEqual([
    'when,job,hole,callout,part,what,who',
    expect.stringContaining('Dust-cap ring,A10,12x M2.5 THRU,1,Gauged minor diameter: not good'),
  ]);
  const json = await page.request.get((await page.getByRole('link', { name: 'JSON' }).getAttribute('href')) ?? '');
  expect((await json.json()).entries).toHaveLength(1);
  await entries.getByRole('link', { name: 'Dust-cap ring', exact: true }).click();
  await page.waitForURL(/dust-cap-ring\/log/);
  await page.getByLabel('Find').fill('not good');
  await expect(entries).toHaveCount(1);
  await page.goBack();
  await page.waitForURL(/\/log\?q=/);
  await page.getByRole('link', { name: 'Hole A10 of Dust-cap ring' }).click();
  await page.waitForURL(/holes\/sample-hole-ring-circle\/10/);
  await page.goBack();
  // Words and kind at once: neither takes the other back.
  await page.getByLabel('Find').fill('ring');
  await page.getByRole('radio', { name: 'trouble' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Nothing like it was recorded' })).toBeVisible();
  await expect(page.getByLabel('Find')).toHaveValue('ring');
  await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: 'Log' }).click();
  await expect(page.getByLabel('Find')).toHaveValue('');
});
