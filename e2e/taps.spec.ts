import { expect, inaccessible, test, type Page } from './test';

const tapping = (page: Page) => page.getByRole('region', { name: 'Tapping' });
const way = (page: Page) => page.getByTestId('way');
const ask = (page: Page, question: string) => page.goto(`/?units=mm&${question}`);
async function details(page: Page): Promise<void> {
  await expect(async () => {
    await page.mouse.wheel(0, 4000);
    await expect(tapping(page)).toBeVisible({ timeout: 700 });
  }).toPass();
}

test('the rack: add with usual figures, change, copy, mark worn and undo; the plan follows', async ({ page }) => {
  await page.goto('/crib?tab=taps');
  const panel = page.getByRole('tabpanel');
  await panel.getByLabel('Add: thread').fill('M77');
  await panel.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(panel.getByText('Enter a thread as on a drawing')).toBeVisible();
  await panel.getByLabel('Add: thread').fill('M16');
  await panel.getByLabel('Kind').selectOption('plug');
  await panel.getByRole('button', { name: 'Add', exact: true }).click();
  const dialog = page.getByRole('dialog');
  // ISO 529: 102 long, a square of 10.
  await expect(dialog.getByLabel('Overall length, mm')).toHaveValue('102.0');
  await expect(dialog.getByLabel('Square, mm')).toHaveValue('10.0');
  await dialog.getByLabel('Chamfer threads').fill('40');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog.getByText('At most 12.')).toBeVisible();
  await dialog.getByLabel('Chamfer threads').fill('4');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(panel.getByRole('button', { name: 'M16x2 plug, 4 chamfer threads, sharp' })).toBeVisible();
  await panel.getByRole('button', { name: /M8x1.25 plug/ }).click();
  await dialog.getByRole('button', { name: 'Mark worn' }).click();
  await expect(page.getByRole('status')).toContainText('M8x1.25 plug marked worn');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(panel.getByRole('button', { name: 'M8x1.25 plug, 4 chamfer threads, sharp' })).toBeVisible();
  await panel.getByRole('button', { name: /M16x2 plug/ }).click();
  await dialog.getByRole('button', { name: 'Mark broken' }).click();
  await expect(panel.getByRole('button', { name: /M16x2 plug.*broken/ })).toBeVisible();
  await panel.getByRole('button', { name: 'bottoming missing: add it to the M10x1.5 taps' }).click();
  await expect(dialog.getByLabel('Thread', { exact: true })).toHaveValue('M10x1.5');
  expect(await inaccessible(page, 'tap dialog')).toEqual([]);
  await page.keyboard.press('Escape');
  await panel.getByLabel('Find').fill('worn m5');
  await expect(panel.getByRole('button', { name: /chamfer threads/ })).toHaveCount(1);
  expect(await inaccessible(page, 'rack')).toEqual([]);
});

test('taps of the crib answer: other taps and ways are taken, each with what it means; back again', async ({
  page,
}) => {
  await ask(page, 'callout=M6+THRU&thickness=12&machine=bench-drill-press');
  await expect(way(page)).toHaveText('By hand, guided by a spring centre');
  await expect(page.getByText('spiral-point (gun) tap 4 chamfer threads')).toBeVisible();
  await details(page);
  const rows = tapping(page).getByRole('row').filter({ hasText: 'spiral-point' });
  await expect(rows).toContainText(/of .* Nm/);
  await tapping(page).getByRole('button', { name: 'Use: taper 8' }).click();
  await expect(page.getByText('taper 8 chamfer threads')).toBeVisible();
  await expect(page).toHaveURL(/taps=tap-m6x1-taper/);
  await tapping(page)
    .getByRole('button', { name: /ruled out, and by what/ })
    .first()
    .click();
  await expect(tapping(page)).toContainText('does not reverse');
  await tapping(page).getByRole('button', { name: 'Use: By hand, freehand' }).click();
  await expect(way(page)).toHaveText('By hand, freehand');
  await tapping(page).getByRole('button', { name: 'Back to the taps and way proposed' }).click();
  await expect(way(page)).toHaveText('By hand, guided by a spring centre');
  expect(await inaccessible(page, 'tapping')).toEqual([]);
});

test('room at the bottom is a choice; a tap that the crib lacks is named to buy, with what is nearest', async ({
  page,
}) => {
  await ask(page, 'callout=M8+x+16+DEEP&thickness=40');
  await details(page);
  await tapping(page).getByRole('button', { name: 'Use: Flat-bottomed drill, bottoming tap last' }).click();
  await expect(page.getByText('drill 17/64 in, flat-bottomed')).toBeVisible();
  await expect(page.getByText('Flatten the floor with a flat-bottomed drill')).toBeVisible();
  await ask(page, 'callout=%2310-32+UNF+THRU&thickness=8');
  await expect(page.getByText(/chamfer threads, to buy/)).toBeVisible();
  await details(page);
  await expect(tapping(page)).toContainText('nearest in the crib');
  await expect(tapping(page)).toContainText('Flanks of 47.5° against 60°: never mixed.');
});

