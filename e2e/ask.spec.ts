import { expect, pick, test, type Page } from './test';

const ASK = '/?callout=M8+x+16+DEEP&thickness=25&machine=bench-drill-press&units=mm';
const drill = (page: Page) => page.getByTestId('drill');
const callout = (page: Page) => page.getByLabel('Callout, as on the drawing');
const figures = (page: Page) => page.getByRole('region', { name: 'What to do' });
const level = (page: Page, name: RegExp) => page.getByRole('button', { name });

test('walk up: seventeen keystrokes to the answer, on a page that shows a worked sample first', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: /^Sample: M8 x 16 DEEP/ })).toBeVisible();
  await expect(callout(page)).toBeFocused();
  const callouts = 'M6 x 10 DEEP';
  await page.keyboard.type(callouts);
  const plate = page.getByLabel('Plate, mm');
  let keystrokes = callouts.length;
  for (; keystrokes < 17 && !(await plate.evaluate((e) => e === document.activeElement)); keystrokes++)
    await page.keyboard.press('Tab');
  await page.keyboard.type('20');
  await expect(drill(page)).toHaveText('5.0 mm');
  await expect(plate).toHaveValue('20');
  await expect(level(page, / back, wall \d/)).toBeVisible();
  expect(keystrokes + 2).toBeLessThanOrEqual(17);
});

test('materials are found by what people call them, drills and machines too', async ({ page }) => {
  await page.goto(ASK);
  // What finds it by its designation comes after Enter: it is picked all the same.
  let enter = (): void => undefined;
  const entered = new Promise<void>((resolve) => (enter = resolve));
  await page.route(/_next\/static\/chunks/, async (route) => {
    if (await page.getByPlaceholder('Type to find').isVisible()) await entered;
    await route.continue();
  });
  await pick(page, 'Material', '304');
  enter();
  await expect(page.getByRole('button', { name: 'Material: Stainless, austenitic' })).toBeFocused();
  await pick(page, 'Material', '6061');
  await expect(page.getByTestId('speed')).toContainText('3300');
  await pick(page, 'Drills to choose from', '13 by 0.1');
  await expect(drill(page)).toHaveText('6.8 mm');
  await pick(page, 'Machine', 'knee');
  await expect(page.getByRole('img', { name: /Speeds of the Knee mill/ })).toBeVisible();
});

test('the essentials fit on one screen of 1280 by 800', async ({ page }) => {
  await page.goto(ASK);
  await expect(drill(page)).toBeVisible();
  const foot = await page.getByRole('group', { name: 'Drill sizes around the tap drill' }).boundingBox();
  expect((foot?.y ?? 0) + (foot?.height ?? 9999)).toBeLessThanOrEqual(800);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1280);
});

test('the address holds the whole question', async ({ page }) => {
  await page.goto(ASK);
  await page.getByLabel('Plate, mm').fill('40');
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('radio', { name: 'form' }).click();
  await page.getByLabel('Parts to make').fill('18');
  await expect(page).toHaveURL(/thickness=40.*tap=form.*parts=18/);
  const opened = await page.context().newPage();
  await opened.goto(page.url());
  await expect(opened.getByLabel('Plate, mm')).toHaveValue('40');
  await expect(opened.getByLabel('Parts to make')).toHaveValue('18');
  const said = await figures(opened).innerText();
  await expect.poll(() => figures(page).innerText()).toBe(said);
});

