import fc from 'fast-check';
import { DRILL_SETS } from '../drills/drill-sets';
import { MATERIALS } from '../materials/materials';
import type { Setting } from '../operation/context';
import { USUAL_HABITS } from '../shop/habits';
import type { Shop } from '../shop/shop';
import { machineOf, material, pool } from '../tests/bench-shop';
import { THREADS } from '../threads/standards';
import { tell } from '../units/show';
import { findDrill } from './find-drill';
import { BLANK_FORM, fromAddress, toAddress, type AskForm } from './form';
import { inUnits } from './form-in-units';
import { allCautions, mainCut, refusals, type HolePlan, type ThreadPart } from './hole-plan';
import { planHole, usualStart } from './plan-hole';
import type { HoleQuestion } from './question';
import { planForm } from './read-form';
import { formingDrill } from './trade-off';

const STEPS = [140, 270, 560, 980, 1250, 1700, 3300];
const press = machineOf('press', 'drill-press', STEPS, { coastRevolutions: 1.5 });
const variable = machineOf('variable', 'drill-press', { minRpm: 450, maxRpm: 2800 });

const question = (callout: string, over: Partial<HoleQuestion> = {}): HoleQuestion => ({
  callout,
  material: material('steel-low-carbon'),
  pool: pool('metric-1-13-by-0.1'),
  machine: press,
  tap: 'auto',
  dry: false,
  parts: 1,
  ...over,
});
const habits = { habits: USUAL_HABITS };
function plan(callout: string, over: Partial<HoleQuestion> = {}, setting?: Setting): HolePlan {
  const result = planHole(question(callout, over), habits, setting);
  if (!result.ok) throw new Error(result.problems.map((p) => tell(p, 'mm')).join(' '));
  return result.value;
}
/** A plan and the thread that it cuts. */
function threaded(...args: Parameters<typeof plan>): HolePlan & { thread: ThreadPart } {
  const p = plan(...args);
  if (!p.thread) throw new Error('no thread');
  return { ...p, thread: p.thread };
}
const rpmOf = (p: HolePlan): number | undefined => {
  const speed = mainCut(p)?.speed;
  return speed?.ok ? speed.value.rpm : undefined;
};
const codesOf = (p: HolePlan): string[] => p.operations.map((op) => op.code);
const pilotsOf = (p: HolePlan): string[] =>
  p.operations.flatMap((op) => (op.code === 'pilot' ? [op.cut?.spec.drill?.label ?? ''] : []));
const order = (p: HolePlan, key: string, units: 'mm' | 'inch' = 'mm'): string => {
  const op = p.operations.find((o) => o.key === key);
  return op ? tell(op.order, units) : '';
};
/** Codes and fields of what is refused. */
function refused(callout: string, over: Partial<HoleQuestion> = {}): string[] {
  const result = planHole(question(callout, over), habits);
  return (result.ok ? refusals(result.value) : result.problems).map((p) => `${p.code}@${p.field}`);
}

