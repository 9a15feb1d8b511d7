import { BLANK_FORM } from '@/core/hole/form';
import { logQuery } from '@/contracts/log';
import type { RecordInput } from '@/contracts/record';
import { besidePlan } from '@/core/learning/beside-plan';
import { mm } from '@/core/answer/answer';
import { showText, tell } from '@/core/units/show';
import { addSampleLog } from './demo/sample-log';
import { takeSampleOut } from './demo/sample-out';
import { createJob, existingJob } from './services/job-service';
import { changeAside, forgetLearned, learnedMark, learnedNow, livesNow } from './services/learned-service';
import { learnedPageOf, readingsPageOf, toolPageOf, toolsPageOf } from './services/learned-view';
import { logPageOf } from './services/log-service';
import { takeRecords } from './services/record-service';
import { holeMade, recordedOf } from './services/run-service';
import { issuedRoute, issueRoute, routeOf } from './services/route-service';
import { runSteps } from '@/core/route/run-steps';
import { summariesOf } from './services/summary-service';
import { shopNow } from './services/shop-service';
import { dayBegins } from './services/zone-service';
import { shopDatabase } from './tests/shop-database';

const { at, job: bracket } = shopDatabase();
const JOB = 'job-of-the-plate';
const DRILL = 'drill metric-index-hss-5.0';
const LEVEL = `hss|to 6|steel-low-carbon|centre-drill|${DRILL}`;

/** A plate with four M6 through, issued. */
async function issued(): Promise<void> {
  const question = {
    ...BLANK_FORM,
    callout: '4x M6 THRU',
    machine: 'bench-drill-press',
    start: 'centre-drill' as const,
  };
  const place = { kind: 'row' as const, x: 20, y: 20, count: 4, pitch: 20, angleDeg: 0 };
  const part = {
    stock: { shape: 'plate' as const, widthMm: 100, heightMm: 40, thicknessMm: 12 },
    condition: '',
    datums: {},
  };
  const holes = [{ id: 'feature-of-it', name: '', face: 'top' as const, question, place }];
  await createJob(at.db, bracket({ id: JOB, name: 'Plate', quantity: 1, part, holes }));
  await issueRoute(at.db, JOB, { id: 'issue-of-it', jobVersion: 1 });
}
let next = 0;
const record = (kind: RecordInput['kind'], holeNumber: number, body: object, over: object = {}): RecordInput =>
  ({
    id: `record-${++next}`,
    kind,
    jobId: JOB,
    routeId: 'issue-of-it',
    featureId: 'feature-of-it',
    holeNumber,
    body: { part: 1, ...body },
    ...over,
  }) as RecordInput;
const pins = (hole: number, inMm: number, over: object = {}): RecordInput =>
  record('checked', hole, { check: 'minor', values: { in: inMm, out: inMm + 0.01 }, verdict: 'good' }, over);
/** Takes records in, and waits until they are observed. */
async function take(...records: RecordInput[]): Promise<void> {
  await takeRecords(at.db, { records });
  await recordedOf(at.db, [JOB]);
}
const learned = async () => (await learnedNow(at.db))?.oversize?.[LEVEL];

