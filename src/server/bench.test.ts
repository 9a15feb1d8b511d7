import { recordInput, type RecordInput } from '@/contracts/record';
import { logQuery } from '@/contracts/log';
import { runSteps } from '@/core/route/run-steps';
import { beginSampleRun } from './demo/sample-run';
import type { TapEntry } from '@/contracts/crib';
import { listTaps } from './repositories/crib-repository';
import { changeItem } from './services/crib-service';
import { markOf, setDoor } from './access/session';
import { findRecord, listRecords } from './repositories/record-repository';
import { recordMark, takeRecords } from './services/record-service';
import { issuedRoute, issueRoute } from './services/route-service';
import { inspectionOf, recordedOf } from './services/run-service';
import { logPageOf } from './services/log-service';
import { inspectionPdf } from './services/inspection-pdf';
import { listenToInstruments, passReading } from './services/instrument-service';
import { shopDatabase } from './tests/shop-database';

const { at, refusal } = shopDatabase();
const BLOCK = 'sample-job-bearing-block';
const CLAMP = { featureId: 'sample-hole-block-clamp', holeNumber: 1 };
let next = 0;
const record = (kind: string, body: object, over: object = {}): RecordInput =>
  recordInput.parse({ id: `bench-${String(next++).padStart(4, '0')}`, jobId: BLOCK, kind, body, ...over });
const note = (happenedAt: string): RecordInput => record('note', { part: 1, text: happenedAt }, { happenedAt });

test('a record corrects one of its own hole, and nothing of another', async () => {
  const checked = record('checked', { part: 1, check: 'go', values: { turns: 5 }, verdict: 'bad' }, CLAMP);
  await takeRecords(at.db, { records: [checked] });
  const again = (over: object, part = 1): RecordInput =>
    record(
      'checked',
      { part, check: 'go', values: { turns: 24 }, verdict: 'good' },
      { ...CLAMP, corrects: checked.id, ...over },
    );
  const send = (r: RecordInput) => takeRecords(at.db, { records: [r] });
  for (const [code, wrong] of [
    ['corrects-other', again({}, 2)],
    ['corrects-other', again({ jobId: 'sample-job-pier-adapter-plate', featureId: 'sample-hole-plate-circle' })],
    ['corrects-unknown', again({ corrects: 'nowhere-1' })],
  ] as const)
    expect((await refusal(send(wrong))).errors.map((e) => e.code)).toEqual([code]);
  expect((await send(again({}))).taken).toHaveLength(1);
});

