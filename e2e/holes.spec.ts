import { expect, inaccessible, test, type Page } from './test';

const BLOCK = '/jobs/sample-job-bearing-block/holes';
const features = (page: Page) => page.getByRole('navigation', { name: 'Features' });
const operations = (page: Page) => page.getByRole('region', { name: 'Operations' });
const step = (page: Page, name: RegExp) => operations(page).getByRole('button', { name, expanded: undefined });

test('from the job to one hole in full: its operations, figures, stop and working', async ({ page }) => {
  await page.goto('/jobs/sample-job-pier-adapter-plate');
  await page.getByRole('link', { name: /^Holes / }).click();
  await features(page).getByText('Pier bolts').click();
  await expect(operations(page).getByRole('listitem')).toHaveCount(6);
  await expect(operations(page)).toContainText('Counterbore 15.0 mm, 8.6 mm deep');
  await step(page, /Drill 9\.0 mm through/).click();
  // 16 and the tip of 9 / 2 / tan 59 and 1 beyond: 19.7; the scale has whole millimetres.
  await expect(operations(page)).toContainText('Scale: touch, read, add 20.0 mm');
  await expect(operations(page)).toContainText(
    'From 16.0 mm on the stop the point comes through: hold back until 18.7 mm',
  );
  await page.getByRole('button', { name: 'Show the working: torque' }).click();
  await expect(page.getByRole('dialog')).toContainText('cutting force');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('group', { name: /Section of the hole: counterbore to 8.6 mm/ })).toBeVisible();
  await expect(page.getByRole('rowheader', { name: 'chart on the machine' })).toBeVisible();
  await page.getByRole('button', { name: 'Open step 4' }).press('Enter');
  await expect(step(page, /Counterbore 15/)).toHaveAttribute('aria-expanded', 'true');
});

test('a depth is drawn on the section: thread, stop and wall follow; undo brings it back; it is kept', async ({
  page,
}) => {
  await page.goto(BLOCK);
  await features(page).getByText('Adjuster').click();
  const thread = page.getByRole('slider', { name: 'full thread to' });
  const before = await thread.getAttribute('aria-valuetext');
  await thread.focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowDown');
  await expect(thread).not.toHaveAttribute('aria-valuetext', before ?? '');
  await expect(page.getByLabel('Callout', { exact: true })).toHaveValue(/x 14 mm DEEP/);
  await page.getByText('Drag a brass line').click();
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Callout', { exact: true })).toHaveValue(/x 13\.5 mm DEEP/);
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
  const handle = await thread.boundingBox();
  if (!handle) throw new Error('no handle');
  const [x, y] = [handle.x + 60, handle.y + handle.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y + 20, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByLabel('Callout', { exact: true })).not.toHaveValue(/x 13\.5 mm DEEP/);
  const drawn = await page.getByLabel('Callout', { exact: true }).inputValue();
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
  await page.reload();
  await features(page).getByText('Adjuster').click();
  await expect(page.getByLabel('Callout', { exact: true })).toHaveValue(drawn);
});

