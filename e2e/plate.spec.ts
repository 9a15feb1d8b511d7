import { readFileSync } from 'node:fs';
import { expect, inaccessible, test, type Page } from './test';

const PLATE = '/jobs/sample-job-pier-adapter-plate/plate';
const kept = (page: Page) => expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
const holes = (page: Page, face: string, count: number) =>
  expect(page.getByRole('application')).toHaveAccessibleName(new RegExp(`^The ${face} face, ${count} holes`));

test('type callouts with places, see them, get the heights in the reading of the gauge', async ({ page }) => {
  await page.goto(PLATE);
  await holes(page, 'top', 13);
  const line = page.getByLabel('Add: callout and place');
  await line.fill('3x M6 THRU at 20,170');
  await page.keyboard.press('Enter');
  await expect(page.locator('mark')).toBeVisible();
  await expect(page.getByRole('alert').filter({ hasText: '3 holes need a pitch' })).toBeVisible();
  await expect(line).toHaveValue('3x M6 THRU at 20,170');
  await line.fill('3x M6 THRU at 20,170 pi');
  await page.getByRole('button', { name: 'pitch 40' }).click();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await holes(page, 'top', 16);
  await expect(page.getByText('E ×3')).toBeVisible();
  await page.getByLabel('Height gauge').selectOption('vernier-mm');
  await expect(page.getByText('57, line 25')).toBeVisible();
  await page.getByRole('checkbox', { name: /57, line 25/ }).check();
  await kept(page);
  await page.reload();
  await holes(page, 'top', 16);
  await page.getByLabel('Height gauge').selectOption('vernier-mm');
  await expect(page.getByRole('checkbox', { name: /57, line 25/ })).toBeChecked();
});

const MOMENTS: [RegExp, RegExp?][] = [
  [/^Scribe/, /^Heights/],
  [/^Scribe/, /^Dials/],
  [/^Lay out/, /^What fits/],
  [/^Lay out/, /^How to lay out/],
  [/^Lay out/, /^Angled/],
  [/^Part/],
  [/^Punch/],
  [/^Files/],
];

test('heights are printed: the face small, a box at each line; pointing at a height lights its line', async ({
  page,
}) => {
  await page.goto(PLATE);
  const line = page.getByRole('application').locator('path[stroke="#f0cd80"]').first();
  await page.getByText('57.50').hover();
  await expect(line).toHaveAttribute('d', /^M0 -57\.(5|4999)\d*h180/);
  await page.getByRole('link', { name: 'Print' }).click();
  const sheet = page.getByTestId('card');
  await expect(sheet.getByRole('img', { name: /^The top face with \d+ holes/ })).toBeVisible();
  await expect(sheet.getByRole('listitem').nth(10)).toBeVisible();
  await expect(sheet).toContainText('Roll a quarter turn: from the bottom edge');
  await page.getByRole('link', { name: 'Half letter' }).click();
  await expect(page).toHaveURL(/paper=letter-half/);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('link', { name: 'Half letter' })).toBeHidden();
});

test('edit in the table, nudge and drag on the plate, undo and redo', async ({ page }) => {
  await page.goto('/jobs/sample-job-fork-trunnion/plate');
  const place = page.getByLabel('Place of B');
  await expect(place).toHaveValue('at 70,35');
  await place.fill('at 60,30');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'B', exact: true }).click();
  await page.getByRole('application').focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(place).toHaveValue('at 61,30');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(place).toHaveValue('at 70,35');
  await page.keyboard.press('Control+y');
  await expect(place).toHaveValue('at 60,30');
  // What is half typed keeps its size when the unit changes.
  await place.fill('at 50.8,25.4');
  await page.keyboard.press('Alt+u');
  await place.press('Enter');
  await expect(place).toHaveValue('at 2,1');
  await page.keyboard.press('Alt+u');
  await expect(place).toHaveValue('at 50.8,25.4');
  await place.fill('at 60,30');
  await place.press('Enter');
  await place.fill('at sideways');
  await page.keyboard.press('Enter');
  await expect(place).toHaveValue('at sideways');
  await expect(page.getByRole('alert').filter({ hasText: 'is not part of a place' })).toBeVisible();
  await place.press('Escape');
  const box = await page.getByRole('application').boundingBox();
  if (!box) throw new Error('no drawing');
  const scale = (box.width - 92) / 140;
  const at = (x: number, y: number) =>
    [box.x + box.width / 2 + (x - 70) * scale, box.y + box.height / 2 - (y - 35) * scale] as const;
  await page.mouse.move(...at(60, 30));
  await page.mouse.down();
  await page.mouse.move(...at(80, 34), { steps: 4 });
  await page.mouse.move(...at(90, 34.6), { steps: 4 });
  await page.mouse.up();
  await expect(place).toHaveValue(/^at (89|90|91)[.\d]*,35$/);
  await kept(page);
});

