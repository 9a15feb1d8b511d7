import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';

const QUESTION = {
  callout: 'M8 x 16 DEEP',
  materialId: 'steel-low-carbon',
  hole: { thickness: 25 },
  machine: 'bench-drill-press',
};

test('the interface answers, lists and describes itself', async ({ request }) => {
  const answer = await request.post('/api/v1/answer', { data: QUESTION });
  expect(answer.status()).toBe(200);
  expect((await answer.json()).tapDrill.chosen.label).toBe('17/64');
  expect((await (await request.get('/api/v1/materials')).json()).materials).toHaveLength(25);
  expect((await (await request.get('/api/v1/threads?series=UNEF')).json()).threads[0].designation).toBe('#12-32 UNEF');
  expect((await (await request.get('/api/v1/drills?set=crib')).json()).sets[0].drills.length).toBeGreaterThan(150);
  expect((await (await request.get('/api/openapi.json')).json()).openapi).toBe('3.1.0');
});

test('bad input is a problem document, never a fault', async ({ request }) => {
  const huge = 'x'.repeat(10 * 1024 * 1024);
  const cases: [body: string, status: number][] = [
    ['{', 400],
    ['', 400],
    ['[]', 422],
    ['null', 422],
    ['"M8"', 422],
    [JSON.stringify({ ...QUESTION, callout: huge }), 413],
    [JSON.stringify({ ...QUESTION, callout: 'M8 \u0000 \ud83d\ude00' }), 422],
    [JSON.stringify({ ...QUESTION, hole: { thickness: -1e308 } }), 422],
    [JSON.stringify({ ...QUESTION, hole: { thickness: { a: [[[]]] } } }), 422],
    ['{"callout":"M8","materialId":"steel-low-carbon","targetPercent":1e999}', 422],
    [`{"callout":"M8","materialId":"steel-low-carbon","a":${'['.repeat(5000)}${']'.repeat(5000)}}`, 422],
  ];
  for (const [data, status] of cases) {
    const response = await request.post('/api/v1/answer', {
      data: Buffer.from(data),
      headers: { 'content-type': 'application/json' },
    });
    expect([data.slice(0, 40), response.status()]).toEqual([data.slice(0, 40), status]);
    expect(response.headers()['content-type']).toContain('application/problem+json');
    expect((await response.json()).errors[0].remedy).toMatch(/\w{3}/);
  }
  expect((await request.get('/api/v1/nothing')).headers()['content-type']).toContain('application/problem+json');
});

test('security headers stand on pages and answers; foreign pages may not write', async ({ request }) => {
  for (const path of ['/', '/jobs', '/api/v1/materials']) {
    const headers = (await request.get(path)).headers();
    expect(headers['content-security-policy']).toContain("frame-ancestors 'none'");
    expect(headers['content-security-policy']).not.toContain('unsafe-eval');
    expect([headers['x-content-type-options'], headers['referrer-policy'], headers['x-powered-by']]).toEqual([
      'nosniff',
      'same-origin',
      undefined,
    ]);
  }
  const write = (headers: Record<string, string>) =>
    request.delete('/api/v1/jobs/sample-job-spreader-bars', { headers });
  expect((await write({ origin: 'http://elsewhere.example' })).status()).toBe(403);
  expect((await write({ origin: 'null' })).status()).toBe(403);
  expect((await write({ 'sec-fetch-site': 'cross-site' })).status()).toBe(403);
  expect((await request.get('/api/v1/jobs/sample-job-spreader-bars')).status()).toBe(200);
});

const VIEWS = {
  'Ask, empty': '/',
  'Ask, answered': '/?callout=M8+x+16+DEEP&thickness=23&machine=bench-drill-press',
  'Ask, unreadable': '/?callout=M8+blah&depth=x',
  Jobs: '/jobs',
  'one job': '/jobs/sample-job-pier-adapter-plate',
  card: '/jobs/sample-job-spreader-bars/card',
  Crib: '/crib',
};
for (const [name, path] of Object.entries(VIEWS))
  test(`nothing serious stands in the way of anyone: ${name}`, async ({ page }) => {
    const faults: string[] = [];
    page.on('console', (m) => m.type() === 'error' && faults.push(m.text()));
    page.on('pageerror', (e) => faults.push(e.message));
    for (const size of [
      { width: 1280, height: 800 },
      { width: 390, height: 844 },
    ]) {
      await page.setViewportSize(size);
      await page.goto(path);
      await expect(page.locator('main')).toBeVisible();
      const { violations } = await new AxeBuilder({ page }).analyze();
      expect(
        violations
          .filter((v) => v.impact === 'serious' || v.impact === 'critical')
          .map((v) => `${v.id}: ${v.nodes[0].html}`),
      ).toEqual([]);
    }
    expect(faults).toEqual([]);
  });

test('the working dialog and the keep dialog are accessible too', async ({ page }) => {
  await page.goto(VIEWS['Ask, answered']);
  for (const open of ['Show the working: tapping torque', 'Keep as a job']) {
    await page.getByRole('button', { name: open }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    const { violations } = await new AxeBuilder({ page }).analyze();
    expect(violations.filter((v) => v.impact === 'serious' || v.impact === 'critical').map((v) => v.id)).toEqual([]);
    await page.keyboard.press('Escape');
  }
});
