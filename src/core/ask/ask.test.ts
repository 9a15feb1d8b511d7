import fc from 'fast-check';
import type { Machine } from '../cutting/machine';
import { DRILL_SETS, type DrillPool } from '../drills/drill-sets';
import type { Material } from '../materials/material';
import { MATERIALS } from '../materials/materials';
import { THREADS } from '../threads/find-thread';
import { tell } from '../units/show';
import { answerQuestion, usualStart } from './answer-question';
import type { HolePlan } from './hole-plan';
import { BLANK_FORM, fromAddress, toAddress, type AskForm } from './ask-form';
import { questionInJob } from './job-questions';
import { USUAL_HABITS } from './habits';
import type { HoleQuestion } from './question';
import { answerForm, findDrill, type Shop } from './read-form';

const material = (id: string): Material => MATERIALS.find((m) => m.id === id) as Material;
const pool = (id: string): DrillPool => DRILL_SETS.find((s) => s.id === id) as DrillPool;
const STEPS = [140, 270, 560, 980, 1250, 1700, 3300];
const press: Machine = {
  id: 'press',
  name: 'bench press',
  kind: 'drill-press',
  speeds: { kind: 'steps', steps: STEPS.map((rpm) => ({ rpm, label: `row ${rpm}` })) },
  reversible: false,
  tappingHead: false,
  coastRevolutions: 1.5,
  coastAtRpm: 140,
  chuckMm: 13,
};
const variable: Machine = { ...press, id: 'variable', speeds: { kind: 'range', minRpm: 450, maxRpm: 2800 } };

const question = (callout: string, over: Partial<HoleQuestion> = {}): HoleQuestion => ({
  callout,
  material: material('steel-low-carbon'),
  pool: pool('metric-1-13-by-0.1'),
  machine: press,
  ...over,
});
function plan(callout: string, over: Partial<HoleQuestion> = {}): HolePlan {
  const result = answerQuestion(question(callout, over));
  if (!result.ok) throw new Error(result.problems.map((p) => tell(p, 'mm')).join(' '));
  return result.value;
}
/** Codes and fields of what is refused. */
function refused(callout: string, over: Partial<HoleQuestion> = {}): string[] {
  const result = answerQuestion(question(callout, over));
  return result.ok
    ? result.value.refusals.map((p) => `${p.code}@${p.field}`)
    : result.problems.map((p) => `${p.code}@${p.field}`);
}