test('patterns by dialog, click, mirror and chain; the part and its datums', async ({ page }) => {
  await page.goto('/jobs/sample-job-dust-cap-ring/plate');
  await holes(page, 'top', 12);
  await page.getByLabel('Add: callout and place').fill('3x M4 THRU at 5,6 pitch 7');
  await page.getByRole('button', { name: 'Pattern' }).click();
  await expect(page.getByTestId('pattern-line')).toHaveText('3x M4 THRU at 5,6 pitch 7');
  await page.keyboard.press('Escape');
  await page.getByLabel('Add: callout and place').fill('');
  await page.getByRole('button', { name: 'Pattern' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Each hole').fill('M4 THRU');
  await expect(dialog.getByLabel('Centre x')).toHaveValue('0');
  await dialog.getByLabel('Circle diameter').fill('80');
  await dialog.getByLabel('Centre x').fill('0');
  await dialog.getByLabel('Centre y').fill('0');
  await dialog.getByRole('textbox', { name: 'Holes' }).fill('5');
  await dialog.getByLabel('Skipped places').fill('9');
  await expect(dialog.getByRole('alert')).toContainText('one of 1 to 6');
  await dialog.getByLabel('Skipped places').fill('2');
  await expect(dialog.getByTestId('pattern-line')).toHaveText('5x M4 THRU circle 80 at 0,0 from 90 skip 2');
  await dialog.getByRole('button', { name: 'Add the pattern' }).click();
  await holes(page, 'top', 17);
  await page.getByLabel('Click to place').fill('M3 THRU');
  const box = await page.getByRole('application').boundingBox();
  if (!box) throw new Error('no drawing');
  await page.mouse.click(box.x + box.width / 2 + 30, box.y + box.height / 2);
  await holes(page, 'top', 18);
  await expect(page.getByLabel('Place of C')).toHaveValue(/^at 1\d(\.5)?,0$/);
  await page.getByRole('button', { name: 'Mirror', exact: true }).click();
  await holes(page, 'top', 19);
  await expect(page.getByLabel('Place of D')).toHaveValue('mirror of another');
  await page.getByRole('button', { name: 'Chain', exact: true }).click();
  await page.getByLabel('Across, mm').fill('8');
  await holes(page, 'top', 20);
  await page.getByRole('button', { name: 'Remove C' }).click();
  await expect(page.getByText('The feature that this pattern refers to was removed.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await holes(page, 'top', 20);
  await page.getByRole('tab', { name: 'Part' }).click();
  await page.getByLabel('Stock').selectOption('plate');
  await page.getByLabel('Width').fill('6 in');
  await page.getByLabel('Width').blur();
  await expect(page.getByLabel('Width')).toHaveValue('152.4 mm');
  await page.getByRole('radio', { name: 'right' }).click();
  await page.getByLabel('Condition').fill('half hard');
  await kept(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Part' }).click();
  await expect(page.getByLabel('Condition')).toHaveValue('half hard');
  await expect(page.getByRole('radio', { name: 'right' })).toBeChecked();
});

test('what does not fit is listed with its cure; walls inside the part are checked', async ({ page }) => {
  await page.goto(PLATE);
  await page.getByRole('tab', { name: /^Lay out/ }).click();
  await expect(page.getByText('Centre 7.0 mm from the edge').first()).toBeVisible();
  await page.getByRole('button', { name: 'Move D up 0.5 mm' }).first().click();
  await expect(page.getByLabel('Place of D')).toHaveValue('at 30,7.5 pitch 40');
  await expect(page.getByText('✓ Everything fits')).toBeVisible();
  await page.goto('/jobs/sample-job-bearing-block/plate');
  await page.getByLabel('Callout of B').fill('5/16-18 UNC-2B x .9 DEEP');
  await page.keyboard.press('Enter');
  await page.getByRole('tab', { name: 'Lay out 1' }).click();
  await expect(page.getByText('B1 (top) and C1 (front)')).toBeVisible();
  await page.keyboard.press('Tab');
});

test('means of layout, dials, punch marks and an angled hole', async ({ page }) => {
  await page.goto('/jobs/sample-job-bearing-block/plate');
  await page.getByRole('tab', { name: /^Lay out/ }).click();
  await page.getByRole('tab', { name: 'How to lay out' }).click();
  await page.getByLabel('Position zone of A, ø').fill('0.5');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('listitem').filter({ hasText: 'cheapest that holds' })).toContainText('Transfer punch');
  await page.getByRole('tab', { name: 'Scribe' }).click();
  await page.getByRole('tab', { name: 'Dials' }).click();
  await page.getByLabel('Edge finder or tool, mm').fill('8');
  await page.getByLabel('Shim, mm').fill('0.25');
  await expect(page.getByText('go on 4.25 mm')).toBeVisible();
  await expect(page.getByLabel('Dials of')).toHaveValue('knee-mill');
  await expect(page.getByRole('row', { name: /^B1/ })).toContainText('13 t + 50.0');
  await page.getByLabel('Dial, mm a turn').fill('2');
  await expect(page.getByRole('row', { name: /^B1/ })).toContainText('33 t + 0.0');
  await page.getByRole('tab', { name: 'Punch' }).click();
  await page.getByLabel('Right of the cross, mm').fill('0.15');
  await expect(page.getByText('Lean the punch and drive the mark back')).toBeVisible();
  await page.getByRole('button', { name: 'Record A1' }).click();
  await expect(page.getByText('0.15 mm off, right: tight')).toBeVisible();
  await expect(page.getByText('Measure again')).toBeVisible();
  // What is laid out anew in between is the same hole still.
  await page.getByLabel(/^Position zone of/).fill('0.45');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Set by you; empty it')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click();
  await expect(page.getByText('0.15 mm off, right: tight')).toBeHidden();
  await page.getByLabel('Right of the cross, mm').fill('0.15');
  await page.getByRole('button', { name: 'Record A1' }).click();
  await page.reload();
  await page.getByRole('tab', { name: 'Punch' }).click();
  await expect(page.getByText('0.15 mm off, right: tight')).toBeVisible();
  await page.getByLabel('Callout of A').click();
  await page.getByRole('tab', { name: /^Lay out/ }).click();
  await page.getByRole('tab', { name: 'Angled' }).click();
  await page.getByLabel('Exit offset x').fill('15.83');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Tilt the vise 22.62°')).toBeVisible();
});

test('files: what was understood is shown first; nothing changes until it is taken; what goes out comes back', async ({
  page,
}) => {
  await page.goto('/jobs/sample-job-mirror-cell-studs/plate');
  await page.getByRole('tab', { name: 'Files' }).click();
  const cells = page.getByLabel('Or paste cells from a spreadsheet');
  await cells.fill('callout\tx\ty\nM3 x 6 DEEP\t4\tNaN');
  await page.getByRole('button', { name: 'Preview' }).click();
  await expect(page.getByText('Nothing was changed.')).toBeVisible();
  await holes(page, 'top', 1);
  await cells.fill('callout\tx\ty\nM2 x 4 DEEP\t4\t0\nM2 x 4 DEEP\t-4\t0');
  await page.getByRole('button', { name: 'Preview' }).click();
  await expect(page.getByText('2 features from 2 rows.')).toBeVisible();
  await page.getByRole('button', { name: 'Import', exact: true }).click();
  await holes(page, 'top', 3);
  const download = async (kind: string): Promise<string> => {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: kind, exact: true }).click(),
    ]);
    return readFileSync(await file.path(), 'utf8');
  };
  const [dxf, csv, json] = [await download('DXF'), await download('CSV'), await download('JSON')];
  expect(await download('SVG')).toContain('width="12mm"');
  const upload = (name: string, content: string) =>
    page.locator('input[type=file]').setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(content) });
  await page.goto('/jobs/sample-job-spreader-bars/plate');
  await page.getByRole('tab', { name: 'Files' }).click();
  await upload('studs.dxf', dxf);
  await expect(page.getByText('3 holes in 3 groups by layer and size.')).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await upload('studs.dxf', dxf.slice(0, 900));
  await expect(page.getByText('The file breaks off')).toBeVisible();
  await upload('studs.csv', csv);
  await expect(page.getByText('4 features from 4 rows.')).toBeVisible();
  await upload('studs.json', json.replace('"version": 1', '"version": 99'));
  await expect(page.getByText('Nothing was changed.')).toBeVisible();
  await upload('studs.json', json);
  await page.getByRole('button', { name: 'Import', exact: true }).click();
  await holes(page, 'top', 3);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Callout of A')).toHaveValue('M16 x 32 DEEP');
  await kept(page);
});

