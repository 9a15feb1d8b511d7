import type { RunStep } from '../route/run-steps';
import { planned } from '../tests/bench-shop';
import { ownTap, TAPS, tapShop } from '../tests/bench-taps';
import { tell } from '../units/show';
import type { HoleAt, ToolChanged } from './bench-record';
import { changeOfChoice } from './choice-change';
import { alikeOf, firstHere } from './first-hole';
import { gaugedAgain, nextHoles } from './gauge-again';
import { byPartAndHole, type InspectionRow } from './inspection-rows';
import type { Run } from './run';

const M6 = { callout: 'M6 THRU', thickness: '12', drills: 'metric-1-13-by-0.1' } as const;
const at = tapShop();

/** A step of a hole, as a run has it. */
const step = (featureId: string, hole: number, code: string, tool = '', part = 1): RunStep =>
  ({
    key: `${featureId}/${hole}/${code}/${part}`,
    part,
    item: { featureId, hole, code, opKey: code },
    visit: { tool },
  }) as never;
const keysOf = (steps: readonly RunStep[]): string[] => steps.map((s) => s.key.replace(/\/1$/, ''));

test('what a choice changes: redrill the next drill up, chase a sharp tap for a worn one, larger the callout; the others nothing', () => {
  const plan = planned(M6, { at });
  expect(changeOfChoice('redrill', plan, TAPS)?.change).toEqual({ drill: '5.1' });
  expect(['accept', 'scrap', 'clean'].map((choice) => changeOfChoice(choice as 'accept', plan, TAPS))).toEqual([
    undefined,
    undefined,
    undefined,
  ]);
  const dull = TAPS.map((t) => (t.thread === 'M6x1' ? { ...t, condition: 'worn' as const } : t));
  const spare = ownTap('M6x1', 'spare', 'straight', 8);
  const worn = planned({ ...M6, taps: 'M6x1 taper' }, { at: tapShop([...dull, spare]) });
  expect(changeOfChoice('chase', worn, [...dull, spare])?.change.taps).toContain('spare');
  const larger = changeOfChoice('larger', plan, TAPS);
  expect(larger?.change).toMatchObject({
    callout: expect.stringMatching(/^M8(x1.25)? THRU$/),
    drill: '',
    taps: '',
    way: 'auto',
    room: 'auto',
  });
  expect(tell(larger?.says ?? { text: '' }, 'mm')).toBe('Next is M8x1.25; its tap is in the crib.');
  const none = changeOfChoice(
    'larger',
    plan,
    TAPS.map((t) => ({ ...t, condition: 'broken' as const })),
  );
  expect(tell(none?.says ?? { text: '' }, 'mm')).toMatch(/its tap is to buy\.$/);
  expect(changeOfChoice('larger', planned({ callout: '1/8 NPT', thickness: '12' }), TAPS)).toBeUndefined();
});

