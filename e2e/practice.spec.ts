import { EXERCISE_KINDS, KINDS_TO_LEARN } from '@/core/practice/kinds-of-exercise';
import { expect, test, type Page } from './test';

const named = async (page: Page, name: string): Promise<void> => {
  await page.getByLabel('Your name').fill(name);
};
const practisedOf = async (page: Page, who: string) =>
  (await (await page.request.get(`/api/v1/practice?who=${who}`)).json()).practised as {
    kind: string;
    right: boolean;
    jobId?: string;
  }[];

/** Answers whatever is asked by keys alone. */
async function answerByKeys(page: Page): Promise<void> {
  const figure = page.getByLabel(/^Your answer/);
  if ((await figure.count()) > 0) {
    await figure.focus();
    await page.keyboard.type('12,5');
    await page.keyboard.press('Enter');
  } else await page.keyboard.press('2');
  await expect(page.getByRole('status')).toContainText(/^(✓ Right|✕ Not so)\../);
}

test('every exercise by keys alone: asked, hinted at, answered with its reason, counted once', async ({ page }) => {
  await page.goto('/practice');
  await named(page, 'first year');
  for (const kind of KINDS_TO_LEARN) {
    await page.getByRole('button', { name: EXERCISE_KINDS[kind].title, exact: true }).press('Enter');
    const card = page.getByRole('region', { name: EXERCISE_KINDS[kind].title });
    await expect(card.getByRole('heading')).toBeVisible();
    await page.keyboard.press('h');
    await answerByKeys(page);
    await expect(card.getByRole('link', { name: 'Open the why page' })).toBeVisible();
    // Answered once is answered: another key changes nothing.
    await page.keyboard.press('1');
    await page.getByRole('button', { name: 'All exercises' }).press('Enter');
  }
  await expect(page.getByText(`${KINDS_TO_LEARN.length} done`)).toBeVisible();
  await expect.poll(async () => (await practisedOf(page, 'first year')).length).toBe(KINDS_TO_LEARN.length);
  // What comes next is what went wrong.
  await page.getByRole('button', { name: 'Next exercise' }).press('Enter');
  await answerByKeys(page);
  await page.getByRole('button', { name: 'Next exercise' }).press('Enter');
  await expect(page.getByRole('status')).toHaveCount(0);
});

test('a tap that is turned without a look breaks, and says why turn by turn; a careful one does not', async ({
  page,
}) => {
  await page.goto('/practice/tap');
  const hands = page.getByRole('region', { name: 'Hands' });
  const tap = page.getByRole('region', { name: 'Tap' });
  await expect(tap.getByRole('status')).toContainText(/^loose/);
  for (let i = 0; i < 400 && (await hands.getByText('The tap broke').count()) === 0; i += 20)
    for (let n = 0; n < 20; n++) await page.keyboard.press('ArrowRight');
  await expect(hands).toContainText(
    /The tap broke after \d+\.\d turns\. (The chip was not broken|It leaned|It met the bottom|It ran dry)/,
  );
  await expect(hands.getByRole('list', { name: 'Turn by turn' })).toContainText(/Turn 1: \d/);
  await hands.getByRole('button', { name: 'Another hole' }).press('Enter');
  await expect(tap.getByRole('status')).toContainText(/^loose/);
  // By touch: the wrench is dragged a little way round.
  const wrench = page.getByRole('img', { name: /^Wrench from above/ });
  const box = await wrench.boundingBox();
  if (!box) throw new Error('no wrench');
  const turnedDeg = () =>
    wrench.locator('> div').evaluate((layer) => Number(/rotate\((.*)deg\)/.exec(layer.style.transform)?.[1]));
  const at = (deg: number): [number, number] => [
    box.x + box.width / 2 + 60 * Math.cos((deg * Math.PI) / 180),
    box.y + box.height / 2 + 60 * Math.sin((deg * Math.PI) / 180),
  ];
  await page.mouse.move(...at(0));
  await page.mouse.down();
  for (let deg = 10; deg <= 120; deg += 10) await page.mouse.move(...at(deg));
  await page.mouse.up();
  await expect(tap.getByRole('status')).toContainText(/0\.(19|25|31) of/);
  expect(await turnedDeg()).toBeCloseTo(
    360 * Number(/([\d.]+) turns in/.exec((await wrench.getAttribute('aria-label')) ?? '')?.[1]),
    -1,
  );
  await page.keyboard.press('x');
  await expect(hands).toContainText('turns short');
});