describe('one hole in full', () => {
  test('M8, 16 deep in a 25 plate of mild steel on the press', () => {
    const p = plan('M8 x 16 DEEP', { thicknessMm: 25 });
    expect(p.tapDrill.used.drill.label).toBe('6.8');
    expect(p.tapDrill.because).toBe('chosen');
    // 21.25 + 2.04 would leave 0.46 mm under a plug of 4, so the bottoming tap of 2 finishes: 18.5 + 1.25 and the tip.
    expect(p.tapping.best.taps.map((t) => t.chamferThreads)).toEqual([4, 2]);
    expect(p.tapping.best.depth?.fullDiameter.value).toBeCloseTo(19.75, 9);
    expect(p.tapping.best.depth?.total.value).toBeCloseTo(21.79, 2);
    expect(p.wall?.value).toBeCloseTo(25 - 21.79, 2);
    // 1284 at 6.8 mm, times 0.9 as 21.8 is over three diameters: 1156; 1250 is the nearest step.
    expect(p.drilling.ideal.value).toBeCloseTo(1284.1 * 0.9, 0);
    expect('rpm' in p.drilling.speed && p.drilling.speed.rpm).toBe(1250);
    expect(p.steps.map((s) => s.code)).toEqual(['lay-out', 'start', 'drill', 'chamfer', 'tap', 'tap', 'check']);
    expect(tell(p.steps[2].order, 'mm')).toBe('Drill 6.8 mm to 19.8 mm; set the stop at 21.8 mm from touch.');
    expect(tell(p.steps[2].order, 'inch')).toBe('Drill 6.8 mm to 0.778 in; set the stop at 0.858 in from touch.');
  });

  test('the order of work through a thick plate: pilot before a large drill, far side deburred', () => {
    const p = plan('M16 THRU', { thicknessMm: 20, pool: pool('all-metric') });
    expect(p.steps.map((s) => s.code)).toEqual([
      'lay-out',
      'start',
      'pilot',
      'drill',
      'chamfer',
      'tap',
      'deburr',
      'check',
    ]);
    expect(p.drilling.pilots.map((d) => d.label)).toEqual(['3.0']);
    expect(p.cautions.map((c) => c.code)).toContain('chuck');
  });

  test('a mill spots, which leaves the chamfer; no machine gives the ideal speed and says so', () => {
    const mill = plan('M8 THRU', { machine: { ...press, kind: 'mill' }, thicknessMm: 12 });
    expect(mill.steps.map((s) => s.code)).toEqual(['lay-out', 'start', 'drill', 'tap', 'deburr', 'check']);
    expect(tell(mill.steps[1].order, 'mm')).toContain('4.2 mm deep');
    const bare = plan('M8 THRU', { machine: undefined, thicknessMm: 12 });
    expect('rpm' in bare.drilling.speed && bare.drilling.speed.rpm).toBeCloseTo(1284, 0);
    expect(bare.assumptions.map((a) => tell(a, 'mm')).join()).toContain('No machine was named');
    expect(
      [undefined, press, { ...press, kind: 'lathe' as const }, { ...press, kind: 'hand-drill' as const }].map((m) =>
        usualStart(m),
      ),
    ).toEqual(['centre-drill', 'centre-drill', 'spot', 'hand']);
  });

  test('what was not said is taken and said: through, one and a half diameters, thickness', () => {
    const p = plan('M8');
    expect([p.hole.through, p.hole.threadDepthMm, p.hole.thicknessMm]).toEqual([true, 12, 12]);
    expect(p.assumptions).toHaveLength(3);
    const blind = plan('M8', { hole: 'blind' });
    expect([blind.hole.through, blind.hole.threadDepthMm, blind.wall]).toEqual([false, 12, undefined]);
    const both = plan('M8 THRU', { hole: 'blind', threadDepthMm: 10, thicknessMm: 30 });
    expect(both.hole.through).toBe(false);
    expect(both.assumptions.map((a) => tell(a, 'mm')).join()).toContain('The callout reads through; blind was chosen');
  });

  test('forming on request has its own drill; left to auto it is offered beside the cut', () => {
    const formed = plan('M8 x 12 DEEP', { tap: 'form', thicknessMm: 30 });
    expect([formed.kind, formed.tapDrill.used.drill.label, formed.tapping.best.biteTurns]).toEqual(['form', '7.4', 0]);
    const auto = plan('M8 x 12 DEEP', { thicknessMm: 30 });
    expect([auto.kind, auto.tapDrill.used.drill.label, auto.forming.drill?.drill.label]).toEqual(['cut', '6.8', '7.4']);
    expect(plan('M8 THRU', { material: material('iron-grey'), thicknessMm: 12 }).forming.allowed).toBe(false);
  });

  test('a pipe thread by its listed drill, without percentage, torque or engagement, and it says so', () => {
    const p = plan('1/8 NPT', { pool: pool('inch-index-115') });
    expect([
      p.tapDrill.used.drill.label,
      p.tapDrill.used.percentOnDrill,
      p.tapping.best.torque,
      p.engagement,
      p.limits,
    ]).toEqual(['R', undefined, undefined, undefined, undefined]);
    expect(p.cautions.map((c) => c.code)).toContain('taper');
    expect(tell(p.steps[p.steps.length - 1].order, 'mm')).toContain('plug gauge');
  });

  test('a drill asked for is judged, not replaced, and the next best stays in sight', () => {
    const p = plan('M8 x 12 DEEP', { drill: findDrill('6.9', pool('all')), thicknessMm: 30 });
    expect([p.tapDrill.used.drill.label, p.tapDrill.because, p.tapDrill.used.verdict]).toEqual([
      '6.9',
      'asked',
      'outside',
    ]);
    expect(p.cautions.map((c) => c.code)).toContain('class-outside');
    expect(p.tapDrill.choice?.drill.label).toBe('6.8');
  });

  test('cautions follow the hole: hazard, grab, hardening, thin wall, edge, drawing, missing drill', () => {
    const codes = (callout: string, over: Partial<HoleQuestion>): string[] =>
      plan(callout, over).cautions.map((c) => c.code);
    expect(codes('M8 THRU', { material: material('magnesium'), thicknessMm: 12 })).toContain('material-hazard');
    expect(codes('M8 THRU', { material: material('brass-free-cutting'), thicknessMm: 12 })).toEqual(
      expect.arrayContaining(['grabs', 'breakthrough', 'eyes']),
    );
    expect(codes('M8 THRU', { material: material('stainless-austenitic'), thicknessMm: 12 })).toEqual(
      expect.arrayContaining(['work-hardens', 'percent-range']),
    );
    expect(codes('M8 x 16 DEEP', { thicknessMm: 23 })).toContain('wall-thin');
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
    ['blind in the whole plate', 'M8', { hole: 'blind', threadDepthMm: 12, thicknessMm: 12 }, 'wall-zero@threadDepth'],
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
    ['a plain hole', 'ø9 THRU', {}, 'no-thread@callout'],
    ['negative thickness', 'M8 THRU', { thicknessMm: -3 }, 'length-positive@thickness'],
    ['depth not a number', 'M8', { threadDepthMm: NaN }, 'length-positive@threadDepth'],
    ['huge thickness', 'M8 THRU', { thicknessMm: 1e9 }, 'length-long@thickness'],
    ['less than one pitch', 'M8', { hole: 'blind', threadDepthMm: 0.63 }, 'thread-under-pitch@threadDepth'],
    ['no parts', 'M8', { quantity: 0 }, 'quantity@quantity'],
    ['unknown bolt', 'M8', { boltId: '99.9' }, 'bolt@bolt'],
    ['no drill is made for it', 'M64x6', { pool: pool('all') }, 'no-drill@drills'],
  ] as [string, string, Partial<HoleQuestion>, string][])('%s', (_, callout, over, expected) => {
    expect(refused(callout, over)).toEqual([expected]);
  });

  test('several wrongs are all named at once', () => {
    expect(refused('M8 THRU', { thicknessMm: -1, stockWidthMm: 0 })).toHaveLength(2);
  });

  test('a refused blind hole says how deep the thread may be, and that depth is then answered', () => {
    const result = answerQuestion(question('M8 x 20 DEEP', { thicknessMm: 25 }));
    if (result.ok) throw new Error('should be refused');
    const most = result.problems[0].remedy.values?.most;
    const mm = typeof most === 'object' ? most.value : NaN;
    expect(refused('M8', { hole: 'blind', threadDepthMm: mm - 1e-6, thicknessMm: 25 })).toEqual([]);
  });

  test('when only the speed is refused the rest of the answer stands', () => {
    const p = plan('M20 THRU', { machine: variable, material: material('nickel-alloy'), pool: pool('all') });
    expect(p.tapDrill.used.drill.label).toBe('17.5');
    expect(p.drilling.speed).not.toHaveProperty('rpm');
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
    threadDepthMm: fc.option(fc.double({ min: 0.1, max: 90, noNaN: true }), { nil: undefined }),
    thicknessMm: fc.option(fc.double({ min: 0.1, max: 120, noNaN: true }), { nil: undefined }),
    tap: fc.constantFrom('auto' as const, 'cut' as const, 'form' as const),
    dry: fc.boolean(),
  });

  test('a plan that can be done, or a reason in words', () => {
    fc.assert(
      fc.property(anyQuestion, (q) => {
        const result = answerQuestion(q);
        if (!result.ok) {
          for (const p of result.problems)
            for (const part of [p, p.remedy]) expect(tell(part, 'mm')).toMatch(/^[^{}]{8,}$/);
          return;
        }
        const p = result.value;
        const { used } = p.tapDrill;
        expect(used.drill.diameterMm).toBeLessThan(p.thread.majorMm);
        if (p.tapDrill.because === 'chosen') expect(used.verdict).not.toBe('outside');
        if (p.wall) expect(p.wall.value).toBeGreaterThan(0);
        if (p.hole.thicknessMm !== undefined)
          expect(p.hole.threadDepthMm).toBeLessThanOrEqual(p.hole.thicknessMm + 1e-9);
        if ('rpm' in p.drilling.speed && p.machine?.speeds.kind === 'steps')
          expect(STEPS).toContain(p.drilling.speed.rpm);
        for (const [i, pilot] of p.drilling.pilots.entries())
          expect(pilot.diameterMm).toBeLessThan((p.drilling.pilots[i + 1] ?? used.drill).diameterMm);
        for (const phrase of [...p.cautions, ...p.assumptions, ...p.steps.flatMap((s) => [s.order, ...s.details])])
          expect(tell(phrase, 'inch')).not.toMatch(/[{}]|NaN|undefined/);
        for (const figure of [
          p.drilling.ideal,
          p.drilling.feed,
          used.hole,
          p.tapping.best.breaking,
          p.tapping.best.turns,
        ]) {
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
      const r = answerForm(form(over), shop);
      if (!r.ok) throw new Error(tell(r.problems[0], 'mm'));
      return [r.value.tapDrill.used.drill.label, r.value.wall?.value, r.value.drilling.ideal.value];
    };
    expect(figures({ thickness: '25.4', units: 'mm' })).toEqual(figures({ thickness: '1', units: 'inch' }));
    expect(figures({ thickness: '25.4 mm', units: 'inch' })).toEqual(figures({ thickness: '1"', units: 'mm' }));
  });

  test('every bad field is named, with what may be taken instead', () => {
    const r = answerForm(
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
    const drill = answerForm(form({ drill: '6.83' }), shop);
    expect(drill.ok ? '' : drill.problems[0].field).toBe('drill');
  });

  test('a bare number says which unit it took; percent reads with its sign; a job rules its holes', () => {
    const r = answerForm(form({ thickness: '25', percent: '70 %' }), shop);
    expect(r.ok && r.value.tapDrill.target.value).toBe(70);
    expect(r.ok && r.value.assumptions.map((a) => tell(a, 'mm'))).toContain('25 has no unit and is taken as mm.');
    expect(questionInJob(form({}), { materialId: 'copper', quantity: 4 })).toMatchObject({
      material: 'copper',
      parts: '4',
    });
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
