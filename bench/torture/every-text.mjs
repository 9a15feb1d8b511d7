// Every text of every operation of the published interface, and every page, with texts that nobody types: what must come back
// is an answer or a refusal.
const OWN = Object.getOwnPropertyNames(Object.prototype);

/** Texts that are no trade's. */
export const ODD = [
  'A\ud83d',
  '\udc00',
  '\ud83d\ud83d\ude00',
  '\ude00\ud83d',
  'a\u0000b',
  '\u0000',
  '\u0001\u0008\u001f',
  '\u007f\u0085',
  '\u202eabc\u202c',
  '\u2066\u05d0\u05d1\u2069',
  '\ufeffM8',
  '\uffff\ufffe',
  'e\u0301'.repeat(60),
  '\ud83d\udc68\u200d\ud83d\udc69\u200d\ud83d\udc67',
  'x'.repeat(100_000),
  '1'.repeat(4_000),
  '9'.repeat(400),
  '1e999',
  '-0',
  'NaN',
  'Infinity',
  '0x1F',
  '1,5',
  '08',
  'true',
  'null',
  '',
  ' ',
  '\r\n\t',
  "'; drop table records; --",
  '"*" OR NEAR(',
  '%00%ff',
  '..%2f..%2fetc',
  '../../x',
  '<img src=x onerror=alert(1)>',
  '{"a":"\\ud83d"}',
  '"\\ud800"',
  '2026-13-45',
  '0001-01-01',
  ...OWN.slice(0, 5),
  '__proto__',
];

const SAMPLES = [
  'text-sample-1',
  'A',
  'figure lean',
  '50.02',
  '2026-12-24',
  '2026-12-24T08:00:00Z',
  'data:image/png;base64,AAAA',
  '',
];

/** Values that a schema takes, each with all of its fields: one for each of its shapes. */
function samplesOf(schema, components, depth = 0) {
  if (depth > 8) return [null];
  if (schema.$ref) return samplesOf(components[schema.$ref.split('/').at(-1)], components, depth + 1);
  if (schema.const !== undefined) return [schema.const];
  if (schema.enum) return [schema.enum[0]];
  const shapes = schema.anyOf ?? schema.oneOf;
  if (shapes) return shapes.flatMap((s) => samplesOf(s, components, depth + 1));
  if (schema.allOf) return samplesOf(Object.assign({}, ...schema.allOf), components, depth + 1);
  switch (schema.type) {
    case 'object': {
      const fields = Object.entries(schema.properties ?? {}).map(([k, s]) => [k, samplesOf(s, components, depth + 1)]);
      if (schema.additionalProperties?.type)
        fields.push(['k', samplesOf(schema.additionalProperties, components, depth + 1)]);
      const most = Math.max(1, ...fields.map(([, all]) => all.length));
      return Array.from({ length: most }, (_, i) =>
        Object.fromEntries(fields.map(([k, all]) => [k, all[i % all.length]])),
      );
    }
    case 'array':
      return samplesOf(schema.items ?? {}, components, depth + 1).map((one) => [one]);
    case 'string': {
      const fits = (s) =>
        s.length >= (schema.minLength ?? 0) && (!schema.pattern || new RegExp(schema.pattern, 'u').test(s));
      return [SAMPLES.find(fits) ?? 'x'];
    }
    case 'number':
    case 'integer':
      return [Math.min(schema.maximum ?? 1, Math.max(schema.minimum ?? 1, (schema.exclusiveMinimum ?? 0) + 1))];
    case 'boolean':
      return [true];
    default:
      return [null];
  }
}

/** Where texts stand in a value, names of fields that may be any included. */
function textsIn(value, path = []) {
  if (typeof value === 'string') return [path];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, one]) => textsIn(one, [...path, key]));
}
function withText(value, [key, ...rest], text) {
  if (key === undefined) return text;
  const copy = Array.isArray(value) ? [...value] : { ...value };
  copy[key] = withText(value[key], rest, text);
  return copy;
}

const ASK = ['callout', 'material', 'drill', 'taps', 'depth', 'units', 'machine', 'percent'];
const QUERIES = [
  ...[
    'q',
    'kind',
    'job',
    'metal',
    'tool',
    'from',
    'to',
    'page',
    'search',
    'figure',
    'level',
    'hole',
    'part',
    'face',
    'tab',
  ],
  ...['gauge', 'paper', 'route', 'seed', 'kinds', 'rule', 'next', 'about', 'set', ...ASK],
];
const job = (id) =>
  ['', '/plate', '/holes', '/route', '/bench', '/check', '/papers', '/log', '/card', '/sheet', '/to-buy'].map(
    (view) => `/jobs/${id}${view}`,
  );