describe('one hole in full', () => {
  test('M8, 16 deep in a 25 plate of mild steel on the press', () => {
    const p = threaded('M8 x 16 DEEP', { thicknessMm: 25 });
    const { tapDrill, tapping } = p.thread;
    expect([tapDrill.used.drill.label, tapDrill.because]).toEqual(['6.8', 'chosen']);
    // 21.25 + 2.04 would leave 0.46 mm under a plug of 4, so the bottoming tap of 2 finishes: 18.5 + 1.25 and the tip.
    expect(tapping.best.taps.map((t) => t.chamferThreads)).toEqual([4, 2]);
    expect(mainCut(p)?.spec.fullMm).toBeCloseTo(19.75, 9);
    expect(mainCut(p)?.travel.value).toBeCloseTo(21.79, 2);
    expect(p.wall?.value).toBeCloseTo(25 - 21.79, 2);
    // 1284 at 6.8 mm, times 0.9 as 21.8 is over three diameters: 1156; 1250 is the nearest step.
    expect(mainCut(p)?.ideal.value).toBeCloseTo(1284.1 * 0.9, 0);
    expect(rpmOf(p)).toBe(1250);
    expect(codesOf(p)).toEqual(['lay-out', 'start', 'drill', 'chamfer', 'tap', 'tap', 'check']);
    expect(order(p, 'drill')).toBe('Drill 6.8 mm to 19.8 mm; set the stop at 22.0 mm from touch.');
    expect(order(p, 'drill', 'inch')).toBe('Drill 6.8 mm to 0.778 in; set the stop at 0.866 in from touch.');
  });

  test('the order of work through a thick plate: pilot before a large drill, far side deburred', () => {
    const p = plan('M16 THRU', { thicknessMm: 20, pool: pool('all-metric') });
    expect(codesOf(p)).toEqual(['lay-out', 'start', 'pilot', 'drill', 'chamfer', 'tap', 'deburr', 'check']);
    expect(pilotsOf(p)).toEqual(['3.0']);
    expect(allCautions(p).map((c) => `${c.code} of ${c.subject}`)).toContain('chuck of drill');
  });

  test('a mill spots, which leaves the chamfer; no machine gives the ideal speed and says so', () => {
    const mill = plan('M8 THRU', { machine: { ...press, kind: 'mill' }, thicknessMm: 12 });
    expect(codesOf(mill)).toEqual(['lay-out', 'start', 'drill', 'tap', 'deburr', 'check']);
    expect(order(mill, 'start')).toContain('4.2 mm deep');
    const bare = plan('M8 THRU', { machine: undefined, thicknessMm: 12 });
    expect(rpmOf(bare)).toBeCloseTo(1284, 0);
    expect(bare.assumptions.map((a) => tell(a, 'mm')).join()).toContain('No machine given');
    expect(
      [undefined, press, { ...press, kind: 'lathe' as const }, { ...press, kind: 'hand-drill' as const }].map((m) =>
        usualStart(m),
      ),
    ).toEqual(['centre-drill', 'centre-drill', 'spot', 'hand']);
  });

  test('what was not said is assumed and said: through, until the bolt breaks first, thickness', () => {
    const p = plan('M8');
    // 800 × 36.6 over 265 × 21.99 is 5.02 on nominal sizes, over 0.77 on least-material ones 6.53: drawn as 7.
    expect([p.hole.through, p.hole.thread?.lengthMm, p.hole.thicknessMm]).toEqual([true, 7, 7]);
    expect(p.assumptions).toHaveLength(3);
    const blind = plan('M8', { hole: 'blind' });
    expect([blind.hole.through, blind.hole.thread?.lengthMm, blind.wall]).toEqual([false, 7, undefined]);
    const both = plan('M8 THRU', { hole: 'blind', depthMm: 10, thicknessMm: 30 });
    expect(both.hole.through).toBe(false);
    expect(both.assumptions.map((a) => tell(a, 'mm')).join()).toContain('The callout says through; you chose blind');
  });

  test('forming on request has its own drill; left to auto it is offered beside the cut', () => {
    const { thread: formed } = threaded('M8 x 12 DEEP', { tap: 'form', thicknessMm: 30 });
    expect([formed.kind, formed.tapDrill.used.drill.label, formed.tapping.best.biteTurns]).toEqual(['form', '7.4', 0]);
    const { thread: auto } = threaded('M8 x 12 DEEP', { thicknessMm: 30 });
    expect([auto.kind, auto.tapDrill.used.drill.label, formingDrill(auto)?.drill.label]).toEqual(['cut', '6.8', '7.4']);
    const iron = threaded('M8 THRU', { material: material('iron-grey'), thicknessMm: 12 }).thread;
    expect([iron.forming.verdict.allowed, formingDrill(iron)]).toEqual([false, undefined]);
  });

  test('a pipe thread by its listed drill, without percentage, torque or engagement, and it says so', () => {
    const p = threaded('1/8 NPT', { pool: pool('inch-index-115') });
    const { tapDrill, tapping, engagement, limits } = p.thread;
    expect([tapDrill.used.drill.label, tapDrill.used.percentOnDrill, tapping.best.load, engagement, limits]).toEqual([
      'R',
      undefined,
      undefined,
      undefined,
      undefined,
    ]);
    expect(allCautions(p).map((c) => `${c.code} of ${c.subject}`)).toContain('taper of tap-1');
    expect(order(p, 'check')).toContain('plug gauge');
    // Hand-tight 0.1615 in of 27 to the inch, and a lead of 2.5.
    expect(tapping.best.turns.value).toBeCloseTo(0.1615 * 27 + 2.5, 9);
  });

  test('a drill asked for is judged, not replaced, and the next best stays in sight', () => {
    const p = threaded('M8 x 12 DEEP', { drill: findDrill('6.9', pool('all')), thicknessMm: 30 });
    const { used, because, choice } = p.thread.tapDrill;
    expect([used.drill.label, because, used.verdict]).toEqual(['6.9', 'asked', 'outside']);
    expect(allCautions(p).map((c) => `${c.code} of ${c.subject}`)).toContain('class-outside of drill');
    expect(choice?.drill.label).toBe('6.8');
  });

  test('cautions follow the hole: hazard, grab, hardening, thin wall, edge, drawing, missing drill', () => {
    const codes = (callout: string, over: Partial<HoleQuestion>): string[] =>
      allCautions(plan(callout, over)).map((c) => c.code);
    expect(codes('M8 THRU', { material: material('magnesium'), thicknessMm: 12 })).toContain('material-hazard');
    expect(codes('M8 THRU', { material: material('brass-free-cutting'), thicknessMm: 12 })).toEqual(
      expect.arrayContaining(['grabs', 'breakthrough', 'eyes']),
    );
    expect(codes('M8 THRU', { material: material('stainless-austenitic'), thicknessMm: 12 })).toEqual(
      expect.arrayContaining(['work-hardens', 'percent-range']),
    );
    expect(codes('ø10 x 18 DEEP', { thicknessMm: 22 })).toContain('wall-thin');
    // A bottoming tap would leave 0.2 of wall, which is none: a flat floor leaves 2.2.
    expect(codes('M8 x 16 DEEP', { thicknessMm: 22 })).not.toContain('wall-thin');
    expect(codes('M8 THRU', { thicknessMm: 12, stockWidthMm: 20 })).toContain('edge-near');
    expect(codes('ø6.8 ↧ 18 M8 ↧ 16', { thicknessMm: 40 })).toContain('drawn-depth');
    expect(codes('M8 THRU', { thicknessMm: 12, pool: pool('metric-1-10-by-0.5') })).toContain('drill-to-buy');
    expect(codes('M8 x 40 DEEP', { thicknessMm: 80 })).toContain('thread-long');
  });
});

