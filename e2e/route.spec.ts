import { BLANK_FORM } from '@/core/hole/form';
import { expect, inaccessible, test, type Page } from './test';

const region = (page: Page, name: string | RegExp) => page.getByRole('region', { name });
const kept = (page: Page) => expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();

test('from an empty job to a printed, issued route, and a changed second issue', async ({ page, request }) => {
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'New job' }).click();
  // Nothing is made until it has a name; the stock is drawn as it is written.
  await expect(page.getByRole('button', { name: 'Make the job' })).toBeDisabled();
  await page.keyboard.type('New job');
  await page.getByLabel('Stock', { exact: true }).fill('120 by 80');
  await expect(page.getByText('Write it so: 180 x 120 x 16')).toBeVisible();
  await page.getByLabel('Stock', { exact: true }).fill('120 x 80 x 12');
  await expect(page.getByRole('img', { name: 'The top face with 0 holes' })).toBeVisible();
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/jobs\/[\w-]{20,}\/plate$/);
  const id = page.url().split('/').at(-2) ?? '';
  await expect(page.getByRole('link', { name: /^Part / })).toContainText('120 × 80 × 12 mm');
  await page.goto(`/jobs/${id}/route`);
  await expect(page.getByRole('main').getByRole('alert')).toContainText('This job has no holes yet.');
  await page.goto(`/jobs/${id}`);
  const add = page.getByLabel('Add a hole');
  await add.fill('4x M6 THRU');
  await page.keyboard.press('Enter');
  await kept(page);
  await page.getByRole('link', { name: /^Route / }).click();
  await expect(region(page, 'The work')).toBeVisible();
  await expect(region(page, /one through first$/)).toContainText('A1 first, M6x1 THRU: 3 holes wait for its gauge');
  await expect(region(page, /^Bench drill press, top$/)).toContainText('M6x1 spiral-point (gun) tap 4 A ×3');
  await page.getByRole('button', { name: 'Issue route 1' }).click();
  const issues = region(page, 'Issues');
  await expect(issues).toContainText('Issue 1');
  await expect(issues).toContainText('Nothing has changed since issue 1.');
  for (const paper of ['a4', 'letter']) {
    const pdf = await request.get(`/jobs/${id}/routes/1/traveller.pdf?paper=${paper}`);
    expect([pdf.status(), (await pdf.body()).subarray(0, 5).toString()]).toEqual([200, '%PDF-']);
  }
  expect(await (await request.get(`/jobs/${id}/routes/1/route.csv`)).text()).toContain('M6x1 spiral-point (gun) tap 4');
  await page.goto(`/jobs/${id}/holes`);
  await page.getByLabel(/^Callout/).fill('M6 THRU CSK ø12 x 90°');
  await page.keyboard.press('Enter');
  await kept(page);
  await page.goto(`/jobs/${id}/route`);
  await expect(page.getByRole('list', { name: 'Changes since the last issue' })).toContainText('Countersink');
  await page.getByRole('button', { name: 'Issue route 2' }).click();
  await expect(issues).toContainText('Issue 2');
  const first = await (await request.get(`/api/v1/jobs/${id}/routes/1`)).json();
  expect([first.number, first.inputs.job.holes[0].question.callout]).toEqual([1, '4x M6 THRU']);
  // The card works from the issue, whatever the job became since.
  await page.goto(`/jobs/${id}/card?route=1`);
  await expect(page.getByRole('article')).toContainText('By route 1');
  await expect(page.getByRole('article')).not.toContainText('CSK');
  await page.getByRole('link', { name: 'Card of the job as it is now' }).click();
  await expect(page.getByRole('article')).toContainText('CSK');
  await page.goto('/jobs');
  await expect(page.getByRole('listitem').filter({ hasText: 'New job' }).first()).toContainText('route 2');
});