test('forming first in a batch; under power every speed against the bottom', async ({ page }) => {
  await ask(page, 'callout=6x+M5+x+10+DEEP&thickness=25&material=aluminium-wrought-6000&machine=knee-mill&parts=6');
  await expect(page.getByRole('heading', { name: 'Form', exact: true })).toBeVisible();
  await expect(way(page)).toHaveText('Under power, reversing spindle');
  await details(page);
  await expect(tapping(page)).toContainText('check with pins');
  await expect(tapping(page).getByRole('row', { name: /65.*stops/ })).toBeVisible();
  await expect(
    tapping(page)
      .getByRole('row', { name: /runs in/ })
      .first(),
  ).toBeVisible();
  await tapping(page).getByRole('button', { name: 'Use: cut it' }).click();
  await expect(page.getByRole('heading', { name: 'Tap', exact: true })).toBeVisible();
});

test('when it goes wrong: causes by this hole’s figures, and a remedy that changes the plan in one step', async ({
  page,
}) => {
  await page.goto('/jobs/sample-job-pier-adapter-plate/holes');
  await page.getByRole('tab', { name: 'When it goes wrong' }).click();
  const panel = page.getByRole('tabpanel');
  await panel.getByLabel('What is wrong').selectOption('tight-at-once');
  await panel.getByRole('button', { name: 'Use 8.6 mm' }).first().click();
  await expect(page.getByRole('status').filter({ hasText: 'Changed' })).toContainText('Use 8.6 mm');
  await expect(page.getByRole('region', { name: 'Operations' })).toContainText('Drill 8.6');
  await panel.getByLabel('What is wrong').selectOption('broken');
  await expect(panel).toContainText('Do not twist it');
  await expect(panel.getByRole('listitem').filter({ hasText: 'Extractor with' })).toBeVisible();
  expect(await inaccessible(page, 'trouble')).toEqual([]);
});

test('length and percent as charts: a touch takes it', async ({ page }) => {
  await page.goto('/jobs/sample-job-pier-adapter-plate/holes');
  await page.getByRole('tab', { name: 'Drill size and tap load' }).click();
  const length = page.getByRole('img', { name: /^Length of thread and strength/ });
  await expect(length).toBeVisible();
  await length.click({ position: { x: 300, y: 150 } });
  const percent = page.getByRole('img', { name: /^Drill size and tap load/ });
  await expect(percent).toHaveAttribute('aria-label', /8.5 mm 77 %/);
});

test('what thread is this: as one types, what tells it apart, whether a tap hangs in the crib', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'What thread is this?' }).click();
  const found = page.getByRole('region', { name: 'What it may be' });
  await page.getByLabel('Outside diameter, mm').fill('4.96');
  await page.getByLabel('Pitch, mm').fill('0.8');
  await expect(found.getByRole('listitem').first()).toContainText('M5x0.8');
  await expect(found.getByRole('listitem').first()).toContainText('In the crib: taper, plug');
  await page.getByLabel('Outside diameter, mm').fill('x');
  await expect(page.getByText('Enter a length, such as 4.7')).toBeVisible();
  await page.getByLabel('Outside diameter, mm').fill('99');
  await expect(found).toContainText('No thread in the list agrees');
  await page.getByRole('radio', { name: 'counting' }).click();
  await page.getByLabel('Outside diameter, mm').fill('4.75');
  await page.getByLabel('over a length, mm').fill('7.94');
  await expect(found.getByRole('listitem').first()).toContainText('#10-32 UNF');
  await expect(page.getByRole('heading', { name: 'Nearest to #10-32 UNF in the crib' })).toBeVisible();
  expect(await inaccessible(page, 'identify')).toEqual([]);
});

test('a thread on a rod is asked for, and stands in a job beside holes with operations of its own', async ({
  page,
}) => {
  await ask(page, 'callout=M8+x+20+OUTSIDE&machine=lathe');
  await expect(page.getByRole('img', { name: /^Threaded rod M8x1.25/ })).toBeVisible();
  await expect(page.getByText('Die M8, adjustable')).toBeVisible();
  await expect(page.getByText('7.87 mm').or(page.getByText('7.875 mm')).first()).toBeVisible();
  await page.goto('/jobs/sample-job-mirror-cell-studs/holes?hole=sample-hole-stud-thread');
  const operations = page.getByRole('region', { name: 'Operations' });
  await expect(operations).toContainText('Close the die little by little until the trial runs in its tapped hole');
  await expect(operations.getByRole('heading').or(operations.getByText('Outside thread')).first()).toBeVisible();
});