test('a mating part gives its places, tapped holes as clearance holes', async ({ page }) => {
  await page.goto('/jobs/sample-job-spreader-bars/plate');
  await holes(page, 'top', 1);
  await page.getByRole('tab', { name: /^Lay out/ }).click();
  await page.getByRole('tab', { name: 'Mate' }).click();
  await page.getByRole('button', { name: 'Choose the part' }).click();
  await page.getByLabel('Mating part').selectOption({ label: 'Pier adapter plate' });
  await expect(page.getByText('4 features of the mate').or(page.getByText('5 features of the mate'))).toBeVisible();
  await page.getByRole('button', { name: 'Import', exact: true }).click();
  // After the one that is there; which letter it gets depends on those that were given before.
  await expect(page.getByLabel(/^Callout of/).nth(1)).toHaveValue('3x ø11 mm THRU');
});

test('the paper template is at true size and tiles over sheets', async ({ request }) => {
  const pdf = async (paper: string) => {
    const response = await request.get(`/jobs/sample-job-pier-adapter-plate/template.pdf?paper=${paper}`);
    expect(response.headers()['content-type']).toBe('application/pdf');
    return (await response.body()).toString('latin1');
  };
  for (const [paper, width] of [
    ['a4', 595.27],
    ['letter', 612],
  ] as const) {
    const text = await pdf(paper);
    expect(text.startsWith('%PDF-')).toBe(true);
    expect(Number(/MediaBox \[0 0 ([\d.]+)/.exec(text)?.[1])).toBeCloseTo(width, 0);
  }
  expect((await request.get('/jobs/sample-job-pier-adapter-plate/template.pdf?face=inside')).status()).toBe(422);
});

test('two thousand holes are drawn, and every moment of the plate is accessible', async ({ page, request }) => {
  const job = await (await request.get('/api/v1/jobs/sample-job-counterweight-collar')).json();
  const body = job;
  const part = { stock: { shape: 'plate', widthMm: 900, heightMm: 700, thicknessMm: 10 }, condition: '', datums: {} };
  const grid = { kind: 'grid', x: 20, y: 20, columns: 50, rows: 40, dx: 17, dy: 16.5 };
  const many = {
    ...body.holes[0],
    face: 'top',
    place: grid,
    question: { ...body.holes[0].question, callout: '2000x M4 THRU' },
  };
  expect((await request.put(`/api/v1/jobs/${job.id}`, { data: { ...body, part, holes: [many] } })).status()).toBe(200);
  await page.goto(`/jobs/${job.id}/plate`);
  await holes(page, 'top', 2000);
  for (const path of [PLATE, `/jobs/${job.id}/plate`]) {
    await page.goto(path);
    for (const [tab, inner] of MOMENTS) {
      await page.getByRole('tab', { name: tab }).click();
      if (inner) await page.getByRole('tab', { name: inner }).click();
      expect(await inaccessible(page, `${tab} ${inner}`)).toEqual([]);
      if (path !== PLATE) break;
    }
  }
});

test('an outline of any shape from a drawing; a wall beside a tapped hole; two fingers zoom', async ({
  page,
  request,
}) => {
  const id = 'e2e-outline-0001';
  const made = await request.post('/api/v1/jobs', {
    data: { id, name: 'Gusset', materialId: 'steel-low-carbon', quantity: 1, notes: '', holes: [] },
  });
  expect(made.status()).toBe(201);
  await page.goto(`/jobs/${id}/plate`);
  const line = (x1: number, y1: number, x2: number, y2: number): string =>
    `0\nLINE\n8\nEDGE\n10\n${x1}\n20\n${y1}\n11\n${x2}\n21\n${y2}\n`;
  const circle = (x: number, y: number): string => `0\nCIRCLE\n8\nHOLES\n10\n${x}\n20\n${y}\n40\n3\n`;
  const dxf = [
    '0\nSECTION\n2\nENTITIES\n',
    line(100, 0, 0, 0),
    line(0, 60, 100, 0),
    line(0, 0, 0, 60),
    circle(20, 15),
    circle(80, 40),
    '0\nENDSEC\n0\nEOF\n',
  ].join('');
  await page.getByRole('tab', { name: 'Files' }).click();
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'gusset.dxf', mimeType: 'text/plain', buffer: Buffer.from(dxf) });
  await expect(page.getByText('The outline of 3 corners gives the stock')).toBeVisible();
  await page.getByRole('button', { name: 'Import', exact: true }).click();
  await holes(page, 'top', 2);
  await page.getByRole('tab', { name: /^Lay out/ }).click();
  await expect(page.getByText('The hole breaks out of the edge')).toBeVisible();
  await page.getByRole('tab', { name: 'Part' }).click();
  await page.getByRole('button', { name: 'Square it off' }).click();
  await page.getByRole('tab', { name: /^Lay out/ }).click();
  await expect(page.getByText('✓ Everything fits')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByLabel('Callout of A').fill('2x M6 x 6 DEEP');
  await page.keyboard.press('Enter');
  await page.getByRole('tab', { name: 'Part' }).click();
  await page.getByLabel('left', { exact: true }).last().fill('90');
  await page.keyboard.press('Tab');
  await page.getByRole('tab', { name: /^Lay out/ }).click();
  await expect(page.getByText('The tap wrench sweeps 40.0 mm and the wall on the left').first()).toBeVisible();
  await kept(page);

  const plate = page.getByRole('application');
  const scale = async (): Promise<number> =>
    Number(/scale\(([\d.]+)\)/.exec((await plate.locator('g').first().getAttribute('transform')) ?? '')?.[1]);
  const before = await scale();
  const box = await plate.boundingBox();
  if (!box) throw new Error('no drawing');
  const cdp = await page.context().newCDPSession(page);
  const fingers = (apart: number) =>
    [-apart, apart].map((dx, i) => ({ x: box.x + box.width / 2 + dx, y: box.y + 30, id: i }));
  await cdp.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: fingers(40) });
  for (const apart of [60, 80, 100, 120])
    await cdp.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: fingers(apart) });
  await cdp.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  await expect.poll(scale).toBeGreaterThan(before * 1.8);
});