test('a visit is moved by keys, refused with the reason, pinned; it stays; undo', async ({ page }) => {
  await page.goto('/jobs/sample-job-pier-adapter-plate/route');
  const press = region(page, /^Bench drill press, top$/);
  const steps = press.getByRole('listitem');
  await expect(steps.first()).toContainText('Centre drill');
  const last = (await steps.count()) - 1;
  const move = async (step: number, key: string, times: number): Promise<void> => {
    await press.getByRole('button', { name: `Move step ${step}`, exact: true }).focus();
    await page.keyboard.press('Space');
    for (let i = 0; i < times; i++) {
      await page.keyboard.press(key);
      const place = new RegExp(`is at place ${key === 'ArrowUp' ? step - i - 1 : step + i + 1}\\b`);
      await expect(page.getByRole('status').filter({ hasText: place }).first()).toBeAttached();
    }
    await page.keyboard.press('Space');
  };
  await move(last + 1, 'ArrowUp', last);
  await expect(press.getByRole('alert')).toContainText('needs it first');
  await steps.nth(2).getByRole('button', { pressed: false }).first().click();
  await steps.nth(2).getByLabel('pinned').check();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(steps.nth(2).getByLabel('pinned')).not.toBeChecked();
  await page.getByRole('button', { name: 'Redo' }).click();
  await kept(page);
  await page.reload();
  await expect(steps.nth(2).getByLabel('pinned')).toBeChecked();
});

test('sawn apart in between: what is drilled before and what is tapped after are set-ups of their own', async ({
  page,
}) => {
  await page.goto('/jobs/sample-job-counterweight-collar/route');
  const cuts = region(page, 'Cuts in between');
  await cuts.getByLabel('What is cut').fill('Saw apart');
  await cuts.getByLabel('Minutes a part').fill('6');
  await cuts.getByRole('button', { name: 'Add' }).click();
  await cuts.getByLabel(/^A /).selectOption('last tap after it');
  await expect(region(page, /^Knee mill, side, tilted [0-9.]+°, after Saw apart/)).toContainText('tap');
  await expect(region(page, /Cut$/)).toContainText('Saw apart');
});

test('deadline and cutting list: early or late, what would save most; bad figures are said and stay', async ({
  page,
}) => {
  await page.goto('/jobs/sample-job-spreader-bars/route');
  const batch = region(page, 'Batch');
  await expect(batch).toContainText('18 parts');
  await expect(batch).toContainText('First part: measure before the rest');
  await batch.getByLabel('Deadline').fill('soon');
  await expect(batch).toContainText('A date such as 2026-12-24.');
  await batch.getByLabel('Deadline').fill('2020-01-01');
  await expect(batch.getByRole('status')).toContainText('Past the deadline: 1 working day is needed');
  await batch.getByLabel('Deadline').fill('2099-01-01');
  await expect(batch.getByRole('status')).toContainText('days to spare');
  await batch.getByLabel('Hours a day').fill('30');
  await expect(batch).toContainText('At most 24.');
  const cutting = region(page, 'Cutting list');
  await expect(cutting).toContainText('6 from 3000.0 mm, 102.0 mm left');
  await cutting.getByLabel('Kerf, mm').fill('5000');
  await expect(cutting.getByRole('alert')).toContainText('is over the longest stock');
  await cutting.getByLabel('Kerf, mm').fill('2');
  await cutting.getByLabel('Stock on hand, mm').fill('3000 x 2, 1000');
  await expect(cutting).toContainText('2 from 1000.0 mm');
  await cutting.getByLabel('Stock on hand, mm').fill('x');
  await expect(cutting).toContainText('Enter lengths such as');
  expect(await inaccessible(page, 'route')).toEqual([]);
});

test('what comes first is typed and kept, both ways round is refused; a quicker machine is applied in one step', async ({
  page,
}) => {
  await page.goto('/jobs/sample-job-bearing-block/route');
  const first = region(page, 'What comes first');
  const order = async (a: string, b: string): Promise<void> => {
    const pick = async (label: string, letter: string): Promise<void> => {
      const list = first.getByLabel(label, { exact: true });
      const option = await list
        .locator('option')
        .filter({ hasText: new RegExp(`^${letter} `) })
        .textContent();
      await list.selectOption({ label: option ?? '' });
    };
    await pick('First', a);
    await pick('Then', b);
    await first.getByRole('button', { name: 'Add' }).click();
  };
  await order('C', 'A');
  await expect(first.getByRole('listitem')).toContainText('guides it');
  await order('A', 'C');
  await expect(page.getByRole('main').getByRole('alert')).toContainText('is to come before');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('main').getByRole('alert')).toHaveCount(0);
  const machines = region(page, 'Other machines');
  await machines.getByRole('button', { name: 'Apply' }).first().click();
  await expect(region(page, /^Knee mill/).first()).toBeVisible();
});