describe('impossible or dangerous questions', () => {
  test.each([
    ['forming grey iron', 'M8 THRU', { tap: 'form', material: material('iron-grey') }, 'forming-brittle@tap'],
    ['forming hard steel', 'M8 THRU', { tap: 'form', material: material('steel-alloy-prehard') }, 'forming-hard@tap'],
    ['thread deeper than the plate', 'M8 x 30 DEEP', { thicknessMm: 25 }, 'thread-deeper-than-plate@threadDepth'],
    ['no wall under the tip', 'M8 x 20 DEEP', { thicknessMm: 22 }, 'wall-zero@threadDepth'],
    ['blind in the whole plate', 'M8', { hole: 'blind', depthMm: 12, thicknessMm: 12 }, 'wall-zero@threadDepth'],
    ['tap larger than the stock', 'M12 THRU', { stockWidthMm: 12 }, 'tap-larger-than-stock@stockWidth'],
    ['percentage too high', 'M8', { targetPercent: 120 }, 'percent-unreasonable@targetPercent'],
    ['percentage too low', 'M8', { targetPercent: 5 }, 'percent-unreasonable@targetPercent'],
    ['percentage not a number', 'M8', { targetPercent: NaN }, 'percent-unreasonable@targetPercent'],
    ['percentage of a taper', '1/8 NPT', { targetPercent: 75, pool: pool('all') }, 'percent-taper@targetPercent'],
    ['drill larger than the thread', 'M8', { drill: findDrill('8.5', pool('all')) }, 'drill-over-thread@drill'],
    ['drill far too small', 'M8', { drill: findDrill('6.0', pool('all')) }, 'percent-unreasonable@drill'],
    ['drawing drills over the thread', 'ø9 THRU M8', {}, 'drill-over-thread@drill'],
    [
      'speed the machine cannot reach',
      'M20 THRU',
      { machine: variable, material: material('nickel-alloy'), pool: pool('all') },
      'speed-unreachable@machine',
    ],
    ['a mouth without its hole', 'CBORE ø15 x 8', {}, 'no-hole@callout'],
    ['negative thickness', 'M8 THRU', { thicknessMm: -3 }, 'length-positive@thickness'],
    ['depth not a number', 'M8', { depthMm: NaN }, 'length-positive@threadDepth'],
    ['huge thickness', 'M8 THRU', { thicknessMm: 1e9 }, 'length-long@thickness'],
    ['less than one pitch', 'M8', { hole: 'blind', depthMm: 0.63 }, 'thread-under-pitch@threadDepth'],
    ['no parts', 'M8', { parts: 0 }, 'quantity@quantity'],
    ['unknown bolt', 'M8', { boltId: '99.9' }, 'bolt@bolt'],
    ['no drill is made for it', 'M64x6', { pool: pool('all') }, 'no-drill@drills'],
  ] as [string, string, Partial<HoleQuestion>, string][])('%s', (_, callout, over, expected) => {
    expect(refused(callout, over)).toEqual([expected]);
  });

  test('several wrongs are all named at once', () => {
    expect(refused('M8 THRU', { thicknessMm: -1, stockWidthMm: 0 })).toHaveLength(2);
  });

  test('a refused blind hole says how deep the thread may be, and that depth is then answered', () => {
    const result = planHole(question('M8 x 20 DEEP', { thicknessMm: 23 }), habits);
    if (result.ok) throw new Error('should be refused');
    const most = result.problems[0].remedy.values?.most;
    const mm = typeof most === 'object' ? most.value : NaN;
    expect(refused('M8', { hole: 'blind', depthMm: mm - 1e-6, thicknessMm: 23 })).toEqual([]);
  });

  test('when only the speed is refused the rest of the answer stands', () => {
    const p = threaded('M20 THRU', { machine: variable, material: material('nickel-alloy'), pool: pool('all') });
    expect([p.thread.tapDrill.used.drill.label, rpmOf(p)]).toEqual(['17.5', undefined]);
  });
});

