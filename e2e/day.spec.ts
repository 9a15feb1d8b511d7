import { expect, OwnServer, test, type Page } from './test';

const PASSCODE = 'three brass taps';
// Server and browser stand on different dates for most of the day.
test.use({ timezoneId: 'Pacific/Auckland' });
const RING = '/jobs/sample-job-dust-cap-ring';
const PIER = '/jobs/sample-job-pier-adapter-plate';

/** Every view with what says that it is there. */
const VIEWS: [path: string, there: string | RegExp][] = [
  ['/', /Drill/],
  ['/jobs', 'Dust-cap ring'],
  ['/log', 'Dust-cap ring'],
  ['/log/learned', 'Minor diameter of formed threads'],
  ['/log/tools', 'M2.5x0.45 forming tap'],
  ['/log/tool?tool=tap+tap-m2-5x0-45-form', 'At work'],
  ['/log/readings?figure=formed-minor&level=brass-cartridge', 'expected now'],
  [`${RING}/holes/sample-hole-ring-circle/1`, 'Came to'],
  [RING, 'Dust-cap ring'],
  [`${RING}/bench`, /Done/],
  [`${RING}/check`, 'Go gauge'],
  [`${PIER}/plate`, 'Scribe'],
  [`${PIER}/holes`, 'M10'],
  [`${PIER}/route`, /Issue route|Issue 1/],
  [`${RING}/card`, 'By route 1'],
  [`${PIER}/sheet`, 'Height'],
  ['/crib', 'Machines'],
  ['/thread', /What thread/],
  ['/instruments', 'Caliper'],
  ['/practice', 'What comes next'],
  ['/practice/tap', 'Back until it snaps'],
  ['/practice/press', 'clear the chips'],
  ['/practice/punch', 'One firm blow'],
  ['/practice/height', 'Down to the plate'],
  ['/practice/edge', 'Here: spot it'],
  ['/practice/why?rule=torque', 'What a tap holds'],
  ['/practice/class', 'Who stands where'],
];

/**
 * What goes wrong on a page without anybody seeing it. While there is no network, requests that fail are no news; nor are
 * those that were under way when somebody signed out, and came too late.
 */
function faultsOf(page: Page) {
  const faults: string[] = [];
  const state = { offline: false, signingOut: false };
  page.on('pageerror', (error) => faults.push(`${page.url()} ${error.message}`));
  page.on('console', (line) => {
    if (line.type() !== 'error' || (state.offline && line.text().includes('net::'))) return;
    if (state.signingOut && line.text().includes('401')) return;
    faults.push(`${page.url()} ${line.text()} ${line.location().url}`);
  });
  return { faults, state };
}

/** How many records the browser keeps as waiting. */
const waitingHere = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const asked = indexedDB.open('jolly-bit');
    asked.onerror = () => reject(asked.error ?? new Error('open'));
    asked.onsuccess = () => {
      const counted = asked.result.transaction('records').objectStore('records').count();
      counted.onsuccess = () => {
        asked.result.close();
        resolve(counted.result);
      };
    };
  });

async function signIn(page: Page, who: string): Promise<void> {
  await page.getByLabel('Your name').fill(who);
  await page.getByLabel('Passcode of the shop').fill(PASSCODE);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText(who)).toBeVisible();
}

test('a day in one browser: every view twice, a file in, work without a network, signed out and in', async ({
  page,
}) => {
  test.setTimeout(600_000);
  const server = new OwnServer(3938, { PASSCODE, PUBLIC_URL: 'http://127.0.0.1:3938', TZ: 'America/Los_Angeles' });
  await server.start();
  const { faults, state } = faultsOf(page);
  try {
    await page.goto(server.address);
    await signIn(page, 'R. at the press');
    for (const round of [1, 2])
      for (const [path, there] of VIEWS) {
        await page.goto(server.address + path);
        await expect(page.getByText(there).first(), `${path}, round ${round}`).toBeVisible();
        if (path.endsWith('/bench')) await expect(page.getByRole('main')).toHaveAttribute('data-kept', 'kept');
        if (path.endsWith('/route')) await expect(page.getByRole('region', { name: 'The work' })).toBeVisible();
      }
    await page.goto(`${server.address + PIER}/plate`);
    await page.getByRole('tab', { name: 'Files' }).click();
    const rows = 'callout,face,x,y\nM5 THRU,top,20,20\n';
    await page
      .locator('input[type=file]')
      .setInputFiles({ name: 'more.csv', mimeType: 'text/csv', buffer: Buffer.from(rows) });
    await expect(page.getByRole('button', { name: 'Import', exact: true })).toBeEnabled();

    // Five steps, seen by the server; then it is gone, and a poll has failed.
    await page.goto(`${server.address + RING}/bench`);
    const bar = page.getByRole('progressbar', { name: 'Steps done' });
    const begun = Number(await bar.getAttribute('aria-valuenow'));
    const recorded = async (): Promise<number> =>
      (await (await page.request.get(`${server.address}/api/v1${RING}/records?kind=step-done`)).json()).records.length;
    const before = await recorded();
    const doneNow = (n: number) => expect(bar).toHaveAttribute('aria-valuenow', String(begun + n));
    for (let i = 1; i <= 5; i++) {
      await page.keyboard.press('Enter');
      await doneNow(i);
    }
    await expect.poll(recorded).toBe(before + 5);
    await expect(page.getByText(/to send/)).toBeHidden();
    // What was taken leaves the browser's outbox once it was read back.
    await expect.poll(() => page.evaluate(waitingHere)).toBe(0);
    state.offline = true;
    await server.kill();
    await page.waitForEvent('requestfailed');
    await page.reload();
    await doneNow(5);
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await page.getByRole('menuitem', { name: 'Note' }).click();
    await page.getByRole('button', { name: 'Hard spot' }).click();
    await expect(page.getByText('1 to send')).toBeVisible();
    await page.waitForEvent('requestfailed');
    await doneNow(5);
    await server.start();
    await expect(page.getByText(/to send/)).toBeHidden();
    state.offline = false;

    await page.goto(server.address);
    state.signingOut = true;
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page).toHaveURL(/sign-in/);
    await signIn(page, 'The apprentice');
    state.signingOut = false;
    await page.goto(`${server.address + PIER}/route`);
    await expect(page.getByRole('region', { name: 'The work' })).toBeVisible();
    expect(faults).toEqual([]);
  } finally {
    await server.end();
  }
});