test('what was pinned is learned of this very drill; corrected, left out or set aside it is not; read anew it is the same', async () => {
  await issued();
  expect(await learned()).toBeUndefined();
  const list = [{ id: JOB, version: 1 }];
  const unlearned = await learnedMark(at.db);
  const summary = async () => (await at.client.execute('SELECT learned_mark FROM job_summaries')).rows[0]?.learned_mark;
  await summariesOf(at.db, list);
  expect(await summary()).toBe(unlearned);
  const first = pins(1, 5.1);
  await take(first, pins(2, 5.1), pins(3, 5.12));
  const three = await learned();
  // What is on the list of jobs is planned from what was learned, too.
  await summariesOf(at.db, list);
  expect(await summary()).not.toBe(unlearned);
  // Typical is 5 + 0.095 × 0.7 = 5.0665, one sigma 0.0233: the pins say 1.65, 1.65 and 2.51 sigmas more.
  expect(three?.n).toBe(3);
  expect(three?.mean).toBeCloseTo((1.652 + 1.652 + 2.511) / 6, 2);
  await take(pins(1, 5.08, { corrects: first.id }));
  expect((await learned())?.own).toBeCloseTo((1.652 + 2.511 + 0.793) / 3, 2);
  const now = await learned();
  forgetLearned(at.db);
  expect(await learned()).toEqual(now);
  const { readings } = await readingsPageOf(at.db, 'oversize', LEVEL);
  expect(readings.map((r) => r.hole)).toEqual(['A2', 'A3', 'A1']);
  await changeAside(at.db, { id: `record ${readings[1].recordId}`, aside: true, reason: 'misread' });
  expect((await learned())?.n).toBe(2);
  await changeAside(at.db, { id: `record ${readings[1].recordId}`, aside: false });
  expect(await learned()).toEqual(now);
  await changeAside(at.db, { id: `level oversize ${LEVEL}`, aside: true });
  expect(await learned()).toBeUndefined();
  expect((await shopNow(at.db)).learned?.oversize?.[DRILL]?.n).toBe(3);
  await changeAside(at.db, { id: 'figure oversize', aside: true });
  expect((await shopNow(at.db)).learned?.oversize).toBeUndefined();
  expect(await learnedMark(at.db)).toBe(unlearned);
  expect((await learnedPageOf(at.db)).figures.find((f) => f.figure === 'oversize')).toMatchObject({
    aside: 'set aside',
  });
});

test('a clamping that is timed is learned by its machine, and the next route is as long', async () => {
  await issued();
  const { route } = await issuedRoute(at.db, JOB, 1);
  const [clamp] = runSteps(route).filter((s) => s.kind === 'clamp');
  const { clampS, machine } = route.setUps[clamp.setUp];
  await take(
    record('step-done', 1, { step: clamp.key, seconds: 2 * clampS }, { featureId: undefined, holeNumber: undefined }),
  );
  // ln 2 is 2.31 typical sigmas of 0.3; one reading counts one to three.
  const share = Math.exp((Math.log(2) / 4) * 1);
  expect((await learnedNow(at.db))?.seconds?.[`clamp|${machine?.id}`]?.n).toBe(1);
  const { setUps } = routeOf(await existingJob(at.db, JOB), await shopNow(at.db));
  expect(setUps[clamp.setUp].clampS / clampS).toBeCloseTo(share, 2);
  const { readings } = await readingsPageOf(at.db, 'seconds', `clamp|${machine?.id}`);
  expect(readings).toMatchObject([{ hole: 'clamping', value: 2 }]);
});

test('a day of the log begins by the clock in the shop', () => {
  // The day of the change begins by winter time, the next one by summer time; the zones east of London are there before.
  expect(['2026-03-29', '2026-03-30'].map((d) => dayBegins(d, 'Europe/London'))).toEqual([
    Date.UTC(2026, 2, 29),
    Date.UTC(2026, 2, 29, 23),
  ]);
  expect(dayBegins('2026-03-29', 'Asia/Tokyo')).toBe(Date.UTC(2026, 2, 28, 15));
  expect(dayBegins('2026-03-08', 'America/New_York')).toBe(Date.UTC(2026, 2, 8, 5));
});

