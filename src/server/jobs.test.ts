import { cpSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { createClient } from '@libsql/client';
import { drizzle } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import fc from 'fast-check';
import { v7 as uuidv7 } from 'uuid';
import { jobInput, type Job, type JobInput } from '@/contracts/job';
import { fieldsOf, jobPatch, setOf, withFields, type JobPatch } from '@/contracts/job-change';
import { partFile } from '@/contracts/part-file';
import { recordInput, type RecordInput } from '@/contracts/record';
import { BLANK_FORM } from '@/core/hole/form';
import { indexOfLetter, letterAt, nextLetter } from '@/core/layout/letters';
import { USUAL_PART } from '@/core/layout/part';
import { scribedLines } from '@/core/layout/scribed-lines';
import { MATERIALS } from '@/core/materials/materials';
import { USUAL_HABITS } from '@/core/shop/habits';
import { openDatabase } from './database';
import { checked } from './http/respond';
import { inSlices } from './in-slices';
import { listMaterials } from './repositories/crib-repository';
import { listRecords } from './repositories/record-repository';
import { patchJob } from './services/change-job';
import { changeInUse } from './services/crib-service';
import {
  createJob,
  deleteJob,
  duplicateJob,
  existingJob,
  jobsPage,
  replaceJob,
  restoreJob,
} from './services/job-service';
import { takeRecords } from './services/record-service';
import { shopNow } from './services/shop-service';
import { summariesOf } from './services/summary-service';
import { shopDatabase } from './tests/shop-database';

const { at, refusal, job } = shopDatabase();

const feature = (callout: string, over: Partial<JobInput['holes'][number]> = {}): JobInput['holes'][number] => ({
  id: uuidv7(),
  name: '',
  face: 'top',
  question: { ...BLANK_FORM, callout },
  ...over,
});
const patch = (id: string, change: Partial<JobPatch>) => patchJob(at.db, id, checked(jobPatch, change));
const letters = ({ holes }: Job): string => holes.map((h) => h.letter).join('');
const three = () => createJob(at.db, job({ holes: ['M4', 'M5', 'M6'].map((c) => feature(c)) }));

describe('a job as a whole', () => {
  test('is created, found, copied with its features’ ids, deleted and brought back whole', async () => {
    const input = job();
    const kept = await createJob(at.db, input);
    expect(kept).toMatchObject({ ...input, version: 1, nextLetter: 'B' });
    const copy = await duplicateJob(at.db, input.id);
    expect([copy.name, copy.holes, copy.id === input.id]).toEqual(['Bracket (copy)', kept.holes, false]);
    await deleteJob(at.db, input.id);
    expect((await refusal(existingJob(at.db, input.id))).status).toBe(404);
    expect((await restoreJob(at.db, input.id)).holes).toEqual(kept.holes);
    expect((await refusal(restoreJob(at.db, 'no-such-job'))).status).toBe(404);
  });

  test('the same one sent again is a success and no double; another under its id is refused', async () => {
    const input = job();
    const first = await createJob(at.db, input);
    expect(await createJob(at.db, input)).toEqual(first);
    expect((await refusal(createJob(at.db, { ...input, name: 'Other' }))).errors[0].code).toBe('job-exists');
  });

  test('is replaced from its version; an old version is refused with what changed, and changes nothing', async () => {
    const input = job();
    await createJob(at.db, input);
    const second = await replaceJob(at.db, { ...input, version: 1, name: 'Bracket, left', holes: [] });
    expect(second).toMatchObject({ version: 2, name: 'Bracket, left', holes: [] });
    const late = await refusal(replaceJob(at.db, { ...input, version: 1, name: 'Bracket, right' }));
    expect([late.status, late.errors.map((e) => e.field)]).toEqual([409, ['name', 'holes']]);
    expect(late.errors[0].detail).toContain('Bracket, left');
    expect(await existingJob(at.db, input.id)).toEqual(second);
    expect((await refusal(replaceJob(at.db, { ...job(), version: 1 }))).status).toBe(404);
    // What is decided of its route is of the job: alone it is a change, left out it stays, and a copy has it.
    const third = await replaceJob(at.db, { ...second, route: { hoursPerDay: 3 } });
    expect([third.version, third.route]).toEqual([second.version + 1, { hoursPerDay: 3 }]);
    const { route: _, ...rest } = third;
    expect((await replaceJob(at.db, rest)).route).toEqual({ hoursPerDay: 3 });
    expect((await duplicateJob(at.db, third.id)).route).toEqual({ hoursPerDay: 3 });
  });

  test('what a job may not be is named field by field; counts are multiplied before anything is expanded', async () => {
    const bad = {
      ...job(),
      id: 'x',
      name: ' ',
      quantity: 1.5,
      holes: [{ id: uuidv7(), name: '', question: { ...BLANK_FORM, callout: '', extra: 1 } }],
    };
    const { status, errors } = await refusal(() => checked(jobInput, bad));
    expect(status).toBe(422);
    expect(errors.map((e) => e.field).sort()).toEqual([
      'holes.0.question.callout',
      'holes.0.question.extra',
      'id',
      'name',
      'quantity',
    ]);
    const grid = (columns: number, rows: number) =>
      feature('ø1 THRU', { place: { kind: 'grid', x: 0, y: 0, columns, rows, dx: 0.01, dy: 0.01 } });
    const flood = { ...job(), holes: Array.from({ length: 20 }, () => grid(999, 999)) };
    const begun = performance.now();
    expect((await refusal(() => checked(jobInput, flood))).errors[0].detail).toBe(
      'With its patterns this job has 19960020 holes; at most 2500. Split it into two jobs.',
    );
    expect(performance.now() - begun).toBeLessThan(500);
    expect((await refusal(() => checked(jobInput, { ...job(), holes: [grid(150, 130)] }))).errors[0].field).toBe(
      'holes',
    );
    const twice = feature('M4');
    expect((await refusal(() => checked(jobInput, { ...job(), holes: [twice, twice] }))).errors[0].detail).toContain(
      'share an id',
    );
    const full = await createJob(at.db, checked(jobInput, { ...job(), holes: [grid(50, 50)] }));
    const over = await refusal(patch(full.id, { add: [feature('M4', { place: { kind: 'point', x: 0, y: 0 } })] }));
    expect([over.status, over.detail]).toEqual([422, expect.stringContaining('2501 holes; at most 2500')]);
    expect((await existingJob(at.db, full.id)).holes).toHaveLength(1);
  });
});

describe('a change', () => {
  test('of one field of a question leaves its others as they are; units are set and taken back', async () => {
    const { id, holes } = await three();
    const set = (version: number, question: object) => ({
      features: [{ id: holes[1].id, version, set: { question } }],
    });
    await patch(id, set(1, { existing: '3', way: 'hand-free' }));
    await patch(id, { ...set(2, { percent: '70' }), head: { version: 1, set: { units: 'inch' } } });
    const inch = await existingJob(at.db, id);
    expect([inch.units, inch.holes[1].question]).toMatchObject([
      'inch',
      { existing: '3', way: 'hand-free', percent: '70' },
    ]);
    await patch(id, { head: { version: 2, set: { units: null } } });
    expect((await existingJob(at.db, id)).units).toBeUndefined();
  });

  test('of other fields than others changed is merged; of the same, both are shown and nothing is made', async () => {
    const { id, holes } = await three();
    const set = (version: number, fields: object) => ({ features: [{ id: holes[1].id, version, set: fields }] });
    expect(await patch(id, set(1, { question: { callout: 'M5 x 8 DEEP' } }))).toMatchObject({
      version: 2,
      before: 1,
      features: [{ version: 2, letter: 'B' }],
    });
    await patch(id, set(1, { name: 'lid', question: { depth: '8' } }));
    const late = await refusal(
      patch(id, { ...set(1, { question: { callout: 'M5 THRU' } }), head: { version: 1, set: { notes: 'n' } } }),
    );
    expect([late.status, late.errors]).toEqual([
      409,
      [
        {
          field: `features.${holes[1].id}.question.callout`,
          code: 'changed-meanwhile',
          detail: 'It is now “M5 x 8 DEEP”.',
          remedy: expect.any(String),
        },
      ],
    ]);
    const now = await existingJob(at.db, id);
    expect(late.partial).toEqual(now);
    expect([now.notes, now.holes[1].name, now.holes[1].question.callout, now.holes[1].question.depth]).toEqual([
      '',
      'lid',
      'M5 x 8 DEEP',
      '8',
    ]);
    // From the version that it got back, the same is made.
    await patch(id, set(now.holes[1].version, { question: { callout: 'M5 THRU' } }));
    expect((await existingJob(at.db, id)).holes[1].question.callout).toBe('M5 THRU');
  });

  test('sent again is made once: by its id whatever happened since, and by its values', async () => {
    const { id } = await three();
    const change = { change: 'change-0001', head: { version: 1, set: { name: 'Second' } } };
    await patch(id, change);
    await patch(id, { head: { version: 2, set: { name: 'Third' } } });
    // What it came to then, not what others made of the job since.
    expect(await patch(id, change)).toMatchObject({ version: 2, headVersion: 2, before: 1 });
    expect(await patch(id, { head: { version: 1, set: { name: 'Third' } } })).toMatchObject({ version: 3 });
    expect((await existingJob(at.db, id)).name).toBe('Third');
    const added = { add: [feature('M8')] };
    await patch(id, added);
    expect(await patch(id, added)).toMatchObject({ version: 4 });
    expect((await refusal(patch(id, { add: [{ ...added.add[0], name: 'other' }] }))).errors[0].code).toBe(
      'feature-exists',
    );
  });

  test('gives letters once: A, B, D stay after C is removed; what comes back has its own', async () => {
    const { id, holes } = await three();
    await patch(id, { add: [feature('M8')], remove: [{ id: holes[2].id, version: 1 }] });
    expect(letters(await existingJob(at.db, id))).toBe('ABD');
    await patch(id, { add: [feature('M10', { letter: 'C' })] });
    expect(letters(await existingJob(at.db, id))).toBe('ABDE');
    await patch(id, { add: [holes[2]] });
    expect(letters(await existingJob(at.db, id))).toBe('ABCDE');
    await patch(id, { features: [{ id: holes[2].id, version: 2, set: { position: -1 } }] });
    expect(letters(await existingJob(at.db, id))).toBe('CABDE');
    // Of two who move the same feature the last one counts.
    await patch(id, { features: [{ id: holes[2].id, version: 2, set: { position: 9 } }] });
    expect(letters(await existingJob(at.db, id))).toBe('ABDEC');
    await patch(id, { add: [feature('M3', { letter: 'Z' }), feature('M3', { letter: 'Z' })] });
    expect((await existingJob(at.db, id)).holes.slice(-2).map((h) => h.letter)).toEqual(['Z', 'AA']);
    expect([letterAt(25), letterAt(26), letterAt(702), nextLetter(['A', 'ZZ']), nextLetter([])]).toEqual([
      'Z',
      'AA',
      'AAA',
      'AAA',
      'A',
    ]);
    fc.assert(fc.property(fc.nat(20000), (n) => expect(indexOfLetter(letterAt(n))).toBe(n)));
  });

  test('of what was removed, and a removal of what was changed, is for people to decide', async () => {
    const { id, holes } = await three();
    const [a, b] = holes;
    await patch(id, { remove: [{ id: a.id, version: 1 }], features: [{ id: b.id, version: 1, set: { name: 'lid' } }] });
    const codes = async (change: Partial<JobPatch>) => (await refusal(patch(id, change))).errors.map((e) => e.code);
    expect(await codes({ features: [{ id: a.id, version: 1, set: { name: 'x' } }] })).toEqual(['removed-meanwhile']);
    expect(await codes({ remove: [{ id: b.id, version: 1 }] })).toEqual(['changed-meanwhile']);
    expect(await patch(id, { remove: [{ id: a.id, version: 1 }] })).toMatchObject({ version: 2 });
  });

  test('every field goes there and back: what a change may set is what a feature has', () => {
    const whole = {
      ...feature('M5'),
      place: { kind: 'point', x: 1, y: 2 },
      exit: { dx: 1, dy: 0 },
      edits: { dropped: ['start'] },
    };
    const { id: _, ...own } = whole;
    expect(withFields({ id: whole.id }, fieldsOf(setOf(fieldsOf(own)) as never))).toEqual(whole);
    const gone = fieldsOf({ place: null, exit: null } as never);
    expect(Object.keys(withFields(own, gone)).sort()).toEqual(['edits', 'face', 'name', 'question']);
  });

  test('a part goes out and comes in with every field of its features', async () => {
    const stud = { kind: 'circle', x: 0, y: 0, diameter: 40, divisions: 4, startDeg: 45, skip: [2] } as const;
    const first = feature('3x M4 THRU', {
      place: { ...stud, skip: [2] },
      edits: { overrides: { drill: { rpm: 330 } } },
    });
    const second = feature('M4', { place: { kind: 'mirror', of: first.id, axis: 'x', at: 0 }, exit: { dx: 3, dy: 0 } });
    const part = {
      stock: { shape: 'disc', diameterMm: 90, thicknessMm: 8 },
      condition: 'soft',
      datums: { top: { x: 'right', y: 'top' } },
    } as const;
    const kept = await createJob(at.db, job({ part, holes: [first, second] }));
    const file = partFile.parse(
      JSON.parse(
        JSON.stringify({ format: 'jolly-bit part', version: 1, name: 'x', part: kept.part, features: kept.holes }),
      ),
    );
    const twice = await createJob(at.db, job({ part: file.part, holes: file.features }));
    expect([twice.part, twice.holes]).toEqual([part, kept.holes]);
    expect(kept.holes).toMatchObject([first, second]);
  });
});

test('jobs are found by words of their name, notes, callouts and metal, a page at a time', async () => {
  const { materials } = await shopNow(at.db);
  const find = async (search: string, page = 1) => {
    const { jobs, ...rest } = await jobsPage(at.db, materials, { search, page });
    return { ids: jobs.map((j) => j.id.replace('sample-job-', '')), ...rest };
  };
  expect((await find('M2.5 brass')).ids).toEqual(['dust-cap-ring']);
  expect((await find('TRUNNION')).ids).toEqual(['fork-trunnion']);
  expect((await find('%')).ids).toEqual([]);
  const made = await createJob(at.db, job({ name: '100 % plate', notes: 'from _stock_' }));
  expect((await find('100 % _stock_')).ids).toEqual([made.id]);
  await patch(made.id, { add: [feature('7/16-20 THRU', { name: 'handle' })] });
  expect((await find('handle 7/16-20')).ids).toEqual([made.id]);
  // A callout that was changed is found by what it is now, and no longer by what it was.
  const changed = (await existingJob(at.db, made.id)).holes[1];
  await patch(made.id, {
    features: [{ id: changed.id, version: changed.version, set: { question: { callout: '5/8-11 THRU' } } }],
  });
  expect([(await find('handle 7/16-20')).ids, (await find('handle 5/8-11')).ids]).toEqual([[], [made.id]]);
  for (let i = 0; i < 95; i++) await createJob(at.db, job({ name: `Batch ${i}` }));
  expect([(await find('batch')).total, (await find('batch', 2)).ids.length, (await find('batch')).pages]).toEqual([
    95, 45, 2,
  ]);
});

test('a summary holds until its job or the crib changes', async () => {
  const { jobs } = await jobsPage(at.db, [], { search: 'pier' });
  const drill = async () => (await summariesOf(at.db, jobs)).get(jobs[0].id)?.lines[0].drill?.name;
  expect(await drill()).toBe('8.5 mm');
  const rows = async () => (await at.client.execute('SELECT job_version, crib_revision FROM job_summaries')).rows;
  const [before] = await rows();
  await drill();
  expect(await rows()).toEqual([before]);
  await at.client.execute("UPDATE job_summaries SET summary = replace(summary, '8.5 mm', 'kept')");
  expect(await drill()).toBe('kept');
  await changeInUse(at.db, 'cases', 'fraction-index', { inUse: false, version: 1 });
  expect(await drill()).toBe('8.5 mm');
  const { id, version } = (await existingJob(at.db, jobs[0].id)).holes[0];
  await patch(jobs[0].id, { features: [{ id, version, set: { question: { callout: '3x M8 x 8 DEEP' } } }] });
  const [now] = (await jobsPage(at.db, [], { search: 'pier' })).jobs;
  expect((await summariesOf(at.db, [now])).get(now.id)?.lines[0].callout).toBe('3x M8 x 8 DEEP');
});

describe('records', () => {
  const mark = (jobId: string, featureId: string, over: object = {}): RecordInput =>
    checked(recordInput, {
      id: uuidv7(),
      kind: 'punch-mark',
      jobId,
      featureId,
      holeNumber: 1,
      body: { dxMm: 0.1, dyMm: 0, zoneMm: 0.5, means: 'transfer-punch' },
      ...over,
    });
  const tick = (jobId: string, line: string, ticked = true): RecordInput => ({
    id: uuidv7(),
    kind: 'layout-tick',
    jobId,
    body: { line, ticked },
  });

  test('are appended and never changed; sent again they count once; an id of another is refused', async () => {
    const { id, holes } = await three();
    const first = mark(id, holes[0].id);
    const better = mark(id, holes[0].id, { corrects: first.id, body: { dxMm: 0.02, dyMm: 0, zoneMm: 0.5 } });
    expect(await takeRecords(at.db, { records: [first, better] })).toEqual({
      taken: [first.id, better.id],
      known: [],
      refused: [],
      corrected: [],
    });
    expect(await takeRecords(at.db, { records: [{ ...first, who: 'another at the bench' }] })).toMatchObject({
      taken: [],
      known: [first.id],
    });
    const other = { ...first, body: { ...first.body, dxMm: 9 } } as RecordInput;
    const next = tick(id, 'top x 30.000');
    expect(await takeRecords(at.db, { records: [other, next, next] })).toMatchObject({
      taken: [next.id],
      known: [next.id],
      refused: [{ id: first.id, code: 'id-taken' }],
    });
    expect((await listRecords(at.db, id, 'punch-mark')).map((r) => [r.body, r.corrects])).toEqual([
      [first.body, undefined],
      [better.body, first.id],
    ]);
    // Of those under one id the first that can be of its job counts.
    const here = mark(id, holes[0].id);
    const batch = [{ ...here, holeNumber: 9 }, here, { ...here, body: other.body }] as RecordInput[];
    expect(await takeRecords(at.db, { records: batch })).toMatchObject({
      taken: [here.id],
      refused: [{ code: 'id-taken' }, { code: 'id-taken' }],
    });
    expect((await listRecords(at.db, id, 'punch-mark')).at(-1)).toMatchObject({ holeNumber: 1, body: here.body });
  });

  test('on a hole that is not there are refused and said; on one that was removed since they are taken', async () => {
    const grid = feature('4x M4', { place: { kind: 'row', x: 0, y: 0, count: 4, pitch: 10, angleDeg: 0 } });
    const mirrored = feature('M4', { place: { kind: 'mirror', of: grid.id, axis: 'x', at: 0 } });
    const { id } = await createJob(at.db, job({ holes: [grid, mirrored] }));
    const why = async (record: RecordInput) => (await refusal(takeRecords(at.db, { records: [record] }))).detail;
    expect(await why(mark(id, grid.id, { holeNumber: 5 }))).toBe('Feature A has 4 holes; there is no A5.');
    expect(await why(mark(id, mirrored.id, { holeNumber: 5 }))).toBe('Feature B has 4 holes; there is no B5.');
    expect(await why(mark(id, uuidv7()))).toBe('This job has no such feature.');
    const ring = [feature('M5'), feature('M5')];
    ring.forEach((f, i) => Object.assign(f, { place: { kind: 'offset', of: ring[1 - i].id, dx: 5, dy: 0 } }));
    const { id: round } = await createJob(at.db, job({ holes: ring }));
    expect(await why(mark(round, ring[0].id))).toBe('Feature A has 0 holes; there is no A1.');
    expect(await why(mark('no-such-job', grid.id))).toBe('There is no such job.');
    await patch(id, { remove: [{ id: grid.id, version: 1 }] });
    expect((await takeRecords(at.db, { records: [mark(id, grid.id, { holeNumber: 4 })] })).taken).toHaveLength(1);
  });

  test('a line is scribed until its tick is taken off', async () => {
    const { id } = await three();
    await takeRecords(at.db, {
      records: [tick(id, 'top y 12.000'), tick(id, 'top x 30.000'), tick(id, 'top y 12.000', false)],
    });
    const ticks = (await listRecords(at.db, id, 'layout-tick')) as Parameters<typeof scribedLines>[0];
    expect([...scribedLines(ticks)]).toEqual(['top x 30.000']);
  });
});

test('work in slices lets others in between, and ends with a reason when it takes too long', async () => {
  const spin = (ms: number): void => {
    const end = performance.now() + ms;
    while (performance.now() < end);
  };
  let others = 0;
  const timer = setInterval(() => others++, 1);
  expect(await inSlices([1, 2, 3, 4], (n) => (spin(12), n * n))).toEqual([1, 4, 9, 16]);
  clearInterval(timer);
  expect(others).toBeGreaterThan(1);
  const late = await refusal(inSlices([1, 2, 3], () => spin(12), 10));
  expect([late.status, late.errors[0].code]).toEqual([503, 'too-long']);
});

describe('an older database is brought up with everything in it', () => {
  const { entries, ...journal } = JSON.parse(readFileSync('drizzle/meta/_journal.json', 'utf8')) as {
    entries: { tag: string }[];
  };
  const states = entries.slice(0, -1).map(({ tag }, i) => [tag, i + 1] as const);

  test.each(states)('from %s', async (_, state) => {
    const old = path.join(at.folder, 'old');
    cpSync('drizzle', old, { recursive: true });
    const kept = { ...journal, entries: entries.slice(0, state) };
    writeFileSync(path.join(old, 'meta/_journal.json'), JSON.stringify(kept));
    const url = `file:${at.folder}/old-shop.db`;
    const before = createClient({ url });
    await migrate(drizzle(before), { migrationsFolder: old });
    const run = (sql: string, args: (string | number | null)[] = []) => before.execute({ sql, args });
    await run(
      "INSERT INTO jobs (id, name, material_id, quantity, notes) VALUES ('job-old-1', 'Old Job', 'copper', 3, 'Café')",
    );
    const question = (callout: string): string => JSON.stringify({ ...BLANK_FORM, callout });
    const hasHoles = state <= 6;
    // As many as need three letters, in an order that is not that of their ids.
    if (hasHoles)
      await before.batch(
        Array.from({ length: 704 }, (_, i) => ({
          sql: 'INSERT INTO job_holes (id, job_id, position, name, question) VALUES (?, ?, ?, ?, ?)',
          args: [`hole-old-${(i * 7) % 704}`, 'job-old-1', i, `no ${i}`, question(i === 0 ? 'M5 THRU' : 'ø5')],
        })),
        'write',
      );
    if (hasHoles && state >= 2)
      await run(
        "INSERT INTO punch_marks (id, job_id, hole_id, number, dx_mm, dy_mm, zone_mm, at) VALUES ('mark-001', 'job-old-1', 'hole-old-0', 2, 0.1, -0.05, 0.4, '2026-11-20T10:00:00.000Z')",
      );
    if (hasHoles && state >= 3) {
      await run("UPDATE punch_marks SET means = 'glass'");
      await run("INSERT INTO layout_ticks (job_id, line) VALUES ('job-old-1', 'top x 12.000')");
    }
    if (state <= 4)
      await run(
        "INSERT INTO shop (id, name, units, step_rule, tap_names, formed_looser) VALUES ('shop', 'Old shop', 'inch', 'below', 'taper-second-plug', 1)",
      );
    // Until the fifth state whether a metal runs dry stood in the words for its fluid alone.
    const { runsDry: _r, ...iron } = MATERIALS[0];
    for (const [id, lubricant] of [
      ['iron', 'dry or air'],
      ['steel', 'sulphurized oil, never dry'],
    ])
      await run('INSERT INTO materials (id, material, position) VALUES (?, ?, 0)', [
        id,
        JSON.stringify({ ...iron, id, lubricant }),
      ]);
    before.close();

    const after = await openDatabase(url);
    const copies = readdirSync(path.join(at.folder, 'backups')).filter((f) => f.startsWith('old-shop.before-update'));
    expect(copies).toHaveLength(1);
    if (state < 6)
      expect((await listMaterials(after.db)).slice(0, 3).map((m) => [m.id, m.runsDry])).toEqual([
        ['iron', true],
        ['steel', false],
        ['acrylic', true],
      ]);
    const found = await existingJob(after.db, 'job-old-1');
    expect(found).toMatchObject({ name: 'Old Job', quantity: 3, part: USUAL_PART, version: 1, headVersion: 1 });
    if (hasHoles) {
      expect(found.holes.map((h) => h.letter)).toEqual(found.holes.map((_h, i) => letterAt(i)));
      expect([found.holes[703].name, found.holes[703].letter, found.nextLetter]).toEqual(['no 703', 'AAB', 'AAC']);
      expect(found.holes[0]).toMatchObject({ face: 'top', version: 1, question: { callout: 'M5 THRU' } });
      expect((await jobsPage(after.db, [], { search: 'm5 old' })).total).toBe(1);
    }
    const records = await listRecords(after.db, 'job-old-1');
    if (hasHoles && state >= 3)
      expect(records.map(({ id: _i, arrivedAt: _a, happenedAt: _h, arrival: _n, ...r }) => r)).toEqual(
        expect.arrayContaining([
          {
            kind: 'punch-mark',
            jobId: 'job-old-1',
            featureId: 'hole-old-0',
            holeNumber: 2,
            body: { dxMm: 0.1, dyMm: -0.05, zoneMm: 0.4, means: 'glass' },
          },
          { kind: 'layout-tick', jobId: 'job-old-1', body: { line: 'top x 12.000', ticked: true } },
        ]),
      );
    for (const { arrivedAt, arrival: _, ...record } of records) {
      expect(checked(recordInput, record)).toEqual(record);
      expect(arrivedAt).toBe(record.happenedAt);
    }
    // The habits that the first states had columns for come along; from the fourth on they live elsewhere.
    if (state < 4)
      expect((await shopNow(after.db)).habits).toEqual({
        ...USUAL_HABITS,
        stepRule: 'below',
        tapNames: 'taper-second-plug',
        formed: 'looser',
      });
    after.client.close();
  });
});