test('a press and a punch by keys: belt, stop, wheel and ease; a mark drawn across before the firm blow', async ({
  page,
}) => {
  await page.goto('/practice/press');
  const hands = page.getByRole('region', { name: 'Hands' });
  await expect(hands.getByText(/^Set the belt first/)).toBeVisible();
  // The slowest belt, and a feed that makes no chip.
  await hands.getByRole('group', { name: 'Belt' }).getByRole('button').first().press('Enter');
  for (let i = 0; i < 4; i++) await page.keyboard.press('l');
  await page.keyboard.press('x');
  await expect(hands).toContainText(/✕ It rubbed/);
  await expect(hands).toContainText(/Pinned: .* from a drill of/);
  await page.goto('/practice/punch');
  const glass = page.getByRole('region', { name: 'Under the glass' });
  for (let blow = 0; blow < 3; blow++) {
    await page.keyboard.press('a');
    await expect(glass.getByRole('status')).toHaveText(`Seen from straight above; ${3 - blow} light blows left.`);
    const seen = (await glass.getByRole('img').getAttribute('aria-label')) ?? '';
    const [, x, right, y, above] = /lies ([\d.]+) mm (right|left) and ([\d.]+) mm (above|below)/.exec(seen) ?? [];
    for (let n = Number(x); n > 0.025; n -= 0.05)
      await page.keyboard.press(right === 'right' ? 'ArrowLeft' : 'ArrowRight');
    for (let n = Number(y); n > 0.025; n -= 0.05)
      await page.keyboard.press(above === 'above' ? 'ArrowDown' : 'ArrowUp');
    await page.keyboard.press('d');
  }
  await page.keyboard.press('f');
  await expect(page.getByText('✓ Right.')).toBeVisible();
});

test('a height gauge and an edge by keys: zeroed on the plate and read; touched, lifted, and on from the same side', async ({
  page,
}) => {
  const press = async (key: string, times: number): Promise<void> => {
    for (let i = 0; i < times; i++) await page.keyboard.press(key);
  };
  const numbers = (text: string | null): number[] => (text?.match(/\d+\.\d+/g) ?? []).map(Number);
  await page.goto('/practice/height');
  const gauge = page.getByRole('region', { name: 'Gauge' });
  const task = (await gauge.getByText(/^Scribe a line at/).textContent()) ?? '';
  const [whole, step] = task.includes('dial, 0.001')
    ? [0.1, 0.001]
    : task.includes('0.001 in')
      ? [0.025, 0.001]
      : [1, 0.02];
  const steps = Math.round(numbers(task)[0] / step);
  const each = Math.round(whole / step);
  await press('p', 1);
  await expect(gauge.getByRole('status')).toContainText('stands on the plate');
  await press('z', 1);
  await press('u', Math.floor(steps / each / 10));
  await press('PageUp', Math.floor(steps / each) % 10);
  await press('ArrowUp', steps % each);
  await press('l', 1);
  await expect(gauge.getByRole('status')).toContainText('; locked');
  await press('f', 1);
  await expect(page.getByText('✓ Right.')).toBeVisible();
  await page.getByRole('button', { name: 'Another line' }).press('Enter');
  await press('f', 1);
  await expect(page.getByText('✕ Not so.')).toBeVisible();
  await page.goto('/practice/edge');
  const table = page.getByRole('region', { name: 'Table' });
  const status = table.getByRole('status');
  await expect(status).toContainText(/runs true|slides/);
  const [target, tool, shim = 0] = numbers(await table.getByText(/^Put the spindle/).textContent());
  const said = (await page.getByText(/a turn, \d+ divisions/).textContent()) ?? '';
  const [, turn = NaN, divisions = NaN] = (/^([\d.]+) (?:mm|in) a turn, (\d+)/.exec(said) ?? []).map(Number);
  for (let n = 0; n < 400; n++) {
    const before = (await status.textContent()) ?? '';
    if (/kicks|just held/.test(before)) break;
    await press('ArrowRight', 1);
    await expect(status).not.toHaveText(before);
  }
  await press('z', 1);
  await press('l', 1);
  const on = Math.round(((tool / 2 + shim + target) / turn) * divisions);
  await press('PageUp', Math.floor(on / divisions));
  await press('ArrowUp', Math.floor((on % divisions) / 10));
  await press('ArrowRight', (on % divisions) % 10);
  await press('f', 1);
  await expect(page.getByText('✓ Right.')).toBeVisible();
});

