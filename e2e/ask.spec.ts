import { expect, test, type Page } from './test';

const ASK = '/?callout=M8+x+16+DEEP&thickness=25&machine=bench-drill-press&units=mm';
const drill = (page: Page) => page.getByTestId('drill');

test('walk up: type the callout, choose the metal, read what to do', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Say what the drawing says' })).toBeVisible();
  await page.getByLabel('Callout, as on the drawing').fill('M8 x 16 DEEP');
  await page.getByLabel('Plate, mm').fill('25');
  await expect(drill(page)).toHaveText('17/64 in');
  await expect(page.getByText('6.8 mm would be nearer but is not to hand')).toBeVisible();
  await expect(page.getByTestId('speed')).toHaveText('1030rev/min');
  await expect(page.getByTestId('depth')).toHaveText('19.8mm full, stop 21.8mm');
  await page.getByLabel('Material').selectOption('aluminium-wrought-6000');
  await expect(page.getByTestId('speed')).toHaveText('3300rev/min');
  await page.getByLabel('Drills to choose from').selectOption('metric-1-13-by-0.1');
  await expect(drill(page)).toHaveText('6.8 mm');
  await page.getByLabel('Machine').selectOption('knee-mill');
  await expect(page.getByRole('img', { name: /Speeds of the Knee mill/ })).toBeVisible();
});

test('the essentials fit on one screen of 1280 by 800', async ({ page }) => {
  await page.goto(ASK);
  await expect(drill(page)).toBeVisible();
  const foot = await page.getByRole('group', { name: 'Drill sizes around the hole wanted' }).boundingBox();
  expect((foot?.y ?? 0) + (foot?.height ?? 9999)).toBeLessThanOrEqual(800);
});

test('the address holds the whole question', async ({ page }) => {
  await page.goto(ASK);
  await page.getByLabel('Plate, mm').fill('40');
  await page.getByRole('radio', { name: 'form' }).click();
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByLabel('Parts to make').fill('18');
  await expect(page).toHaveURL(/thickness=40.*tap=form.*parts=18/);
  const figures = await page.getByLabel('What to do').innerText();
  await page.goto(page.url());
  await expect(page.getByLabel('Plate, mm')).toHaveValue('40');
  await expect(page.getByLabel('Parts to make')).toHaveValue('18');
  expect(await page.getByLabel('What to do').innerText()).toBe(figures);
});

test('one key switches inch and millimetre and changes no physical figure', async ({ page }) => {
  await page.goto(ASK);
  await page.locator('h1').click({ force: true });
  await page.keyboard.press('u');
  await expect(page.getByTestId('depth')).toHaveText('0.778in full, stop 0.857in');
  await expect(page.getByLabel('Plate, in')).toHaveValue('25 mm');
  await expect(drill(page)).toHaveText('17/64 in');
  await page.getByLabel('Callout, as on the drawing').focus();
  await page.keyboard.press('Alt+u');
  await expect(page.getByTestId('depth')).toHaveText('19.8mm full, stop 21.8mm');
});

test('every figure shows its working, by keyboard too', async ({ page }) => {
  await page.goto(ASK);
  await page.getByRole('button', { name: 'Show the working: drill speed' }).focus();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('1000 × cutting speed ÷ (π × diameter) × factors');
  await expect(dialog).toContainText('27.4 m/min');
  await expect(dialog).toContainText('deep hole');
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
  await expect(page.getByRole('button', { name: 'Show the working: drill speed' })).toBeFocused();
  await page.getByRole('button', { name: 'Show the working: tapping torque' }).click();
  await expect(dialog).toContainText('an estimate, never a rating');
});