test('operations: a bad order is refused or explained, left out and put back, added, changed, and proposed again', async ({
  page,
}) => {
  await page.goto(BLOCK);
  await features(page).getByText('Clamp bolt').click();
  const items = operations(page).getByRole('listitem');
  await expect(items.filter({ hasText: /Tap 3\/8-16/ }).first()).toBeVisible();
  const count = await items.count();
  const at = async (text: RegExp): Promise<number> => (await items.allInnerTexts()).findIndex((t) => text.test(t)) + 1;
  const earlier = async (): Promise<void> => {
    const from = await at(/Tap 3\/8-16/);
    await page.getByRole('button', { name: `Move step ${from}` }).focus();
    const said = page.locator('[id^=DndLiveRegion]');
    for (const [key, answer] of [
      ['Space', `Step ${from} is at place ${from}.`],
      ['ArrowUp', `Step ${from} is at place ${from - 1}.`],
      ['Space', 'set down'],
    ] as const) {
      await page.keyboard.press(key);
      await expect(said).toContainText(answer);
    }
  };
  // Two keys in one go, quicker than the page: the second counts too.
  const last = page.getByRole('button', { name: `Move step ${count}` });
  await last.focus();
  await last.evaluate((handle) => {
    for (const code of ['Space', 'ArrowUp'])
      handle.dispatchEvent(new KeyboardEvent('keydown', { code, bubbles: true, cancelable: true }));
  });
  await expect(page.locator('[id^=DndLiveRegion]')).toContainText(`Step ${count} is at place ${count - 1}.`);
  await page.keyboard.press('Escape');
  await earlier();
  await expect(operations(page)).toContainText('the first thread is pushed up as a burr');
  await earlier();
  await expect(operations(page).getByRole('alert')).toContainText('There is no hole to tap');
  await page.getByRole('button', { name: 'Back to the plan as proposed' }).click();
  await expect(items).toHaveCount(count);
  await step(page, /Start with/).click();
  await page.getByRole('button', { name: 'Leave out' }).click();
  await expect(operations(page)).toContainText('Without a start the drill follows its chisel edge');
  await page.getByRole('button', { name: 'Restore', exact: true }).click();
  await page.getByRole('button', { name: 'Add a drill' }).click();
  await operations(page).getByLabel('Which').fill('7');
  await operations(page).getByRole('button', { name: 'Add', exact: true }).click();
  await expect(items).toHaveCount(count + 1);
  await expect(operations(page)).toContainText('it grabs and chips its lips');
  await page.getByRole('button', { name: 'Add a step' }).click();
  await operations(page).getByLabel('What to do').fill('Blow out the cross bore');
  await operations(page).getByLabel('Minutes').fill('2');
  await operations(page).getByRole('button', { name: 'Add', exact: true }).click();
  await expect(items.filter({ hasText: 'Blow out the cross bore' })).toContainText('2.0 min');
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
  await page.goto('/jobs/sample-job-bearing-block/card');
  await expect(page.getByTestId('card')).toContainText('Blow out the cross bore');
  await page.goto(BLOCK);
  await features(page).getByText('Clamp bolt').click();
  await page.getByRole('button', { name: 'Back to the plan as proposed' }).click();
  await expect(items).toHaveCount(count);
});

test('figures set by hand say what they change; nonsense is refused and the plan stands; the ladder sets a step', async ({
  page,
}) => {
  await page.goto(BLOCK);
  await features(page).getByText('Adjuster').click();
  await step(page, /^\d Drill|Drill .* set the stop/).click();
  const full = operations(page).getByLabel('Full depth, mm');
  await full.fill('200');
  await page.keyboard.press('Enter');
  await expect(operations(page).getByRole('alert')).toContainText('would break through the back');
  await page.getByRole('button', { name: 'Back to the plan’s figures' }).click();
  await operations(page).getByLabel('Speed, rev/min').fill('400');
  await page.keyboard.press('Enter');
  await expect(operations(page)).toContainText('Changed: 435 rev/min instead of');
  await operations(page).getByLabel('Feed, mm/rev').fill('0.05');
  await page.keyboard.press('Enter');
  await expect(operations(page)).toContainText('Changed: Feed 0.05 mm/rev instead of');
  await page
    .getByRole('img', { name: /Speeds of the/ })
    .getByText('330', { exact: true })
    .click();
  await expect(operations(page)).toContainText('Changed: 330 rev/min instead of');
  await page.getByRole('button', { name: 'Back to the plan’s figures' }).click();
  await expect(operations(page)).not.toContainText('Changed:');
});

test('the chips advise, even if picked before the page has its script: one step slower, set with one key', async ({
  page,
}) => {
  let release = (): void => {};
  const picked = new Promise<void>((resolve) => (release = resolve));
  await page.route('**/_next/static/**/*.js', async (route) => {
    await picked;
    await route.continue();
  });
  await page.goto('/jobs/sample-job-spreader-bars/holes', { waitUntil: 'commit' });
  const chips = page.getByLabel('The chips look like');
  await chips.selectOption('blue');
  release();
  await expect(page.getByText('Too hot for high-speed steel')).toBeVisible();
  await page.getByRole('button', { name: 'Apply' }).click();
  await expect(operations(page)).toContainText('Changed:');
  await page.getByRole('button', { name: 'Back to the plan as proposed' }).click();
});