describe('what holds for every question', () => {
  const anyQuestion = fc.record({
    callout: fc.constantFrom(...THREADS.map((t) => t.designation)),
    material: fc.constantFrom(...MATERIALS),
    pool: fc.constantFrom(...DRILL_SETS),
    machine: fc.constantFrom(
      press,
      variable,
      { ...press, kind: 'mill' as const, reversible: true },
      { ...press, kind: 'hand-drill' as const },
      undefined,
    ),
    hole: fc.constantFrom('through' as const, 'blind' as const, undefined),
    depthMm: fc.option(fc.double({ min: 0.1, max: 90, noNaN: true }), { nil: undefined }),
    thicknessMm: fc.option(fc.double({ min: 0.1, max: 120, noNaN: true }), { nil: undefined }),
    tap: fc.constantFrom('auto' as const, 'cut' as const, 'form' as const),
    dry: fc.boolean(),
    parts: fc.constant(1),
  });

  test('a plan that can be done, or a reason in words', () => {
    fc.assert(
      fc.property(anyQuestion, (q) => {
        const result = planHole(q, habits);
        if (!result.ok) {
          for (const p of result.problems)
            for (const part of [p, p.remedy]) expect(tell(part, 'mm')).toMatch(/^[^{}]{8,}$/);
          return;
        }
        const p = result.value;
        const { thread, hole } = p;
        const cut = mainCut(p);
        if (!thread || !cut) throw new Error('a thread without its drill');
        const { used } = thread.tapDrill;
        expect(used.drill.diameterMm).toBeLessThan(thread.thread.majorMm);
        if (thread.tapDrill.because === 'chosen') expect(used.verdict).not.toBe('outside');
        if (p.wall) expect(p.wall.value).toBeGreaterThan(0);
        if (hole.thicknessMm !== undefined) expect(thread.at.lengthMm).toBeLessThanOrEqual(hole.thicknessMm + 1e-9);
        if (cut.speed.ok && p.machine?.speeds.kind === 'steps' && p.machine.kind !== 'hand-drill')
          expect(STEPS).toContain(cut.speed.value.rpm);
        const drills = p.operations.flatMap(({ code, cut: c }) => (c && /pilot|drill/.test(code) ? [c.spec] : []));
        drills.slice(1).forEach((spec, i) => expect(spec.diameterMm).toBeGreaterThan(drills[i].diameterMm));
        const said = [...allCautions(p), ...p.assumptions, ...p.operations.flatMap((s) => [s.order, ...s.details])];
        for (const phrase of said) expect(tell(phrase, 'inch')).not.toMatch(/[{}]|NaN|undefined/);
        // A caution stands once, on the operation that it names.
        const stands = allCautions(p).map((c) => `${c.subject} ${c.code}`);
        expect(new Set(stands).size).toBe(stands.length);
        for (const op of p.operations) for (const c of op.cautions) expect(c.subject).toBe(op.key);
        const { breaking, turns } = thread.tapping.best;
        for (const figure of [cut.ideal, cut.feed, thread.tapDrill.hole, breaking, turns]) {
          expect(Number.isFinite(figure.value)).toBe(true);
          expect(figure.working.inputs.length).toBeGreaterThan(0);
        }
      }),
      { numRuns: 500 },
    );
  });
});