// 5.0 is to leave 5.0665 of 4.917 to 5.153; a pin of 5.20 says that drills here cut 0.1335 larger than that: 4.8 comes to 4.998.
test('a first hole that was pinned chooses the drill of the others: nearest to the middle of the class, of those that can be had', () => {
  const plan = planned({ ...M6, drill: '5.0' }, { at });
  const steps = ['drill', 'tap', 'check'].flatMap((code) => [1, 2, 3].map((hole) => step('f', hole, code)));
  const run = (...settled: string[]): Run => ({ steps, settled: new Map(settled.map((k) => [k, {}])) }) as never;
  const here = (
    gauged: Parameters<typeof firstHere>[4],
    can: (change: { drill?: string }) => boolean = () => true,
    now = run('f/1/drill/1'),
  ) => firstHere(now, ['f'], { featureId: 'f', holeNumber: 1, part: 1 }, plan, gauged, can);
  const pins = { check: 'minor' as const, values: { in: 5.19, out: 5.21 } };
  expect(here(pins)).toMatchObject({
    left: 2,
    remedy: { change: { drill: '4.8', pinnedOffMm: expect.closeTo(0.1335, 3) } },
  });
  expect(here(pins, ({ drill }) => drill !== '4.8')?.remedy?.change.drill).toBe('4.9');
  expect(here(pins, () => false)?.remedy).toBeUndefined();
  expect(here({ check: 'minor', values: { in: 5.2 } })?.remedy?.change.drill).toBe('4.8');
  // Under the class a larger one: 4.86 is 0.2065 less, and 5.2 comes to about 5.06.
  expect(here({ check: 'minor', values: { in: 4.85, out: 4.87 } })?.remedy?.change.drill).toBe('5.2');
  expect(here({ check: 'minor', values: {} })?.remedy).toBeUndefined();
  expect(
    [here({ check: 'go', values: {} }), here({ check: 'square', values: {} })].map((h) => h?.remedy?.change.drill),
  ).toEqual(['5.1', undefined]);
  // The gauges say larger or smaller, whatever was pinned beside.
  expect(here({ check: 'go', values: { in: 5.2 } })?.remedy?.change.drill).toBe('5.1');
  expect(here({ check: 'not-go', values: {} })?.remedy?.change.drill).toBe('4.9');
  expect(here(pins, undefined, run('f/1/drill/1', 'f/2/drill/1'))?.left).toBe(1);
  expect(here(pins, undefined, run('f/1/drill/1', 'f/2/drill/1', 'f/3/drill/1'))).toBeUndefined();
  expect(here(pins, undefined, run('f/2/tap/1'))?.left).toBe(2);
});

test('alike are the features of which this hole of the first part went through first', () => {
  const route = {
    setUps: [
      {
        isFirst: true,
        visits: [
          {
            items: [
              { code: 'check', featureId: 'f', hole: 1 },
              { code: 'tap', featureId: 'g', hole: 1 },
            ],
          },
        ],
      },
    ],
  } as never;
  const likes = new Map([
    ['f', ['f', 'h']],
    ['g', ['g']],
  ]);
  const alike = (over: Partial<HoleAt>) => alikeOf(route, likes, { featureId: 'f', holeNumber: 1, part: 1, ...over });
  expect([alike({}), alike({ part: 2 }), alike({ holeNumber: 2 }), alike({ featureId: 'g' })]).toEqual([
    ['f', 'h'],
    undefined,
    undefined,
    undefined,
  ]);
});

test('after a tool was changed the next hole that it makes is gauged right after its last work at the machine', () => {
  const steps = ['f', 'g'].flatMap((id) =>
    ['drill', 'tap', 'deburr', 'check'].flatMap((code) =>
      [1, 2].map((hole) => step(id, hole, code, code === 'drill' ? '6.8' : code)),
    ),
  );
  const settled = new Map([['f/1/drill/1', 1]]);
  const settledAt = (s: RunStep) => settled.get(s.key);
  const next = (change: ToolChanged) => [...nextHoles(steps, [change], settledAt)];
  expect(next({ order: 2, tool: '6.8' })).toEqual(['f/2/1']);
  expect(next({ order: 0, tool: '6.8' })).toEqual(['f/1/1']);
  expect(next({ order: 2, tool: '9.9' })).toEqual([]);
  expect(next({ order: 2, featureId: 'g', taps: true })).toEqual(['g/1/1']);
  const order = keysOf(gaugedAgain(steps, [{ order: 2, tool: '6.8' }], settledAt));
  expect(order.slice(order.indexOf('f/2/tap'), order.indexOf('f/2/tap') + 2)).toEqual(['f/2/tap', 'f/2/check']);
  expect([...order].sort()).toEqual(keysOf(steps).sort());
  expect(order.filter((k) => k !== 'f/2/check')).toEqual(keysOf(steps).filter((k) => k !== 'f/2/check'));
  expect(gaugedAgain(steps, [], settledAt)).toBe(steps);
});

test('a sheet is in the order of parts, then of holes as people count: A2 before A10', () => {
  const row = (part: number, hole: string) => ({ part, hole }) as InspectionRow;
  const rows = [row(2, 'A1'), row(1, 'A10'), row(1, 'B1'), row(1, 'A2')].sort(byPartAndHole);
  expect(rows.map((r) => `${r.part} ${r.hole}`)).toEqual(['1 A2', '1 A10', '1 B1', '2 A1']);
});