test('one key switches inch and millimetre and changes no physical figure; the job and its card keep the unit', async ({
  page,
}) => {
  await page.goto('/?callout=%C3%B89+x+20+DEEP&thickness=25&machine=bench-drill-press&units=mm');
  await page.getByText('blind', { exact: true }).click();
  await page.keyboard.press('u');
  await expect(page.getByLabel('Plate, in')).toHaveValue('25 mm');
  await expect(callout(page)).toHaveValue('ø9 mm x 20 mm DEEP');
  await expect(level(page, /^0\.906 in stop, from touch/)).toBeVisible();
  await expect(drill(page)).toHaveText('9.0 mm');
  await page.getByRole('button', { name: 'Save as a job' }).click();
  await page.getByRole('dialog').getByLabel('Name of the job').fill('Inch job');
  await page.getByRole('dialog').getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByRole('link', { name: 'Print the card' }).click();
  await expect(page.getByTestId('card')).toContainText('stop 0.906 in');
  // A key is heard once the page has its script.
  await page.goto(ASK, { waitUntil: 'networkidle' });
  await callout(page).focus();
  await page.keyboard.press('Alt+u');
  await expect(page.getByRole('button', { name: 'inch', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText(/[\d.]+ lbf·in \([\d.]+ Nm\)/).first()).toBeVisible();
});

test('every figure shows its working when touched, by keyboard too', async ({ page }) => {
  await page.goto(ASK);
  await page.getByRole('button', { name: 'Show the working: drill speed' }).focus();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('1000 × cutting speed ÷ (π × diameter) × factors');
  await expect(dialog).toContainText('27.4 m/min');
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
  await expect(page.getByRole('button', { name: 'Show the working: drill speed' })).toBeFocused();
  await level(page, /^22\.0 mm stop, from touch/).press('Enter');
  await expect(dialog).toContainText('full-diameter depth');
  await page.keyboard.press('Escape');
  // The drawing of it answers to its handle: a larger hole leaves less thread, a larger drill more holes out of class.
  await page.getByRole('button', { name: /Show the working: percent/ }).click();
  await expect(dialog.getByRole('figure')).toContainText('77 %: nearly all of the strength');
  await dialog.getByRole('slider').press('End');
  await expect(dialog.getByRole('figure')).toContainText('30 %: easy on the tap');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Show the working: predicted hole' }).click();
  await dialog.getByRole('slider').press('End');
  await expect(dialog.getByRole('figure')).toContainText('0 % of such holes lie in the class: loose');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Show the working: tapping torque' }).click();
  await expect(dialog).toContainText('an estimate, never a rating');
});

test('what cannot be read is marked, kept, and offered the nearest readings', async ({ page }) => {
  await page.goto('/');
  await callout(page).fill('1/4-20 UNF THRU');
  await expect(page.locator('mark')).toHaveText('1/4-20 UNF');
  await expect(page.getByText('1/4 UNF has 28 threads per inch, not 20.')).toBeVisible();
  await page.getByRole('button', { name: '1/4-28 UNF' }).click();
  await expect(callout(page)).toHaveValue('1/4-28 UNF THRU');
  await expect(drill(page)).toHaveText('5.5 mm');
  await callout(page).fill('M8 nonsense 😀');
  await expect(callout(page)).toHaveAttribute('aria-invalid', 'true');
  await expect(page.locator('mark')).toContainText('nonsense');
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByLabel('Thread depth, mm').fill('deep');
  await expect(page).toHaveURL(/depth=deep/);
  await page.reload();
  await expect(page.getByLabel('Thread depth, mm')).toHaveValue('deep');
});

test('impossible questions are refused with a reason and no figure', async ({ page }) => {
  await page.goto('/?callout=M8+THRU&material=iron-grey&tap=form');
  await expect(page.getByText('does not flow into a thread')).toBeVisible();
  await expect(drill(page)).toBeHidden();
  await page.goto('/?callout=M8+x+30+DEEP&thickness=25');
  await expect(page.getByText('does not fit in a plate of 25.0 mm')).toBeVisible();
  await page.goto('/?callout=M20+THRU&material=nickel-alloy&machine=pedestal-drill&drills=all');
  await expect(page.getByTestId('speed')).toHaveText('not on this machine');
  await expect(drill(page)).toHaveText('17.5 mm');
});

test('another drill is judged from the size rail, and a remedy does what it says', async ({ page }) => {
  await page.goto(ASK);
  await page.getByRole('button', { name: /^6\.9 mm, 67/ }).press('Enter');
  await expect(drill(page)).toHaveText('6.9 mm');
  const watch = page.getByRole('region', { name: 'Watch out' });
  await expect(watch).toContainText('out of class');
  await watch.getByRole('button', { name: 'Use 17/64 in' }).click();
  await expect(drill(page)).toHaveText('17/64 in');
  await page.mouse.wheel(0, 2000);
  await page.getByRole('button', { name: 'Use: By hand, freehand' }).click();
  await expect(page.getByTestId('way')).toHaveText('By hand, freehand');
});

test('a drill that is not there is marked missing; the answer moves on, and undo brings it back', async ({ page }) => {
  await page.goto(ASK);
  const answer = page.waitForResponse('**/api/v1/crib/missing');
  await page.getByRole('button', { name: 'I don’t have this drill' }).click();
  const { marks } = (await (await answer).json()) as { marks: object[] };
  await expect(page.getByRole('status')).toContainText('17/64 in is marked missing in the crib');
  await expect(drill(page)).toHaveText('6.7 mm');
  await page.reload();
  await expect(drill(page)).toHaveText('6.7 mm');
  await page.getByRole('button', { name: 'I don’t have this drill' }).click();
  await expect(drill(page)).not.toHaveText('6.7 mm');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(drill(page)).toHaveText('6.7 mm');
  expect((await page.request.post('/api/v1/crib/missing', { data: { restore: marks } })).ok()).toBe(true);
  await page.reload();
  await expect(drill(page)).toHaveText('17/64 in');
});

test('save a hole as a job, find it again, print the card', async ({ page }) => {
  await page.goto(ASK);
  await page.getByRole('button', { name: 'Save as a job' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name of the job').fill('Finder bracket');
  await dialog.getByLabel('Name of the hole').fill('dovetail');
  await dialog.getByRole('button', { name: 'Save', exact: true }).click();
  await dialog.getByRole('link', { name: 'Open the job' }).click();
  await expect(page.getByRole('heading', { name: 'Finder bracket' })).toBeVisible();
  await expect(page.getByText('Drill 17/64 in at 1030 rev/min')).toBeVisible();
  await page.getByRole('link', { name: 'Jobs' }).click();
  await page.getByLabel('Search').fill('finder m8');
  await expect(page.getByRole('heading', { level: 2 })).toHaveText([/^Finder bracket/]);
  await page.getByRole('button', { name: 'More for Finder bracket' }).click();
  await page.getByRole('menuitem', { name: 'Card' }).click();
  const card = page.getByTestId('card');
  await expect(card).toContainText(/Drill 17\/64 in.*stop 22\.0 mm/);
  await expect(card.getByRole('img', { name: 'Section, M8x1.25' })).toBeVisible();
  await expect(card.getByRole('img', { name: /Code that opens http:\/\/127.0.0.1:\d+\/jobs\// })).toBeVisible();
});

test('open a hole of a job in Ask, change it, update the job', async ({ page }) => {
  await page.goto('/jobs/sample-job-bearing-block');
  await page.getByRole('link', { name: 'In Ask' }).first().click();
  await expect(callout(page)).toHaveValue('3/8-16 UNC-2B THRU');
  await page.getByLabel('Plate, mm').fill('20');
  await page.getByRole('button', { name: 'Update Azimuth bearing block' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByRole('link', { name: 'Open the job' }).click();
  await expect(page.getByText('through 20.0 mm')).toBeVisible();
});

test('go to anything answers a callout, finds jobs, holes, tools and metals', async ({ page }) => {
  await page.goto('/jobs');
  await page.keyboard.press('/');
  const input = page.getByPlaceholder(/^M8 brass/);
  await input.fill('M8 brass');
  await expect(page.getByRole('option', { name: /M8 in Brass.*Drill 17\/64 in, 3300 rev\/min/ })).toBeVisible();
  await input.fill('trunnion');
  await expect(page.getByRole('option', { name: /Fork trunnion/ }).first()).toBeVisible();
  await input.fill('1.4301');
  await expect(page.getByRole('option', { name: /Stainless, austenitic/ })).toBeVisible();
  await input.fill('reamer 8');
  await expect(page.getByRole('option', { name: /Reamer 8 H7/ })).toBeVisible();
  await input.fill('M8 brass');
  await expect(page.getByRole('option', { name: /M8 in Brass/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(callout(page)).toHaveValue('M8');
  // Enter at once, before anything is found: the first line is taken when it comes.
  await page.goto('/jobs');
  await page.keyboard.press('/');
  await input.fill('M6 blind in 304');
  await page.keyboard.press('Enter');
  await expect(callout(page)).toHaveValue('M6 x 9 mm DEEP');
  // What is missing is said where one stands, and taken back there.
  await page.keyboard.press('ControlOrMeta+k');
  await input.fill('5 missing');
  await page.keyboard.press('Enter');
  await expect(page.getByText('5.0 mm is marked missing')).toBeVisible();
  await page.getByRole('dialog').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('5.0 mm is marked missing')).toHaveCount(0);
});

test('on a phone callout, metal and the strip are in the first screen, and nothing runs off the side', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(ASK);
  const strip = page.getByLabel('In short');
  await expect(strip).toContainText('Drill17/64 in');
  await expect(strip).toContainText('Stop22.0 mm');
  for (const part of [callout(page), page.getByRole('button', { name: /^Material/ }), strip]) {
    const box = await part.boundingBox();
    expect((box?.y ?? 9999) + (box?.height ?? 0)).toBeLessThan(400);
  }
  await page.mouse.wheel(0, 500);
  await expect.poll(async () => (await strip.boundingBox())?.y).toBe(0);
  for (const path of [
    ASK,
    '/jobs',
    '/jobs/sample-job-pier-adapter-plate',
    '/crib',
    '/jobs/sample-job-pier-adapter-plate/card',
  ]) {
    await page.goto(path);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  }
});

test('a plain hole is answered too: drilled, reamed and countersunk', async ({ page }) => {
  await page.goto('/?callout=ø20+THRU&thickness=25&machine=knee-mill&units=mm');
  await expect(drill(page)).toHaveText('20.0 mm');
  await expect(figures(page)).not.toContainText('Tap');
  await callout(page).fill('ø8 H7 REAM THRU');
  await pick(page, 'Drills to choose from', '13 by 0.1');
  await expect(figures(page)).toContainText('7.7 mm');
  await expect(figures(page)).toContainText('8 H7');
  await expect(figures(page)).not.toContainText('% of thread');
});

test('what is said over a bench is read: hole, metal and machine anywhere in the line, with sizes by name', async ({
  page,
}) => {
  await page.goto('/');
  await callout(page).fill('M6 counterbore in 304 on the mill');
  await expect(
    page.getByText(/^Read as ø6\.6 mm THRU CBORE ø11 mm X 6\.3 mm\. Clearance for M6, normal/),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: /^Material/ })).toContainText('Stainless');
  await expect(page.getByRole('button', { name: /^Machine/ })).toContainText(/mill/i);
  await page.keyboard.press('Enter');
  await expect(callout(page)).toHaveValue('ø6.6 mm THRU CBORE ø11 mm X 6.3 mm');
  await callout(page).fill('M6 counterbore in cheese');
  await expect(page.getByText(/^Read as/)).toBeHidden();
});

test('a server that goes before the first change is said, and the answer follows once it is back', async ({ page }) => {
  await page.goto(ASK);
  await page.context().setOffline(true);
  await callout(page).fill('M6 x 12 DEEP');
  await expect(page.getByText('the answer below is of the question as it was opened')).toBeVisible();
  await page.context().setOffline(false);
  await callout(page).fill('M6 x 13 DEEP');
  await expect(drill(page)).toHaveText('5.0 mm');
  await expect(page.getByText('The server can’t be reached')).toHaveCount(0);
});