test('what cannot be read is marked, kept, and offered the nearest readings', async ({ page }) => {
  await page.goto('/');
  const callout = page.getByLabel('Callout, as on the drawing');
  await callout.fill('1/4-20 UNF THRU');
  await expect(page.locator('mark')).toHaveText('1/4-20 UNF');
  await expect(page.getByText('1/4 UNF has 28 threads per inch, not 20.')).toBeVisible();
  await page.getByRole('button', { name: '1/4-28 UNF' }).click();
  await expect(callout).toHaveValue('1/4-28 UNF THRU');
  await expect(drill(page)).toHaveText('5.5 mm');
  await callout.fill('M8 nonsense');
  await expect(callout).toHaveValue('M8 nonsense');
  await expect(callout).toHaveAttribute('aria-invalid', 'true');
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

test('another drill is judged from the size rail or the table, and given back', async ({ page }) => {
  await page.goto(ASK);
  await page.getByRole('button', { name: /^6\.9 mm, 67/ }).press('Enter');
  await expect(drill(page)).toHaveText('6.9 mm');
  await expect(page.getByRole('region', { name: 'Watch out' })).toContainText('out of class');
  await page.getByRole('button', { name: 'Back to the proposed drill' }).click();
  await expect(drill(page)).toHaveText('17/64 in');
});

test('keep a hole as a job, find it again, print the card', async ({ page }) => {
  await page.goto(ASK);
  await page.getByRole('button', { name: 'Keep as a job' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name of the job').fill('Finder bracket');
  await dialog.getByLabel('Name of the hole').fill('dovetail');
  await dialog.getByRole('button', { name: 'Keep', exact: true }).click();
  await dialog.getByRole('link', { name: 'Open the job' }).click();
  await expect(page.getByRole('heading', { name: 'Finder bracket' })).toBeVisible();
  await expect(page.getByText('Drill 17/64 in at 1030 rev/min')).toBeVisible();
  await page.getByRole('link', { name: 'Jobs' }).click();
  await page.getByLabel('Search').fill('finder m8');
  await expect(page.getByRole('heading', { level: 2 })).toHaveText(['Finder bracket']);
  await page.getByRole('link', { name: 'Card' }).click();
  const card = page.getByTestId('card');
  await expect(card).toContainText('Drill 17/64 in to 19.8 mm; set the stop at 21.8 mm from touch.');
  await expect(card.getByRole('img', { name: /Code that opens http:\/\/127.0.0.1:\d+\/jobs\// })).toBeVisible();
});

test('open a hole of a job in Ask, change it, put it back', async ({ page }) => {
  await page.goto('/jobs/sample-job-bearing-block');
  await page.getByRole('link', { name: 'Open in Ask' }).first().click();
  await expect(page.getByLabel('Callout, as on the drawing')).toHaveValue('3/8-16 UNC-2B THRU');
  await page.getByLabel('Plate, mm').fill('20');
  await page.getByRole('button', { name: 'Put back into Azimuth bearing block' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Keep', exact: true }).click();
  await page.getByRole('link', { name: 'Open the job' }).click();
  await expect(page.getByText('through 20.0 mm')).toBeVisible();
});

test('on a phone everything is there and nothing runs off the side', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(ASK);
  for (const name of [/^Section of the hole/, /^Speeds of the/])
    await expect(page.getByRole('img', { name })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep as a job' })).toBeVisible();
  for (const path of [ASK, '/jobs', '/jobs/sample-job-pier-adapter-plate', '/crib']) {
    await page.goto(path);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  }
});

test('a plain hole is answered too: drilled, reamed and countersunk', async ({ page }) => {
  await page.goto('/?callout=ø20+THRU&thickness=25&machine=knee-mill&units=mm');
  await expect(drill(page)).toHaveText('20.0 mm');
  const steps = page.getByLabel('What to do');
  await expect(steps).not.toContainText('Tap');
  await page.getByLabel('Callout, as on the drawing').fill('ø8 H7 REAM THRU');
  await page.getByLabel('Drills to choose from').selectOption('metric-1-13-by-0.1');
  await expect(steps).toContainText('7.7 mm');
  await expect(steps).toContainText('8 H7');
  await expect(steps).not.toContainText('% of thread');
});