test('a hole from callout to gauge: who made it, with what, felt and measured; its tap has a life, and broken it begins anew', async () => {
  await issued();
  const steps = runSteps((await issuedRoute(at.db, JOB, 1)).route);
  const step = (code: string, hole: number) => steps.find((s) => s.item?.code === code && s.item.hole === hole);
  const done = (code: string, hole: number, more: object = {}): RecordInput =>
    record('step-done', hole, { step: step(code, hole)?.key, seconds: 30, ...more }, { who: 'toolmaker' });
  const told = { feel: 'tight', turns: 15.5, torqueNm: 4 };
  await take(done('drill', 1), done('tap', 1, told), pins(1, 5.1), done('tap', 2));
  const made = await holeMade(at.db, JOB, { featureId: 'feature-of-it', holeNumber: 1, part: 1 });
  const rows = made ? besidePlan(made.plan, made.observed) : [];
  expect(rows.map((r) => r.label)).toEqual([
    'Drill, 5.0 mm',
    expect.stringMatching(/^Tap, /),
    'Felt',
    'Turns',
    'Torque',
    'Minor diameter, by pins',
  ]);
  expect(rows.map((r) => r.measured && tell(r.measured, 'mm'))).toEqual([
    '30 s',
    '30 s',
    'tight',
    '15 1/2 turns',
    '4 Nm',
    '5.1 mm enters, 5.11 mm does not',
  ]);
  expect(rows[5].planned && tell(rows[5].planned, 'mm')).toContain(`predicted ${showText(mm(5.0665), 'mm')}`);
  const tap = step('tap', 1)?.item?.tapKey ?? '';
  const life = async () => (await livesNow(at.db)).get(`tap ${tap}`);
  expect(await life()).toMatchObject({ holes: 2, use: 2, feels: { tight: 1 }, isBroken: false });
  await take(record('tap-broken', 3, { tap: 'a tap', tapId: tap, turns: 4 }));
  expect(await life()).toMatchObject({ holes: 2, broken: 1, isBroken: true });
  expect((await learnedNow(at.db))?.seconds?.['hand toolmaker']).toMatchObject({ n: 3 });
  const { tools } = await toolsPageOf(at.db);
  expect(tools[0]).toMatchObject({ tool: `tap ${tap}`, todo: 'buy' });
  const { holes } = await toolPageOf(at.db, `tap ${tap}`);
  expect(holes.map((h) => [h.hole, h.feel, h.changed])).toEqual([
    ['A1', 3, undefined],
    ['A2', undefined, undefined],
    ['A3', undefined, 'broke'],
  ]);
  await expect(toolPageOf(at.db, 'tap nothing')).rejects.toMatchObject({ status: 404 });
  const found = async (q: string) => (await logPageOf(at.db, logQuery.parse({ q }))).entries.map((e) => e.record.kind);
  expect(await found('broken plate')).toEqual(['tap-broken']);
  expect(await found('toolmak A1')).toEqual(['step-done', 'step-done']);
  expect(await found('tight')).toEqual(['step-done']);
  const narrowed = async (by: object) => (await logPageOf(at.db, logQuery.parse(by))).entries.length;
  expect(await narrowed({ tool: `tap ${tap}` })).toBe(3);
  expect([await narrowed({ metal: 'steel-low-carbon' }), await narrowed({ metal: 'copper' })]).toEqual([5, 0]);
  expect([await narrowed({ to: '2020-01-01' }), await narrowed({ from: '2020-01-01' })]).toEqual([0, 5]);
});

test('five months of the sample shop: thousands of holes, all made; taken out, they teach nothing more', async () => {
  await addSampleLog(at.db, new Date('2026-12-01T10:00:00Z'));
  const [{ n }] = (await at.client.execute("select count(*) n from records where kind = 'step-done'")).rows;
  expect(Number(n)).toBeGreaterThan(15_000);
  const lives = [...(await livesNow(at.db)).values()];
  const tapped = lives.filter((l) => l.tool.startsWith('tap ')).reduce((sum, l) => sum + l.holes, 0);
  expect(tapped).toBeGreaterThan(2_000);
  expect(lives.reduce((sum, l) => sum + l.broken, 0)).toBe(2);
  const { figures, changes } = await learnedPageOf(at.db);
  const mean = (figure: string, words: RegExp) =>
    figures.find((f) => f.figure === figure)?.levels.find((l) => words.test(l.words))?.mean;
  // What nobody knew when it began: a drill that cuts large, a spindle that runs on longer than it said.
  expect(mean('oversize', /^Drill #19/)).toBeCloseTo(0.07, 1);
  expect(mean('coast', /^Knee mill/)).toBeCloseTo(1.7 * 0.8, 1);
  expect(changes).toContainEqual(expect.objectContaining({ job: 'Pier adapter plate', letter: 'D', was: '#19' }));
  await takeSampleOut(at.db);
  expect(await learnedNow(at.db)).toBeUndefined();
  expect((await logPageOf(at.db, logQuery.parse({}))).entries).toEqual([]);
}, 60_000);