describe('the form, its address and the shop', () => {
  const shop: Shop = {
    materials: MATERIALS,
    machines: [press],
    pools: [{ ...pool('all'), id: 'crib' }, ...DRILL_SETS],
    habits: USUAL_HABITS,
  };
  const form = (over: Partial<AskForm>): AskForm => ({
    ...BLANK_FORM,
    callout: 'M8 x 16 DEEP',
    machine: 'press',
    ...over,
  });

  test('an address gives back the question that made it', () => {
    const text = fc.string({ maxLength: 40 });
    const anyForm = fc.record({
      callout: text,
      material: text,
      hole: fc.constantFrom('auto' as const, 'through' as const, 'blind' as const),
      depth: text,
      thickness: text,
      width: text,
      existing: text,
      drills: text,
      drill: text,
      tap: fc.constantFrom('auto' as const, 'cut' as const, 'form' as const),
      way: fc.constantFrom('auto' as const, 'lathe' as const),
      taps: text,
      room: fc.constantFrom('auto' as const, 'flat' as const),
      behind: text,
      percent: text,
      machine: text,
      start: fc.constantFrom('auto' as const, 'hand' as const, 'spot' as const),
      dry: fc.boolean(),
      bolt: text,
      parts: text,
      units: fc.constantFrom('mm' as const, 'inch' as const),
    });
    fc.assert(
      fc.property(anyForm, (f) => {
        expect(fromAddress(Object.fromEntries(new URLSearchParams(toAddress(f))))).toEqual(f);
      }),
    );
    expect(fromAddress({ hole: 'sideways', tap: ['form', 'cut'], callout: 'x'.repeat(999) })).toMatchObject({
      hole: 'auto',
      tap: 'form',
      callout: '',
    });
  });

  test('the same lengths in either unit give the same figures', () => {
    const figures = (over: Partial<AskForm>) => {
      const r = planForm(form(over), shop);
      if (!r.ok) throw new Error(tell(r.problems[0], 'mm'));
      return [r.value.thread?.tapDrill.used.drill.label, r.value.wall?.value, mainCut(r.value)?.ideal.value];
    };
    expect(figures({ thickness: '25.4', units: 'mm' })).toEqual(figures({ thickness: '1', units: 'inch' }));
    expect(figures({ thickness: '25.4 mm', units: 'inch' })).toEqual(figures({ thickness: '1"', units: 'mm' }));
  });

  test('every bad field is named, with what may be taken instead', () => {
    const r = planForm(
      form({
        material: 'cheese',
        machine: 'moon',
        drills: 'none',
        depth: 'deep',
        thickness: '1 furlong',
        percent: 'many',
      }),
      shop,
    );
    if (r.ok) throw new Error('should be refused');
    expect(r.problems.map((p) => p.field).sort()).toEqual([
      'drills',
      'machine',
      'material',
      'targetPercent',
      'thickness',
      'threadDepth',
    ]);
    const drill = planForm(form({ drill: '6.83' }), shop);
    expect(drill.ok ? '' : drill.problems[0].field).toBe('drill');
  });

  test('other units leave every size as it is: bare lengths of a plain callout are written out', () => {
    const inch = inUnits({ ...BLANK_FORM, callout: 'ø9 x 20 DEEP', thickness: '25', units: 'mm' }, 'inch');
    expect([inch.callout, inch.thickness, inch.units]).toEqual(['ø9 mm x 20 mm DEEP', '25 mm', 'inch']);
    const thread = inUnits({ ...BLANK_FORM, callout: 'M8 x 16 DEEP', thickness: '5/8', units: 'mm' }, 'inch');
    expect([thread.callout, thread.thickness]).toEqual(['M8 x 16 DEEP', '5/8']);
  });

  test('a bare number says which unit it took; percent reads with its sign', () => {
    const r = planForm(form({ thickness: '25', percent: '70 %' }), shop);
    expect(r.ok && r.value.thread?.tapDrill.target.value).toBe(70);
    expect(r.ok && r.value.assumptions.map((a) => tell(a, 'mm'))).toContain('25 has no unit and is read as mm.');
  });

  test.each([
    ['6.8', '6.8'],
    ['6.80 mm', '6.8'],
    ['17/64', '17/64'],
    ['17/64 in', '17/64'],
    ['#7', '#7'],
    ['f', 'F'],
    ['6.83', undefined],
  ])('drill “%s” is %s', (typed, label) => expect(findDrill(typed, pool('inch-index-115'))?.label).toBe(label));
});