test('without a network an exercise is done, and is there once after', async ({ page, context }) => {
  await page.goto('/practice');
  await expect(page.locator('h1[data-kept=true]')).toBeVisible();
  await named(page, 'cellar');
  await context.setOffline(true);
  await page.reload();
  await page.getByRole('button', { name: 'Set the stop', exact: true }).click();
  await answerByKeys(page);
  await page.reload();
  await expect(page.getByText('1 done')).toBeVisible();
  await context.setOffline(false);
  await page.goto('/jobs');
  await expect.poll(async () => (await practisedOf(page, 'cellar')).length).toBe(1);
});

test('a result that the server will not have stays, says why, and keeps nothing else from being sent', async ({
  page,
}) => {
  await page.route('**/api/v1/practice', async (route) => {
    const sent = route.request().postData() ?? '';
    if (route.request().method() !== 'POST' || !sent.includes('"kind":"stop"')) return route.fallback();
    await route.fulfill({
      status: 422,
      contentType: 'application/problem+json',
      body: JSON.stringify({ title: 'Not taken', detail: 'There is no such exercise here.' }),
    });
  });
  await page.goto('/practice');
  await named(page, 'loft');
  for (const kind of ['Set the stop', 'Turns of a dial']) {
    await page.getByRole('button', { name: kind, exact: true }).click();
    await answerByKeys(page);
    await page.getByRole('button', { name: 'All exercises' }).click();
  }
  await expect.poll(async () => (await practisedOf(page, 'loft')).map((p) => p.kind)).toEqual(['dial']);
  const told = page.getByRole('alert').filter({ hasText: 'Not taken by the server: Set the stop' });
  await expect(told).toContainText('There is no such exercise here.');
  await page.reload();
  await expect(told).toBeVisible();
  await expect(page.getByText('2 done')).toBeVisible();
  await told.getByRole('button', { name: 'Leave it out' }).click();
  await expect(told).toHaveCount(0);
  await expect(page.getByText('1 done')).toBeVisible();
  await page.reload();
  await expect(page.getByText('1 done')).toBeVisible();
  await expect(told).toHaveCount(0);
});

test('what somebody keeps getting wrong is recalled in the plan and at the bench, until it is put off; safety never is', async ({
  page,
}) => {
  const who = 'vat hand';
  const wrong = ['mark', 'mark', 'unsafe', 'unsafe'].map((mistake, n) => ({
    ...{ id: `wrong-of-vat-${n}`, who, kind: 'safe', seed: n, right: false, hints: 0, seconds: 9, mistake },
    at: `2026-11-30T0${n + 1}:00:00.000Z`,
  }));
  await page.request.post('/api/v1/practice', { data: { practised: wrong } });
  const job = '/api/v1/jobs/sample-job-pier-adapter-plate';
  await page.goto('/jobs/sample-job-pier-adapter-plate/holes');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(page.getByText('from practice.')).toHaveCount(0);
  await page.goto('/practice');
  await named(page, who);
  await expect(page.getByRole('checkbox', { name: 'Remind me in the plan and at the bench' })).toBeChecked();
  await page.goto('/jobs/sample-job-pier-adapter-plate/holes');
  const forHand = page.getByRole('list', { name: `For ${who}` });
  const mark = forHand.filter({ hasText: 'Look straight down before the firm blow.' });
  const safe = forHand.filter({ hasText: 'key out' });
  await expect(mark.first()).toBeVisible();
  await expect(safe.first()).toBeVisible();
  const { version } = (await (await page.request.get(job)).json()) as { version: number };
  await page.request.post(`${job}/routes`, { data: { id: 'route-of-vat', jobVersion: version } });
  await page.goto('/jobs/sample-job-pier-adapter-plate/bench');
  await expect(page.getByRole('button', { name: /^Done|^Next/ })).toBeVisible();
  for (let n = 0; n < 60 && !(await mark.isVisible()); n++) await page.keyboard.press('Space');
  await expect(mark).toBeVisible();
  await page.goto('/jobs/sample-job-pier-adapter-plate/holes');
  await page.getByRole('button', { name: 'Show no more' }).click();
  await expect(mark).toHaveCount(0);
  await expect(safe.first()).toBeVisible();
});

