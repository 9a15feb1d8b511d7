import { expect, inaccessible, test } from './test';

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
  expect((await (await request.get('/api/v1/materials')).json()).materials).toHaveLength(34);
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

test('the crib over HTTP: add, change from a known version, take out, put back; operations of a job', async ({
  request,
}) => {
  const tool = { id: 'http-reamer', kind: 'reamer', name: 'Reamer 5 H7', diameterMm: 5, fit: 'H7' };
  const at = '/api/v1/crib/tools';
  expect((await request.post(at, { data: tool })).status()).toBe(201);
  expect((await request.post(at, { data: tool })).status()).toBe(409);
  expect((await request.put(`${at}/http-reamer`, { data: { ...tool, condition: 'worn', version: 1 } })).status()).toBe(
    204,
  );
  expect((await request.put(`${at}/http-reamer`, { data: { ...tool, version: 1 } })).status()).toBe(409);
  const bad = await request.put(`${at}/http-reamer`, { data: { ...tool, diameterMm: 'five', version: 2 } });
  expect([bad.status(), (await bad.json()).errors[0].field]).toEqual([422, 'diameterMm']);
  expect((await request.delete(`${at}/http-reamer?version=1`)).status()).toBe(409);
  expect((await request.delete(`${at}/http-reamer`)).status()).toBe(422);
  expect((await request.delete(`${at}/http-reamer?version=2`)).status()).toBe(204);
  expect((await request.post('/api/v1/crib/spoons', { data: tool })).status()).toBe(404);
  const drill = {
    id: 'http-drill',
    caseId: 'nowhere',
    series: 'metric',
    label: '6.8',
    diameterMm: 6.8,
    pointAngleDeg: 118,
    material: 'hss',
    condition: 'sharp',
  };
  expect((await request.post('/api/v1/crib/import', { data: { drills: [drill], tools: [tool] } })).status()).toBe(404);
  expect((await request.delete(`${at}/http-reamer?version=1`)).status()).toBe(404);
  const made = await (await request.get('/api/v1/jobs/sample-job-pier-adapter-plate/operations?units=inch')).json();
  const bolts = made.features.find((f: { callout: string }) => f.callout.includes('CBORE'));
  expect(bolts.operations.map((op: { code: string }) => op.code)).toEqual([
    'lay-out',
    'start',
    'drill',
    'counterbore',
    'deburr',
    'check',
  ]);
  expect(bolts.operations[2].stop[0]).toContain(' in');
  expect((await request.get('/api/v1/jobs/nobody/operations')).status()).toBe(404);
  expect((await request.get('/api/v1/jobs/sample-job-pier-adapter-plate/operations?units=furlongs')).status()).toBe(
    422,
  );
});

test('odd methods and paths that are not text are turned away with a reason', async ({ request }) => {
  const asked = async (method: string, path: string) => {
    const response = await request.fetch(path, { method });
    return [response.status(), (await response.json()).title];
  };
  expect(await asked('PROPFIND', '/api/v1/jobs')).toEqual([405, 'No such method']);
  expect(await asked('GET', '/api/v1/jobs/%E0%A4%A')).toEqual([400, 'Not an address']);
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
  const elsewhere = { headers: { host: 'evil.example' } };
  for (const path of ['/', '/api/v1/jobs'])
    expect([path, (await request.get(path, elsewhere)).status()]).toEqual([path, 421]);
  expect((await request.delete('/api/v1/jobs/sample-job-spreader-bars', elsewhere)).status()).toBe(421);
});

test('the working dialog and the keep dialog are accessible too', async ({ page }) => {
  await page.goto('/?callout=M8+x+16+DEEP&thickness=23&machine=bench-drill-press');
  for (const open of ['Show the working: tapping torque', 'Save as a job']) {
    await page.getByRole('button', { name: open }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    expect(await inaccessible(page, open)).toEqual([]);
    await page.keyboard.press('Escape');
  }
});
