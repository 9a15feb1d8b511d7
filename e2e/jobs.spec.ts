import { expect, test } from '@playwright/test';

test('a job is changed, and a change made elsewhere meanwhile is not overwritten', async ({ page, request }) => {
  await page.goto('/jobs/sample-job-fork-trunnion');
  const name = page.getByLabel('Job', { exact: true });
  await name.fill('Fork trunnion, north');
  await page.getByLabel('Parts').fill('2');
  await page.getByLabel('Add a hole').fill('2x M6 x 12 DEEP');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Saved' })).toBeDisabled();
  await expect(page.getByText(/Drill 5\.0 mm/)).toBeVisible();
  const {
    version,
    createdAt: _c,
    updatedAt: _u,
    ...job
  } = await (await request.get('/api/v1/jobs/sample-job-fork-trunnion')).json();
  expect([version, job.quantity, job.holes.length]).toEqual([2, 2, 3]);
  await request.put('/api/v1/jobs/sample-job-fork-trunnion', { data: { ...job, version, notes: 'elsewhere' } });
  await name.fill('Mine');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('main').getByRole('alert')).toContainText('elsewhere');
  await expect(name).toHaveValue('Mine');
});

test('a hole taken out of a job comes back with undo; a bad number is explained and kept', async ({ page }) => {
  await page.goto('/jobs/sample-job-counterweight-collar');
  await page.getByRole('button', { name: 'Remove Clamp screws' }).click();
  await expect(page.getByText('2x M6 THRU')).toBeHidden();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByText('2x M6 THRU')).toBeVisible();
  await page.getByLabel('Parts').fill('lots');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('main').getByRole('alert')).toContainText('a whole number from 1');
  await expect(page.getByLabel('Parts')).toHaveValue('lots');
});

test('copy, delete and undo with one key', async ({ page }) => {
  await page.goto('/jobs');
  const titles = page.getByRole('heading', { level: 2 });
  const before = await titles.count();
  await page.getByRole('button', { name: 'Duplicate' }).last().click();
  await expect(titles).toHaveCount(before + 1);
  await page.getByRole('button', { name: /^Delete .*\(copy\)$/ }).click();
  await expect(titles).toHaveCount(before);
  await page.keyboard.press('z');
  await expect(titles).toHaveCount(before + 1);
  await page.getByRole('button', { name: /^Delete .*\(copy\)$/ }).click();
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