describe('clocks', () => {
  const NOW = new Date('2026-11-26T10:02:00Z');
  test('a bench a day behind: its records come where they belong among those of another; sent again they count once', async () => {
    const behind = [note('2026-11-25T10:00:00.000Z'), note('2026-11-25T10:01:00.000Z')];
    const right = note('2026-11-26T10:00:30.000Z');
    await takeRecords(at.db, { records: [right], sentAt: '2026-11-26T10:02:03Z' }, undefined, NOW);
    await takeRecords(at.db, { records: behind, sentAt: '2026-11-25T10:02:00Z' }, undefined, NOW);
    expect(await takeRecords(at.db, { records: behind, sentAt: '2026-11-25T10:05:00Z' }, undefined, NOW)).toMatchObject(
      { taken: [], refused: [] },
    );
    expect((await listRecords(at.db, BLOCK, 'bench')).map((r) => [r.id, r.happenedAt])).toEqual([
      [behind[0].id, '2026-11-26T10:00:00.000Z'],
      [right.id, '2026-11-26T10:00:27.000Z'],
      [behind[1].id, '2026-11-26T10:01:00.000Z'],
    ]);
  });
  test.each([2, 60, 1440, 29_000_000])(
    'a tablet %i min behind reads “not good” after another read “good”, and its clock is set before it sends: bad stands',
    async (minutes) => {
      const gauged = (verdict: string, happenedAt: string, device: string): RecordInput =>
        record(
          'checked',
          { part: 1, check: 'go', values: { turns: 5 }, verdict },
          { ...CLAMP, device, sequence: 2, happenedAt },
        );
      const clock = (ms: number): string => new Date(ms).toISOString();
      const [now, min] = [NOW.getTime(), 60_000];
      const other = gauged('good', clock(now - 20 * min), 'other-bench');
      await takeRecords(
        at.db,
        { records: [other], sentAt: clock(now - 20 * min) },
        undefined,
        new Date(now - 20 * min),
      );
      for (const inContact of [false, true]) {
        const device = `tablet-${inContact}`;
        const behind = (ms: number): string => clock(ms - minutes * min);
        if (inContact) {
          const first = { ...note(behind(now - 30 * min)), device, sequence: 1 };
          await takeRecords(
            at.db,
            { records: [first], sentAt: behind(now - 30 * min) },
            undefined,
            new Date(now - 30 * min),
          );
        }
        const bad = gauged('bad', behind(now - 10 * min), device);
        await takeRecords(at.db, { records: [bad], sentAt: clock(now), agoMs: { [bad.id]: 10 * min } }, undefined, NOW);
        const kept = (await listRecords(at.db, BLOCK, 'checked')).filter((r) => [other.id, bad.id].includes(r.id));
        expect([inContact, kept.map((r) => r.id), kept.at(-1)?.happenedAt]).toEqual([
          inContact,
          [other.id, bad.id],
          clock(now - 10 * min),
        ]);
      }
    },
  );
  test('one that was a day ahead when it was gauged, and right when it is sent, does not beat the later, right one', async () => {
    const device = 'tablet-1';
    const ahead = record(
      'note',
      { part: 1, text: 'bad' },
      { happenedAt: '2026-11-27T10:00:00.000Z', device, sequence: 1 },
    );
    const later = record(
      'note',
      { part: 1, text: 'good' },
      { happenedAt: '2026-11-26T10:01:00.000Z', device, sequence: 2 },
    );
    // The later one arrives by itself, before: a stored one bounds what comes after it.
    await takeRecords(at.db, { records: [later], sentAt: '2026-11-26T10:01:30Z' }, undefined, NOW);
    const receipt = await takeRecords(at.db, { records: [ahead], sentAt: '2026-11-26T10:02:00Z' }, undefined, NOW);
    expect(receipt.corrected).toEqual([ahead.id]);
    const kept = await listRecords(at.db, BLOCK, 'bench');
    expect(kept.map((r) => [r.id, r.happenedAt])).toEqual([
      [ahead.id, '2026-11-26T10:01:30.000Z'],
      [later.id, '2026-11-26T10:01:30.000Z'],
    ]);
    expect(
      (
        await takeRecords(
          at.db,
          { records: [note('2026-11-26T09:00:00Z')], sentAt: '2026-11-26T10:02:15Z' },
          undefined,
          NOW,
        )
      ).clockAheadS,
    ).toBe(15);
  });
  test('one that cannot be read is refused by itself, and a name counts with its mark', async () => {
    setDoor({ guarded: true, locked: true, key: 'k', nameKey: 'n'.repeat(32), isEnded: () => Promise.resolve(false) });
    const [fine, signed, forged] = [undefined, 'R.', 'The owner'].map((who) =>
      record('note', { part: 1, text: 'x' }, who === undefined ? {} : { who }),
    );
    const again = record('note', { part: 1, text: 'y' }, { who: 'A. at the mill' });
    const marks = {
      [signed.id]: markOf('R.'),
      [forged.id]: markOf('R.'),
      [again.id]: recordMark(again.id, 'A. at the mill'),
    };
    const records = [{ id: 'odd' }, fine, signed, forged, again];
    const receipt = await takeRecords(at.db, { records, marks }, 'The apprentice');
    expect(receipt.refused).toMatchObject([{ id: 'odd', code: 'not-readable' }]);
    expect((await listRecords(at.db, BLOCK)).map((r) => r.who)).toEqual([
      'The apprentice',
      'R.',
      'The apprentice',
      'A. at the mill',
    ]);
  });
});

test('a picture is read with its one record, of its own job, and left out of every list', async () => {
  const image = 'data:image/png;base64,AAAA';
  await takeRecords(at.db, { records: [record('photo', { part: 1, image, dxMm: 0.1, dyMm: 0 }, CLAMP)] });
  const images = async (kind: 'bench' | 'photo') =>
    (await listRecords(at.db, BLOCK, kind)).map((r) => (r.kind === 'photo' ? r.body.image : ''));
  expect([await images('bench'), await images('photo')]).toEqual([[''], ['']]);
  const [{ id }] = await listRecords(at.db, BLOCK, 'photo');
  expect(await findRecord(at.db, BLOCK, id)).toMatchObject({ id, body: { image } });
  expect(await findRecord(at.db, 'sample-job-pier-adapter-plate', id)).toBeUndefined();
});

test('the log finds a record by its own words, who, its job, metal and hole, a page of a hundred at a time', async () => {
  const image = 'data:image/png;base64,BROKEN';
  await takeRecords(at.db, {
    records: [
      record('tap-broken', { part: 1, tap: 'plug', turns: 3 }, { ...CLAMP, who: 'Ann' }),
      record('photo', { part: 1, image, dxMm: 0, dyMm: 0 }, CLAMP),
      ...Array.from({ length: 101 }, (_, i) => record('note', { part: 1, text: `n${i}` }, CLAMP)),
    ],
  });
  const found = async (query: object) => {
    const { entries, more } = await logPageOf(at.db, logQuery.parse(query));
    return [entries.length, more];
  };
  const [broken] = (await logPageOf(at.db, logQuery.parse({ q: 'broken' }))).entries;
  expect([broken.record.kind, broken.job?.id, broken.hole?.letter]).toEqual(['tap-broken', BLOCK, 'A']);
  // Nothing is found in a picture; every word has to be there.
  for (const q of ['broke', 'ann iron', 'broken a1', 'plug azimuth 3/8-16'])
    expect(await found({ q })).toEqual([1, false]);
  for (const q of ['broken a2', 'broken brass', 'bob broken']) expect(await found({ q })).toEqual([0, false]);
  expect([await found({ kind: 'trouble' }), await found({ kind: 'gauged' })]).toEqual([
    [1, false],
    [0, false],
  ]);
  expect([await found({ job: BLOCK }), await found({ job: BLOCK, page: 2 })]).toEqual([
    [100, true],
    [3, false],
  ]);
});