test('how a mark was made is kept with it; the zone is the joint’s, or the drawing’s own', async ({ page }) => {
  await page.goto(PLATE);
  await page.getByRole('tab', { name: 'Punch' }).click();
  await expect(page.getByText(/Dimple at least 1\.9 mm for the first drill, 8\.5 mm/)).toBeVisible();
  await page.getByRole('button', { name: 'Show the working: position zone' }).click();
  await expect(page.getByRole('dialog')).toContainText('(clearance hole − bolt) ÷ 2');
  await page.keyboard.press('Escape');
  await page.getByLabel('Marked with').selectOption('transfer-punch');
  await page.getByLabel('Position zone of A, ø').fill('0.2');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Set by you; empty it')).toBeVisible();
  await page.getByLabel('Right of the cross, mm').fill('0.11');
  await page.getByRole('button', { name: 'Record A1' }).click();
  await expect(page.getByText(/0\.11 mm off, right: outside, transfer punch through the mate/)).toBeVisible();
  // The same zone for the means of layout, in the unit that is shown; a hole with more room by its joint can take that.
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
  await page.reload();
  await page.getByRole('tab', { name: /^Lay out/ }).click();
  await page.getByRole('tab', { name: 'How to lay out' }).click();
  const zone = page.getByLabel('Position zone of A, ø');
  await expect(zone).toHaveValue('0.2 mm');
  await zone.fill('0.3');
  await page.keyboard.press('Alt+u');
  await expect(zone).toHaveValue('0.0118 in');
  await page.keyboard.press('Alt+u');
  await page.getByLabel('Clearance hole of the mate').selectOption('loose');
  await page.getByRole('button', { name: 'Use it for A' }).click();
  await expect(zone).toHaveValue('1.0 mm');
  await zone.fill('');
  await page.keyboard.press('Enter');
  await expect(zone).toHaveValue('0.5 mm');
  await expect(page.getByText('What the joint leaves')).toBeVisible();
});

test('a hole that cannot be made says so on the plate, in the room list and on the punch sheet', async ({ page }) => {
  await page.goto(PLATE);
  const line = page.getByLabel('Add: callout and place');
  await line.fill('3/8-16 UNC x 12 mm DEEP at 20,170');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('application').getByText('✕')).toBeVisible();
  await page.getByRole('tab', { name: /^Lay out/ }).click();
  await expect(page.getByRole('tabpanel', { name: 'What fits' })).toContainText('can’t be made');
  await page.getByRole('tab', { name: 'Punch' }).click();
  await expect(page.getByRole('alert').filter({ hasText: '1 can’t be made as drawn' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Record [A-Z]1$/ })).toBeDisabled();
});
