import { expect, test, type APIRequestContext } from './test';
import Ajv from 'ajv/dist/2020';

const QUESTION = { callout: 'M8 x 16 DEEP', materialId: 'steel-low-carbon', hole: { thickness: 25 } };

interface Operation {
  parameters: { name: string; in: string }[];
  requestBody?: object;
  responses: Record<string, { content?: Record<string, { schema: { $ref: string } }> }>;
}

/** What is sent to each operation that takes something, by method and path; what it changes it brings back. */
async function samples(
  request: APIRequestContext,
  id: string,
): Promise<Record<string, { body?: unknown; query?: string }>> {
  const job = await (await request.get(`/api/v1/jobs/${id}`)).json();
  const feature = { ...job.holes[0], id: 'openapi-feature', letter: undefined };
  const tool = { id: 'openapi-tool', kind: 'other', name: 'Tool' };
  return {
    'post /api/v1/answer': { body: QUESTION },
    'post /api/v1/tap-load': {
      body: { thread: 'M8', materialId: 'steel-low-carbon', drill: '6.8', depthMm: 12 },
    },
    'post /api/v1/jobs': {
      body: { id: 'openapi-job', name: 'Job', materialId: 'copper', quantity: 1, holes: [feature] },
    },
    'put /api/v1/jobs/{id}': { body: job },
    'patch /api/v1/jobs/{id}': { body: { head: { version: job.headVersion, set: { notes: 'n' } } } },
    'patch /api/v1/jobs/{id}/features/{featureId}': { body: { version: 1, set: { name: 'n' } } },
    'delete /api/v1/jobs/{id}/features/{featureId}': { query: '?version=9' },
    'post /api/v1/jobs/{id}/rehearsal': { body: { jobs: 50, seed: 3 } },
    'post /api/v1/jobs/{id}/routes': { body: { id: 'openapi-route', jobVersion: job.version } },
    'post /api/v1/records': {
      body: {
        records: [{ id: 'openapi-tick', kind: 'layout-tick', jobId: id, body: { line: 'top x 1', ticked: true } }],
      },
    },
    'post /api/v1/instruments': { body: { line: 'caliper size 8.52 mm' } },
    'post /api/v1/crib/{kind}': { body: tool },
    'post /api/v1/crib/import': { body: { tools: [{ ...tool, id: 'openapi-tool-2' }] } },
    'get /api/v1/search': { query: '?q=M8%20brass' },
    'post /api/v1/crib/missing': { body: { diameterMm: 12.3 } },
    'put /api/v1/crib/{kind}/{id}': { body: { ...tool, version: 1 } },
    'patch /api/v1/crib/{kind}/{id}': { body: { inUse: true, version: 1 } },
    'delete /api/v1/crib/{kind}/{id}': { query: '?version=2' },
    'put /api/v1/shop': { body: { version: 99, units: 'mm', habits: {} } },
    'post /api/v1/session': { body: { passcode: 'there is none' } },
    'post /api/v1/practice': {
      body: {
        practised: [
          {
            id: 'openapi-practised',
            who: 'apprentice',
            kind: 'stop',
            seed: 1,
            right: true,
            hints: 0,
            seconds: 20,
            mistake: 'stop',
            at: '2026-11-30T08:00:00.000Z',
          },
        ],
      },
    },
    'put /api/v1/practice/assignments': {
      body: { id: 'openapi-assigned', kinds: ['turns'], names: [], due: '2026-12-24', jobId: id },
    },
    'put /api/v1/learned/aside': { body: { id: 'figure lean', aside: false } },
    'get /api/v1/learned/readings': { query: '?figure=formed-minor&level=brass-cartridge' },
    'put /api/v1/access': { body: { guardsCrib: true } },
  };
}

test('every operation of the published document answers as it says', async ({ request }) => {
  const document = await (await request.get('/api/openapi.json')).json();
  const ajv = new Ajv({ strict: false, validateFormats: false });
  ajv.addSchema(document, 'api');
  // On a copy of its own, as it is changed and deleted on the way.
  const copy = await (await request.post('/api/v1/jobs/sample-job-pier-adapter-plate/duplicate')).json();
  const sent = await samples(request, copy.id);
  const path = (at: string): string =>
    at
      .replace('/crib/{kind}/{id}', '/crib/tools/openapi-tool')
      .replace('{kind}', 'tools')
      .replace('{number}', '1')
      .replace('{featureId}', 'sample-hole-plate-circle')
      .replace('{id}', copy.id);
  const called: string[] = [];
  for (const [at, methods] of Object.entries(document.paths as Record<string, Record<string, Operation>>))
    for (const [method, { requestBody, responses }] of Object.entries(methods)) {
      const name = `${method} ${at}`;
      const { body, query = '' } = sent[name] ?? {};
      expect([name, requestBody === undefined]).toEqual([name, body === undefined]);
      const response = await request.fetch(path(at) + query, { method, ...(body ? { data: body } : {}) });
      const documented = responses[response.status()];
      expect([name, response.status(), documented !== undefined]).toEqual([name, response.status(), true]);
      const [type, { schema } = { schema: undefined }] = Object.entries(documented.content ?? {})[0] ?? [];
      expect([name, response.headers()['content-type'] ?? '']).toEqual([
        name,
        type ? expect.stringContaining(type) : '',
      ]);
      if (schema) {
        const check = ajv.getSchema(`api${schema.$ref}`);
        expect([name, check?.(await response.json()), check?.errors ?? []]).toEqual([name, true, []]);
      }
      called.push(`${name} ${response.status()}`);
    }
  // Most of them are called with something that works.
  expect(called.length).toBeGreaterThan(29);
  expect(called.filter((c) => /2\d\d$/.test(c)).length).toBeGreaterThan(20);
});
