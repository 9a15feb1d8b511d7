import { BLANK_FORM } from '../hole/form';
import { plannerFor } from '../job/plan-in-job';
import type { Place } from '../layout/place';
import { planRoute } from '../route/route';
import { workOfJob } from '../route/work-of-job';
import { tapShop } from '../tests/bench-taps';
import type { BenchRecord } from './bench-record';
import { runOfIssue } from './run-of-issue';

const shop = tapShop();
const planner = plannerFor(shop);
const hole = (id: string, letter: string, callout: string, place: Place, machine = 'press') => ({
  id,
  letter,
  name: '',
  face: 'top' as const,
  place,
  question: { ...BLANK_FORM, callout, machine, drills: 'metric-1-13-by-0.1' },
});
const row = (y: number): Place => ({ kind: 'row', x: 20, y, count: 2, pitch: 40, angleDeg: 0 });
const plate = { shape: 'plate' as const, widthMm: 80, heightMm: 40, thicknessMm: 12 };
const disc = { shape: 'disc' as const, diameterMm: 180, thicknessMm: 12 };

function ran(holes: ReturnType<typeof hole>[], stock: typeof plate | typeof disc, quantity = 1, checkEvery = 1) {
  const job = {
    materialId: 'steel-low-carbon',
    quantity,
    part: { stock, condition: '', datums: {} },
    holes,
    route: { checkEvery },
  };
  const work = workOfJob(holes, job, shop, planner);
  const route = planRoute(work.ok ? work.value : [], quantity, shop.habits);
  return (records: BenchRecord[] = []) => runOfIssue({ route, job, shop }, records, planner);
}
const said = ({ run }: ReturnType<ReturnType<typeof ran>>): string[] =>
  run.steps.flatMap((s) =>
    s.line
      ? [`${s.line.axis} ${s.line.mm.toFixed(2)} for ${s.line.serves}`]
      : s.isScribed
        ? [`punch ${s.item?.letter}${s.item?.hole}`]
        : [],
  );

test('lines are scribed before anything is punched: all of one side in rising order, then the other, each once', () => {
  const two = ran(
    [hole('f', 'A', 'ø6 THRU', row(20)), hole('g', 'B', 'ø9 THRU', { kind: 'point', x: 40, y: 20 })],
    plate,
  );
  expect(said(two()).slice(0, 4)).toEqual(['x 20.00 for A', 'x 40.00 for B', 'x 60.00 for A', 'y 20.00 for A ×2, B']);
  expect(said(two()).slice(4).sort()).toEqual(['punch A1', 'punch A2', 'punch B1']);
  // A hole that is there already is found with the spindle, and punched nowhere.
  const old = hole('f', 'A', 'ø8 THRU', row(20));
  const opened = { ...old, question: { ...old.question, existing: '6' } };
  expect(said(ran([opened], plate)())).toEqual([]);
  // A mill finds its places by readout: nothing is scribed.
  expect(said(ran([hole('f', 'A', 'ø6 THRU', row(20), 'mill')], plate)())).toEqual([]);
});

test('a disc stands on its rim: heights count from there', () => {
  // Radius 90: 80.17 under the centre is 9.83 over the rim.
  const at = ran([hole('f', 'A', 'ø4 THRU', { kind: 'point', x: 0, y: -80.17 })], disc);
  expect(said(at())).toEqual(['x 90.00 for A', 'y 9.83 for A', 'punch A1']);
});

test('where a crossing is punched its lines are asked for no more, whatever is followed first', () => {
  const one = ran([hole('f', 'A', 'ø6 THRU', row(20))], plate);
  const [punch] = one().run.steps.filter((s) => s.isScribed);
  const done = {
    id: 'r1',
    kind: 'step-done',
    happenedAt: '',
    featureId: 'f',
    holeNumber: 1,
    body: { step: punch.key, part: 1 },
  };
  const after = one([done as BenchRecord]).run;
  expect(after.steps.filter((s) => s.line)).toEqual([]);
  expect([after.done, after.next?.line]).toEqual([1, undefined]);
});

test('a fault is looked for in every hole that the same tool makes, and in no other', () => {
  const holes = [
    hole('f', 'A', 'M6 THRU', row(10)),
    hole('g', 'B', 'M6 x 6 DEEP', { kind: 'point', x: 40, y: 30 }),
    hole('h', 'C', 'ø9 THRU', { kind: 'point', x: 60, y: 30 }),
  ];
  const at = ran(holes, plate, 12, 5);
  const bad = {
    id: 'r1',
    kind: 'checked',
    happenedAt: '',
    featureId: 'f',
    holeNumber: 1,
    body: { part: 5, check: 'not-go', values: { turns: 5 }, verdict: 'bad' },
  };
  expect(at().duePartsOf('g', 1)).toEqual([1, 5, 10, 12]);
  const after = at([bad as BenchRecord]);
  expect(after.duePartsOf('g', 1)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
  expect(after.duePartsOf('h', 1)).toEqual([1, 5, 10, 12]);
});