test('equal holes are one group: machine, start and a hole already there are set once for all', async ({ page }) => {
  await page.goto('/jobs/sample-job-spreader-bars/holes');
  await expect(features(page).getByRole('button')).toHaveCount(1);
  await expect(page.getByLabel('Callout, for all 2')).toBeVisible();
  await page.getByRole('tab', { name: 'On another machine' }).click();
  const table = page.getByRole('table').filter({ hasText: 'Depth stop' });
  await expect(table.getByRole('row', { name: /Start/ })).toContainText('centre drill');
  await page.getByRole('button', { name: 'Use this: Bench drill press' }).click();
  await expect(page.getByRole('button', { name: 'Machine: Bench drill press' })).toBeVisible();
  await expect(features(page).getByRole('button')).toHaveCount(1);
  await page.getByLabel('Existing hole, mm').fill('8');
  await page.keyboard.press('Enter');
  await expect(operations(page)).toContainText('A drill follows the existing hole');
  await page.getByLabel('Existing hole, mm').fill('15');
  await page.keyboard.press('Enter');
  await expect(operations(page).getByRole('alert')).toContainText('nothing to cut');
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Machine: Lathe' })).toBeVisible();
  await page.goto('/jobs/sample-job-fork-trunnion/holes');
  await features(page).getByText('Old feet holes').click();
  await expect(operations(page)).toContainText('Only if the gauge binds: chase 1/2-12 BSW by hand');
  await expect(operations(page)).not.toContainText('spiral point');
});

test('another unit changes no size: of an existing hole, nor of what stands in a field; undo in a field is its own', async ({
  page,
}) => {
  await page.goto(BLOCK);
  await features(page).getByText('Adjuster').click();
  await page.getByLabel('Existing hole, mm').fill('4');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'inch', exact: true }).click();
  const existing = page.getByLabel('Existing hole, in');
  await expect(existing).toHaveValue('4 mm');
  await existing.focus();
  await existing.blur();
  await expect(existing).toHaveValue('4 mm');
  await existing.pressSequentially('x');
  await page.keyboard.press('Control+z');
  await expect(existing).toHaveValue('4 mm');
  await page.getByRole('button', { name: 'mm', exact: true }).click();
});

test('drill against tap: the chart says what each drill costs, the rail takes one', async ({ page }) => {
  await page.goto('/jobs/sample-job-pier-adapter-plate/holes');
  await page.getByRole('tab', { name: 'Drill size and tap load' }).click();
  await expect(
    page.getByRole('img', { name: /Drill size and tap load: .*8\.5 mm 77 %, [\d.]+ Nm, safety/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: /^8\.6/ }).first().click();
  await expect(operations(page)).toContainText('Drill 8.6 mm');
  await page.getByRole('button', { name: 'Back to the proposed drill' }).click();
  await expect(operations(page)).toContainText('Drill 8.5 mm');
});

test('every tab of a hole is accessible, on a phone and at the desk', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/jobs/sample-job-counterweight-collar/holes');
  await expect(operations(page).getByRole('listitem').first()).toBeVisible();
  for (const name of ['Taps', 'Drill size and tap load', 'When it goes wrong', 'On another machine', /Cautions/]) {
    await page.getByRole('tab', { name }).click();
    for (const width of [390, 1280]) {
      await page.setViewportSize({ width, height: 844 });
      expect(await inaccessible(page, `${name} at ${width}`)).toEqual([]);
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
    }
  }
});

test('the way leads: every view is one link away, says how far it is, and one key leads to the next thing', async ({
  page,
}) => {
  const way = page.getByRole('navigation', { name: 'Way through the job' });
  await page.goto('/jobs/sample-job-dust-cap-ring');
  await expect(page).toHaveTitle(/^Dust-cap ring/);
  for (const view of ['Part', 'Lay out', 'Holes', 'Route', 'Check', 'Papers', 'Log']) {
    await way.getByRole('link', { name: new RegExp(`^${view} `) }).click();
    await expect(way.getByRole('link', { name: new RegExp(`^${view} `) })).toHaveAttribute('aria-current', 'page');
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Dust-cap ring');
  }
  await page.getByLabel('Find').fill('A10 not good');
  const found = page
    .getByRole('main')
    .getByRole('listitem')
    .filter({ hasNot: page.getByRole('heading') });
  await expect(found).toHaveText([/A10.*Gauged minor diameter: not good/]);
  await expect(way.getByRole('link', { name: 'Check 1 waits' })).toBeVisible();
  await way.getByRole('link', { name: 'Next: Decide' }).click();
  await page.getByRole('button', { name: 'Accept as it is' }).click();
  await page.getByLabel('Who answers for it').fill('mirror group');
  await page.getByLabel('Why').fill('a cap, no load');
  await page.getByRole('button', { name: 'Accept', exact: true }).click();
  await expect(page.getByText('Decided: Accept as it is, mirror group, a cap, no load.')).toBeVisible();
  await expect(way.getByRole('link', { name: /^Next: Go on/ })).toBeVisible();
  await page.getByRole('button', { name: 'Take back' }).click();
  await expect(way.getByRole('link', { name: 'Check 1 waits' })).toBeVisible();
});