test('a class: set, seen by whom it is for, looked at by name, out as a table and on paper; a name goes with all of it', async ({
  page,
}) => {
  const done = { who: 'second year', kind: 'stop', seed: 3, right: false, hints: 0, seconds: 20, mistake: 'stop' };
  const practised = [1, 2].map((n) => ({ ...done, id: `practised-of-${n}`, at: `2026-11-30T0${n}:00:00.000Z` }));
  await page.request.post('/api/v1/practice', { data: { practised } });
  await page.request.post('/api/v1/practice', { data: { practised } });
  await page.goto('/practice/class');
  const where = page.getByRole('region', { name: 'Who stands where' });
  await expect(where.getByText('keeps going wrong: set the stop without the point')).toBeVisible();
  await expect(where).toContainText('Set the stop: 0 of 2');
  await page.getByText('Set exercises').click();
  await page.getByRole('checkbox', { name: 'Set the stop' }).check();
  await page.getByRole('checkbox', { name: 'second year' }).check();
  await page.getByLabel('By', { exact: true }).fill('2026-12-24');
  await page.getByRole('button', { name: 'Set', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Set', exact: true })).toContainText(
    'second year, by 2026-12-24: Set the stop',
  );
  const csv = await (await page.request.get('/practice.csv')).text();
  expect(csv).toContain('2026-11-30T01:00:00.000Z,second year,stop,no,0,20,set the stop without the point,\n');
  await page.goto('/practice');
  await named(page, 'second year');
  await expect(page.getByText('Set for you, by 2026-12-24')).toBeVisible();
  // The same about the holes of a job: asked of those, and done only when it was done with those.
  await page.goto('/practice/class');
  await page.getByText('Set exercises').click();
  await page.getByLabel('About').selectOption({ label: 'the holes of Spreader bars' });
  await expect(page.getByRole('checkbox', { name: 'Set the stop' })).toHaveCount(0);
  await page.getByRole('checkbox', { name: 'Count the turns' }).check();
  await page.getByLabel('By', { exact: true }).fill('2026-12-24');
  await page.getByRole('button', { name: 'Set', exact: true }).click();
  const aboutJob = page.getByRole('listitem').filter({ hasText: 'about Spreader bars: Count the turns' });
  await aboutJob.getByRole('link', { name: 'On paper' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Exercises for Spreader bars');
  await expect(page.getByText('M16x2').first()).toBeVisible();
  await page.goto('/practice');
  const setForMe = page.getByText('by 2026-12-24, about Spreader bars');
  await setForMe.getByRole('link', { name: 'Count the turns' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Practise for Spreader bars');
  await page.getByRole('button', { name: 'Count the turns' }).first().click();
  await expect(page.getByText('M16x2').first()).toBeVisible();
  await answerByKeys(page);
  await expect
    .poll(async () => (await practisedOf(page, 'second year')).map((p) => p.jobId))
    .toContain('sample-job-spreader-bars');
  expect(await (await page.request.get('/practice.csv')).text()).toContain(',Spreader bars\n');
  await page.goto('/practice/sheet?seed=4');
  await expect(page.getByRole('region', { name: 'Answers' }).getByRole('listitem')).toHaveCount(KINDS_TO_LEARN.length);
  await page.goto('/practice/class');
  await page.getByRole('button', { name: 'Remove second year' }).click();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(where.getByText('second year')).toHaveCount(0);
  expect(await practisedOf(page, 'second year')).toEqual([]);
});

test('why: a rule found by go-to-anything, with a drawing that is dragged', async ({ page }) => {
  await page.goto('/practice/why');
  await page.getByLabel('Find').fill('stop');
  await page.keyboard.press('/');
  await page.goto('/jobs');
  await page.keyboard.press('/');
  await page.getByPlaceholder(/^M8 brass/).fill('stopping room');
  await page.getByRole('option', { name: /Stopping room/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Stopping room');
  const handle = page.getByRole('slider');
  await handle.focus();
  const before = await page.locator('figcaption').textContent();
  for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowRight');
  await expect(page.locator('figcaption')).not.toHaveText(before ?? '');
});