test('how far a job is at the bench, what waits, and its inspection sheet', async () => {
  expect((await refusal(inspectionOf(at.db, BLOCK))).status).toBe(404);
  await issueRoute(at.db, BLOCK, { id: 'bench-route-1', jobVersion: 1 });
  const recorded = async () => (await recordedOf(at.db, [BLOCK])).get(BLOCK);
  expect(await recorded()).toEqual({ scribed: 0, punched: 0, issued: { number: 1, current: true } });
  const { route } = await issuedRoute(at.db, BLOCK, 1);
  const [first, second, third] = runSteps(route);
  const of = ({ item }: typeof first) => ({ featureId: item?.featureId, holeNumber: item?.hole });
  await takeRecords(at.db, {
    records: [
      record('step-done', { step: first.key, part: 1, seconds: 41 }, { ...of(first), routeId: 'bench-route-1' }),
      record('step-skipped', { step: second.key, part: 1, reason: 'done already' }, of(second)),
      // A bench that worked without a network may tick the same step once more.
      record('step-done', { step: first.key, part: 1 }, of(first)),
    ],
  });
  expect((await recorded())?.bench).toEqual({
    done: 2,
    // The second part has its lines besides: two and one on the top, two on the side.
    steps: runSteps(route).length + 5,
    waiting: 0,
    next: `lay out ${third.item?.letter}1`,
    inHand: { part: 1, made: {}, done: { 'lay-out': 2 } },
  });
  // 38 mm of 16 threads an inch are 23.9 turns: nine are not enough.
  const gauged = (turns: number, verdict: string): RecordInput =>
    record('checked', { part: 1, check: 'go', values: { turns }, verdict, instrument: 'thread-gauge' }, CLAMP);
  await takeRecords(at.db, { records: [gauged(9, 'bad')] });
  expect((await recorded())?.bench?.waiting).toBe(1);
  await takeRecords(at.db, {
    records: [record('decision', { part: 1, choice: 'accept' }, { ...CLAMP, who: 'the one in charge' })],
  });
  const inspected = await inspectionOf(at.db, BLOCK);
  expect(inspected.rows).toMatchObject([
    { hole: 'A1', part: 1, check: 'Go gauge', verdict: 'bad', decision: 'Accept as it is', instrument: 'thread-gauge' },
  ]);
  expect((await recorded())?.bench?.waiting).toBe(0);
  expect(
    Buffer.from(await inspectionPdf(inspected, 'letter', 'Europe/London'))
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
});

test('the sample shop has a job on the bench, judged as the core judges it', async () => {
  const RING = 'sample-job-dust-cap-ring';
  await beginSampleRun(at.db);
  expect((await recordedOf(at.db, [RING])).get(RING)?.bench).toMatchObject({ waiting: 1, next: 'tap A6' });
  expect((await inspectionOf(at.db, RING)).rows.map((r) => [r.hole, r.check.split(' ')[0], r.verdict])).toEqual([
    ['A1', 'Go', 'good'],
    ['A1', 'Not-go', 'good'],
    ['A1', 'Minor', 'good'],
    ['A10', 'Minor', 'bad'],
  ]);
});

test('a reading reaches all that listen, until they stop; what is none is refused and reaches nobody', async () => {
  const heard: string[] = [];
  const stop = listenToInstruments((line) => heard.push(line));
  expect(passReading('caliper size 0.5 in')).toEqual({ line: 'caliper size 12.7 mm', heardBy: 1 });
  expect((await refusal((async () => passReading('nonsense'))())).status).toBe(422);
  stop();
  passReading('caliper size 8 mm');
  expect(heard).toEqual(['caliper size 12.7 mm']);
});

test('a tap that broke at the bench is broken in the crib; sent again, one that was renewed since stays sound', async () => {
  const condition = async () => (await listTaps(at.db)).find((t) => t.id === 'tap-m6x1-plug')?.condition;
  const broke = record('tap-broken', { part: 1, tap: 'plug', tapId: 'tap-m6x1-plug', packed: true }, CLAMP);
  const gone = record('tap-broken', { part: 1, tap: 'plug', tapId: 'tap-that-was-removed' }, CLAMP);
  expect((await takeRecords(at.db, { records: [broke, gone] })).taken).toEqual([broke.id, gone.id]);
  expect(await condition()).toBe('broken');
  const tap = (await listTaps(at.db)).find((t) => t.id === 'tap-m6x1-plug') as TapEntry;
  await changeItem(at.db, 'taps', { ...tap, condition: 'sharp' });
  expect((await takeRecords(at.db, { records: [broke] })).known).toEqual([broke.id]);
  expect(await condition()).toBe('sharp');
});
