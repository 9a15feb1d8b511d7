import { expect, OwnServer, test } from './test';

test('an empty shop: two minutes of ticking, by keyboard, then a first right answer; the sample goes in one step', async ({
  page,
}) => {
  const server = new OwnServer(3941, { JOLLY_BIT_SEED: 'none' });
  await server.start();
  try {
    await page.goto(`${server.address}/`);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Set up your shop');
    await expect(page.getByText('Take the sample shop out')).toBeHidden();
    const mill = page.getByLabel('Mill with readout');
    await mill.focus();
    await page.keyboard.press('Space');
    await page.getByRole('button', { name: 'This is my shop' }).focus();
    await page.keyboard.press('Enter');
    await page.waitForURL(/callout=/);
    await page.getByLabel('Callout').fill('M6 x 12 DEEP');
    // 5.0 of the metric index; a plug of the set that was ticked.
    await expect(page.getByText('5.0 mm', { exact: true }).filter({ visible: true }).first()).toBeVisible();
    await expect(
      page
        .getByText(/plug 4 chamfer threads/)
        .filter({ visible: true })
        .first(),
    ).toBeVisible();
    const machines = await (await page.request.get(`${server.address}/api/v1/machines`)).json();
    expect(machines.machines.map((m: { name: string }) => m.name).sort()).toEqual([
      'Bench drill press',
      'Mill with readout',
    ]);
  } finally {
    await server.end();
  }
});

test('the sample shop goes, one’s own job stays', async ({ page, request }) => {
  const copy = await (await request.post('/api/v1/jobs/sample-job-dust-cap-ring/duplicate')).json();
  await page.goto('/set-up');
  await expect(page.getByLabel('Take the sample shop out')).toBeChecked();
  await page.getByRole('button', { name: 'This is my shop' }).click();
  await page.waitForURL(/callout=/);
  const { jobs } = await (await request.get('/api/v1/jobs')).json();
  expect(jobs.map((j: { id: string }) => j.id)).toEqual([copy.id]);
  await page.goto('/crib');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Workshop');
});
