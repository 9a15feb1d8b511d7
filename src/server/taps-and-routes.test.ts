import { fieldsOf, setOf, type FeatureSet, type HeadSet } from '@/contracts/job-change';
import type { AskForm } from '@/core/hole/form';
import { inUnits } from '@/core/hole/form-in-units';
import { tapLoadRequest } from '@/contracts/tap-load';
import { routeIssueRequest } from '@/contracts/route-issue';
import { listTaps } from './repositories/crib-repository';
import { lastIssued } from './repositories/route-repository';
import { importCrib, addItem } from './services/crib-service';
import { changeIn, patchJob } from './services/change-job';
import { existingJob } from './services/job-service';
import { issuedRoute, issueRoute, issuesOf } from './services/route-service';
import { shopNow } from './services/shop-service';
import { tapLoadOf } from './services/tap-load-service';
import { travellerPdf } from './services/traveller-pdf';
import { shopDatabase } from './tests/shop-database';
import { CRIB_INPUT } from '@/contracts/crib';
import { checked } from './http/respond';
import { writing } from './writing';

const { at, refusal } = shopDatabase();

describe('the load of one tap over HTTP', () => {
  const load = async (over: object) =>
    tapLoadOf(
      checked(tapLoadRequest, { thread: 'M8', materialId: 'steel-low-carbon', holeMm: 6.8, depthMm: 8, ...over }),
      await shopNow(at.db),
    );

  test('M8 in mild steel by hand: 4.31 Nm of 18.2; a smaller hole, dry, worn: more, and the level with it', async () => {
    const plain = await load({});
    expect(plain.torqueNm).toBeCloseTo(4.31, 1);
    expect(plain.breakingNm).toBeCloseTo(18.2, 1);
    expect([plain.level, plain.safety]).toEqual(['calm', expect.closeTo(18.2 / 4.31, 1)]);
    const hard = await load({ holeMm: 6.5, fluid: 'dry', wear: 1.6 });
    expect(hard.torqueNm).toBeGreaterThan(3 * plain.torqueNm);
    expect(hard.level).not.toBe('calm');
    expect((await load({ holeMm: undefined, drill: '6.8' })).holeMm).toBeGreaterThan(6.8);
    expect((await load({ holeMm: 4.1 })).torqueNm).toBeGreaterThan(plain.torqueNm);
    expect((await load({ thread: 'M3', holeMm: 2.5, guided: false })).level).not.toBe(
      (await load({ thread: 'M3', holeMm: 2.5 })).level,
    );
  });

  test.each([
    [{ thread: 'M8 THRU M6' }, 'thread-unknown'],
    [{ thread: '1/8 NPT' }, 'thread-tapered'],
    [{ materialId: 'cheese' }, 'material-unknown'],
    [{ holeMm: undefined }, 'drill-or-hole'],
    [{ holeMm: undefined, drill: 'q9' }, 'drill-unknown'],
    [{ holeMm: 9 }, 'hole-size'],
    [{ holeMm: 4 }, 'hole-size'],
    [{ geometry: 'form', materialId: 'iron-grey' }, 'forming-brittle'],
  ])('%j: %s', async (over, code) => expect((await refusal(load(over))).errors[0].code).toBe(code));
});

describe('taps of the crib', () => {
  test('the sample shop has hand sets, machine taps and a gap; one is added by its name, imported, and answers', async () => {
    const taps = await listTaps(at.db);
    expect(taps.filter((t) => t.thread === 'M10x1.5').map((t) => t.chamferThreads)).toEqual([8, 4]);
    expect(new Set(taps.map((t) => t.condition))).toEqual(new Set(['sharp', 'worn', 'broken']));
    const [{ version: _, ...plug }] = taps.filter((t) => t.id === 'tap-m10x1-5-plug');
    const tap = checked(CRIB_INPUT.taps, { ...plug, id: 'own-tap-1', thread: 'M10 LH'.slice(0, 3), hand: 'left' });
    expect(tap.thread).toBe('M10x1.5');
    await addItem(at.db, 'taps', tap);
    await importCrib(at.db, { drills: [], tools: [], taps: [{ ...tap, holesDone: 12 }] });
    expect((await listTaps(at.db)).find((t) => t.id === 'own-tap-1')).toMatchObject({
      holesDone: 12,
      hand: 'left',
      version: 2,
    });
    expect(() => checked(CRIB_INPUT.taps, { ...plug, thread: 'M77' })).toThrow();
  });
});

describe('routes are issued', () => {
  const id = 'sample-job-pier-adapter-plate';
  const issue = (over: object) =>
    issueRoute(at.db, id, checked(routeIssueRequest, { id: 'issue-0001', jobVersion: 1, ...over }));

  test('frozen under a number with what it was made from; sent again it is the same; another version is refused', async () => {
    const first = await issue({});
    expect(await issue({})).toEqual(first);
    expect(first).toMatchObject({ number: 1, jobVersion: 1, quantity: 1 });
    const job = await existingJob(at.db, id);
    await writing(at.db, (tx) =>
      changeIn(tx, id, { head: { version: job.headVersion, set: { quantity: 9 } }, add: [], features: [], remove: [] }),
    );
    expect((await refusal(issue({ id: 'issue-0002' }))).status).toBe(409);
    const now = await existingJob(at.db, id);
    expect(await issue({ id: 'issue-0002', jobVersion: now.version })).toMatchObject({ number: 2, quantity: 9 });
    expect((await issuesOf(at.db, id)).map((r) => r.number)).toEqual([2, 1]);
    expect((await issuedRoute(at.db, id, 1)).route.quantity).toBe(1);
    const current = async () => (await lastIssued(at.db, [id])).get(id)?.current;
    expect((await lastIssued(at.db, [id])).get(id)).toMatchObject({ number: 2, current: true });
    // The unit that it is shown in, and its name, change nothing of what is made; a callout does.
    const change = async (set: Partial<HeadSet>, question?: Partial<AskForm>): Promise<void> => {
      const { headVersion, holes } = await existingJob(at.db, id);
      const features = holes.flatMap((h) => {
        const to = { ...inUnits(h.question, set.units ?? h.question.units), ...question };
        const fields = fieldsOf({ question: to });
        return [{ id: h.id, version: h.version, set: setOf(fields) as FeatureSet }];
      });
      await patchJob(at.db, id, { head: { version: headVersion, set }, add: [], features, remove: [] });
    };
    await change({ units: 'inch' });
    await change({ units: 'mm', name: 'Renamed' });
    expect(await current()).toBe(true);
    await change({ notes: 'x' }, { callout: '4x M6 THRU' });
    expect(await current()).toBe(false);
    expect((await refusal(issuedRoute(at.db, id, 9))).status).toBe(404);
  });

  test('the traveller is a PDF on either paper', async () => {
    await issue({});
    const frozen = await issuedRoute(at.db, id, 1);
    for (const paper of ['a4', 'letter'] as const) {
      const bytes = await travellerPdf(
        frozen,
        { drawing: 'QH-114', serial: 'QH-0098' },
        'http://bench',
        paper,
        'Europe/London',
      );
      expect(Buffer.from(bytes.slice(0, 5)).toString()).toBe('%PDF-');
      expect(bytes.length).toBeGreaterThan(20_000);
    }
  });
});