test('a job is rehearsed beside the page: how it comes out, what goes wrong, what would help; one in five spoiled becomes one in fifty', async ({
  page,
}) => {
  const question = { ...BLANK_FORM, machine: 'bench-drill-press' };
  const hole = (id: string, callout: string, y: number) => ({
    id,
    name: '',
    question: { ...question, callout },
    place: { kind: 'point', x: 30, y },
    zoneMm: 0.33,
  });
  const part = { stock: { shape: 'plate', widthMm: 80, heightMm: 60, thicknessMm: 12 }, condition: '', datums: {} };
  const job = { id: 'job-close-plate', name: 'Close plate', materialId: 'steel-low-carbon', quantity: 6, part };
  const holes = [hole('close-screw', 'M8 THRU', 15), hole('close-stop', 'M6 THRU', 40)];
  await page.request.post('/api/v1/jobs', { data: { ...job, holes } });
  const { badParts, parts } = await (
    await page.request.post(`/api/v1/jobs/${job.id}/rehearsal`, { data: { jobs: 2000 } })
  ).json();
  // Two holes that each lie out of 0.33 one time in nine: 1 − (8/9)².
  expect(badParts / parts).toBeGreaterThan(0.19);
  expect(badParts / parts).toBeLessThan(0.24);
  await page.goto(`/jobs/${job.id}/route`);
  const panel = page.getByRole('region', { name: 'Rehearsal' });
  await panel.getByRole('button', { name: 'Rehearse the job' }).click();
  const status = panel.getByRole('status');
  await expect(status).toContainText(/All good at the first go in .*%.* jobs .*bad parts 2\d %/);
  await expect(panel.getByRole('list', { name: 'What goes wrong' })).toContainText('a hole out of place');
  await expect(panel.getByRole('img', { name: 'Where each hole may land' })).toBeVisible();
  await expect(panel.getByRole('list', { name: 'What spoils parts' })).toContainText('punch marks and starts');
  await panel.getByRole('button', { name: 'Show the working: a hole out of place' }).click();
  await expect(page.getByRole('dialog')).toContainText('jobs in which it happens ÷ jobs rehearsed');
  await page.keyboard.press('Escape');
  await panel.getByRole('button', { name: 'Show the working: bad parts with the change' }).first().click();
  await expect(page.getByRole('dialog')).toContainText('both ways on the same luck');
  await page.keyboard.press('Escape');
  await panel.getByText(/worst stor/).click();
  await expect(
    panel.getByText(/^Part \d\. (The punch or the start of|The lines of|A line of) [AB]1/).first(),
  ).toBeVisible();
  await panel.getByLabel('one job at a time, its bolts in').check();
  await expect(panel.getByRole('img', { name: /^Job 1: its holes/ })).toBeVisible();
  for (const letter of ['A', 'B'])
    await panel.getByRole('button', { name: `Apply: Make ${letter} on the Knee mill, placed by its readout.` }).click();
  const taken = panel.getByRole('list', { name: 'Taken' }).getByRole('listitem');
  await expect(taken).toHaveCount(2);
  await expect(taken.first()).toContainText(/bad parts 2\d\.\d → 1\d\.\d %/);
  await expect(status).toContainText(/bad parts (0|1)\.?\d? %/);
  await expect(page.getByRole('region', { name: /^Knee mill/ }).first()).toBeVisible();
  await taken.last().getByRole('button', { name: 'Undo' }).click();
  await expect(status).toContainText(/bad parts 1\d %/);
  // Once more is with other luck: nearly the same, and not the same; it is cancelled, and can be begun again.
  const once = panel.getByRole('button', { name: 'Once more, other luck' });
  await expect(once).toBeVisible();
  const worked = async (): Promise<string> => {
    await panel.getByRole('button', { name: 'Show the working: jobs in which all is good' }).click();
    const dialog = page.getByRole('dialog');
    await expect(dialog).toContainText('jobs rehearsed');
    const said = await dialog.innerText();
    await page.keyboard.press('Escape');
    await expect(dialog).toBeHidden();
    return said;
  };
  const before = await worked();
  await once.click();
  await expect(once).toBeVisible();
  await expect(status).toContainText(/bad parts 1\d %/);
  await expect(async () => expect(await worked()).not.toBe(before)).toPass();
  await once.click();
  await panel.getByRole('button', { name: 'Cancel' }).click();
  await expect(panel.getByRole('button', { name: 'Rehearse the job' })).toBeVisible();
});