const PAGES = [
  ...[
    '/',
    '/jobs',
    '/log',
    '/log/learned',
    '/log/readings',
    '/log/tool',
    '/log/tools',
    '/crib',
    '/crib/to-buy',
    '/thread',
  ],
  ...['/practice', '/practice/class', '/practice/sheet', '/practice/why', '/practice/tap', '/set-up', '/sign-in'],
  ...['/log.csv', '/log.json', '/practice.csv'],
];

/**
 * Sends them all.
 * @param document the published interface
 * @param ids a job and one of its features
 * @param take which of the requests, by their count: all where left out
 * @returns how many were sent, by status, and which got an answer that none may give
 */
export async function everyText(base, document, ids, { take = () => true, lanes = 8 } = {}) {
  const {
    components: { schemas },
  } = document;
  const requests = [];
  const add = (name, at, init) => requests.push({ name, at, init });
  const place = (at, over = {}) =>
    at.replace(/\{(\w+)\}/g, (_, name) =>
      encodeURIComponent(over[name] ?? { ...ids, kind: 'tools', number: '1', name: 'nobody' }[name]),
    );
  for (const [at, methods] of Object.entries(document.paths))
    for (const [method, { requestBody, parameters }] of Object.entries(methods)) {
      const name = `${method} ${at}`;
      for (const parameter of parameters)
        for (const text of ODD) {
          const odd = text.toWellFormed();
          const path = parameter.in === 'path' ? place(at, { [parameter.name]: odd }) : place(at);
          const query = parameter.in === 'query' ? `?${new URLSearchParams({ [parameter.name]: odd })}` : '';
          // What is deleted by its right name is gone for the rest.
          if (method !== 'delete' || parameter.in === 'path')
            add(`${name} ${parameter.name}`, path + query, { method: method.toUpperCase() });
        }
      if (!requestBody) continue;
      const { schema } = requestBody.content['application/json'];
      const kinds = at.includes('{kind}') ? ['tools', 'machines', 'materials', 'drills', 'taps', 'cases'] : ['tools'];
      const bodies =
        at === '/api/v1/records'
          ? samplesOf({ $ref: 'RecordInput' }, schemas).map((one) => ({
              records: [{ ...one, jobId: ids.id, featureId: one.featureId && ids.featureId }],
              sentAt: '2026-12-02T08:00:00Z',
            }))
          : samplesOf(schema, schemas);
      for (const kind of kinds) {
        // Shapes share most of their fields: each field once.
        const tried = new Set();
        for (const body of bodies) {
          const shape = body.records?.[0].kind ?? body.kind ?? '';
          for (const path of textsIn(body)) {
            const field = `${shape} ${path.join('.')}`;
            if (tried.has(field)) continue;
            tried.add(field);
            for (const text of ODD)
              add(`${name} ${field}`, place(at, { kind }), {
                method: method.toUpperCase(),
                headers: { 'content-type': 'application/json' },
                body: JSON.stringify(withText(body, path, text)),
              });
          }
        }
      }
    }
  for (const page of [...PAGES, ...job(ids.id), ...job('sample-job-dust-cap-ring')])
    for (const text of ODD) {
      const odd = text.toWellFormed().slice(0, 300);
      add(`page ${page}`, `${page}?${new URLSearchParams(QUERIES.map((q) => [q, odd]))}`, {});
      if (page.startsWith('/log'))
        for (const q of QUERIES.slice(0, 11))
          add(`page ${page} ${q}`, `${page}?${new URLSearchParams({ [q]: odd })}`, {});
    }
  for (const text of ODD) {
    const odd = encodeURIComponent(text.toWellFormed()).slice(0, 2000);
    add('cookie', '/', { headers: { cookie: `jolly-bit-session=${odd}; units=${odd}` } });
    add('headers', '/jobs', {
      headers: { 'if-none-match': odd, 'accept-language': odd, rsc: '1', 'next-router-state-tree': odd },
    });
  }
  const sent = requests.filter((_, i) => take(i));
  const counts = {};
  const bad = [];
  let next = 0;
  await Promise.all(
    Array.from({ length: lanes }, async () => {
      while (next < sent.length) {
        const { name, at, init } = sent[next++];
        let status;
        try {
          const response = await fetch(base + at, { redirect: 'manual', ...init });
          await response.arrayBuffer();
          ({ status } = response);
        } catch (error) {
          status = `none (${error.cause?.code ?? error.message})`;
        }
        counts[status] = (counts[status] ?? 0) + 1;
        if (!(status < 500 || status === 503) && bad.length < 20)
          bad.push(`${status} ${name} ${JSON.stringify(init.body ?? at).slice(-160)}`);
      }
    }),
  );
  return { sent: sent.length, counts, bad };
}
