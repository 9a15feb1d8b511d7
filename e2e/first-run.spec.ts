import { expect, OwnServer, press, tabTo, test } from './test';

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

test('a newcomer’s job of nine holes, from an empty shop to its sheet, every step and verdict of it, by keyboard alone', async ({
  page,
}) => {
  const server = new OwnServer(3942, { JOLLY_BIT_SEED: 'none' });
  await server.start();
  let actions = 0;
  const take = (name: RegExp): Promise<void> => {
    actions += 1;
    return press(page, name);
  };
  const type = async (field: RegExp, text: string, enter = false): Promise<void> => {
    actions += 1;
    await tabTo(page, field);
    await page.keyboard.type(text);
    if (enter) await page.keyboard.press('Enter');
  };
  try {
    await page.goto(server.address);
    await take(/^This is my shop/);
    await page.waitForURL(/callout=/);
    await take(/^Jobs$/);
    await take(/^New job/);
    await type(/called/, 'Bracket');
    await type(/^Stock/, '100 x 60 x 12');
    await take(/^Make the job/);
    await page.waitForURL(/plate/);
    for (const line of [
      '4x M6 THRU at 12,12 pitch 76,36',
      'reamed hole 10 thru at 50,30',
      'two 6 mm dowels matched with the mate at 30,30 pitch 40',
      '2x M6 clearance at 40,12 pitch 20',
    ])
      await type(/^Add: callout/, line, true);
    await expect(page.getByRole('application')).toHaveAccessibleName(/9 holes/);
    // Arrows go along the tabs: from Part past Lay out to Scribe.
    await tabTo(page, /^Part$/);
    actions += 2;
    await page.keyboard.press('ArrowRight');
    // The focus follows a moment after the key: no hand is quicker.
    await expect(page.getByRole('tab', { name: 'Lay out', exact: true })).toBeFocused();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('tabpanel', { name: 'Heights' })).toContainText('30.00');
    await take(/^Next: Issue the route/);
    await page.waitForURL(/route/);
    await take(/^Issue route 1/);
    await take(/^Start at the bench/);
    await page.waitForURL(/bench/);
    const setUp = actions;
    const heading = page.getByRole('heading', { level: 1 });
    const steps = page.getByRole('progressbar', { name: 'Steps done' });
    const gaugeFirst = page.getByRole('button', { name: 'Gauge it first' });
    /** What each hole reads: a thread its whole length, a bore its diameter, a clearance hole its bolt. */
    const gauge: Record<string, () => Promise<void>> = {
      A: () => take(/^The full length/),
      B: () => type(/^diameter, mm/, '10.006', true),
      C: () => type(/^diameter, mm/, '6.005', true),
      D: () => take(/^It goes together/),
    };
    const gauged: string[] = [];
    let keys = 0;
    await expect(heading).toHaveText('Scribe');
    for (let done = 0; (await heading.textContent()) !== 'All done'; done++) {
      const [, hole] = /^Gauge (\w+)$/.exec((await heading.textContent()) ?? '') ?? [];
      if (hole) {
        await expect(gaugeFirst).toBeVisible();
        await gauge[hole[0]]();
        await expect(gaugeFirst).toBeHidden();
        gauged.push(hole);
      }
      keys += 1;
      // From a field or a verdict back to the big key; elsewhere it is Enter alone.
      await (hole ? press(page, /^Done/) : page.keyboard.press('Enter'));
      await expect(steps).toHaveAttribute('aria-valuenow', String(done + 1));
    }
    expect(await steps.getAttribute('aria-valuemax')).toBe(String(keys));
    expect(gauged.sort()).toEqual(['A1', 'A2', 'A3', 'A4', 'B1', 'C1', 'C2', 'D1', 'D2']);
    console.log(`${setUp} actions to the bench, there ${keys} keys and ${actions - setUp} verdicts`);
    expect(setUp).toBeLessThanOrEqual(25);
    expect(actions - setUp).toBe(gauged.length);
    const jobId = /jobs\/([^/]+)/.exec(page.url())?.[1];
    await expect(async () => {
      const table = await (await page.request.get(`${server.address}/jobs/${jobId}/inspection.csv`)).text();
      const rows = table.trim().split('\n').slice(1);
      expect([...new Set(rows.map((row) => row.split(',')[2]))].sort()).toEqual(gauged);
      expect(rows.filter((row) => !/,good,/.test(row))).toEqual([]);
      // The H7 is read, within the limits of its callout: 10 +0.015.
      expect(rows.find((row) => row.includes(',B1,'))).toContain('10.006');
    }).toPass();
    const pdf = await page.request.get(`${server.address}/jobs/${jobId}/inspection.pdf`);
    expect(pdf.headers()['content-type']).toBe('application/pdf');
  } finally {
    await server.end();
  }
});
