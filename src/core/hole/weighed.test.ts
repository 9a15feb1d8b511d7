import { BLANK_FORM, type AskForm } from './form';
import { findDrill } from './find-drill';
import type { ThreadPart } from './hole-plan';
import { planForm } from './read-form';
import { sectionOf } from './section';
import { comparedDrills, formingDrill, tradeOffs, weighDrill } from './trade-off';
import { codesOf, METRIC_INDEX, planned, pool, shop } from '../tests/bench-shop';
import { tell } from '../units/show';

const aluminium = 'aluminium-wrought-6000';
const part = (over: Partial<AskForm>): ThreadPart => {
  const { thread } = planned({ drills: 'metric-1-13-by-0.1', ...over });
  if (!thread) throw new Error('no thread');
  return thread;
};
const labels = (list: ReturnType<typeof comparedDrills>): string[] => list.map((t) => t.candidate.drill.label);

describe('drills weighed against each other', () => {
  const m8 = part({ callout: 'M8 x 12 DEEP', thickness: '30' });

  test('every drill from 36 to 97 % of thread, by size, each with its load', () => {
    const all = tradeOffs(m8);
    // M8x1.25: 1 % is 0.01624 mm: over 35 % under 7.43, under 98 % over 6.41.
    expect([labels(all)[0], labels(all).at(-1)]).toEqual(['6.5', '7.4']);
    const sizes = all.map((t) => t.candidate.drill.diameterMm);
    expect(sizes).toEqual([...sizes].sort((a, b) => a - b));
    const torques = all.map((t) => t.load.torque.value);
    expect(torques).toEqual([...torques].sort((a, b) => b - a));
  });

  test('the one used stands between its neighbours; strength is the thread there over the thread needed', () => {
    expect(labels(comparedDrills(m8))).toEqual(['6.7', '6.8', '6.9']);
    const { strength, neededMm } = comparedDrills(m8)[1];
    expect(strength).toBeCloseTo(12 / (neededMm ?? NaN), 9);
  });

  test('no thread is left by a drill as large as it, and none is weighed in a taper', () => {
    const at = (label: string, of = m8) => {
      const { used } = of.tapDrill;
      return weighDrill(of, { ...used, drill: findDrill(label, METRIC_INDEX) ?? used.drill }).load !== undefined;
    };
    expect([at('7.9'), at('8.0'), at('8.1')]).toEqual([true, false, false]);
    const npt = part({ callout: '1/8 NPT THRU', thickness: '12', drills: 'inch-index-115' });
    expect([weighDrill(npt, npt.tapDrill.used).load, tradeOffs(npt)]).toEqual([undefined, []]);
  });

  test('the drill that forming needs, where the metal may be formed; 0.0068 of 65 % and pitch under the major', () => {
    const forms = (material: string) =>
      formingDrill(part({ callout: 'M6 x 9 DEEP', thickness: '30', material }))?.drill.label;
    expect([forms(aluminium), forms('iron-grey')]).toEqual(['5.5', undefined]);
  });
});

test('a drill is found as stamped, with its unit, in any case; the pool first', () => {
  const label = (text: string) => findDrill(text, METRIC_INDEX)?.label;
  expect(['6.8', ' 6.80 ', '6.8 MM', '17/64', '17/64"', 'f', '#7', '0', '-3', 'x9'].map(label)).toEqual([
    '6.8',
    '6.8',
    '6.8',
    '17/64',
    '17/64',
    'F',
    '#7',
    undefined,
    undefined,
    undefined,
  ]);
  const own = { ...METRIC_INDEX.drills[0], label: 'F' };
  expect(findDrill('F', { ...METRIC_INDEX, drills: [own] })).toBe(own);
});

describe('what is asked of the drill', () => {
  const used = (over: Partial<AskForm>) =>
    part({ callout: 'M8 THRU', thickness: '12', ...over }).tapDrill.used.drill.label;
  const by = (tapDrill: 'chart' | 'subtraction') => ({ ...shop, habits: { ...shop.habits, tapDrill } });

  test('a percentage typed counts for the kind of tap that wset by you, with comma and sign too', () => {
    // 85 % of 1.25: 8 - 1.38 = 6.62; formed at 60: 8 - 0.51 = 7.49.
    expect([
      used({ percent: '85' }),
      used({ percent: ' 85,0% ' }),
      used({ percent: '60', tap: 'form', material: aluminium }),
    ]).toEqual(['6.6', '6.6', expect.stringMatching(/^7\.[45]$/)]);
    const forming = (percent: string, tap: AskForm['tap']) =>
      part({ callout: 'M8 THRU', thickness: '12', material: aluminium, percent, tap }).forming.question.wantedPercent;
    expect([forming('60', 'auto'), forming('60', 'form')]).toEqual([undefined, 60]);
  });

  test('by subtraction M8 takes 8 - 1.25, the smaller of two as near, and a formed thread keeps its own way', () => {
    const drill = (tap: AskForm['tap'], method: 'chart' | 'subtraction') =>
      planned(
        { callout: 'M8 THRU', thickness: '12', drills: 'metric-1-13-by-0.1', material: aluminium, tap },
        { at: by(method) },
      ).thread?.tapDrill.used.drill.label;
    expect([drill('cut', 'subtraction'), drill('cut', 'chart')]).toEqual(['6.7', '6.8']);
    expect(drill('form', 'subtraction')).toBe(drill('form', 'chart'));
    expect(Number(drill('form', 'subtraction'))).toBeGreaterThan(7.3);
  });

  test('an existing hole as large as the thread leaves nothing to tap; one just under its drill is opened', () => {
    const of = (existing: string, callout = 'M10 THRU') => {
      const plan = planned({ callout, thickness: '12', existing });
      return plan.operations.find((o) => o.key === 'drill')?.code;
    };
    expect([of('8.6'), of('8')]).toEqual(['note', 'drill']);
    expect(() => of('10')).toThrow(/nothing to cut/);
    // A blind hole is never served: its depth is not known.
    expect(() => of('8.6', 'M10 x 8 DEEP')).toThrow(/nothing to cut/);
  });
});

describe('what stands near', () => {
  const at = (over: Partial<AskForm>, code: string) => codesOf(planned(over)).filter((c) => c === code).length;

  test('stock narrower than three diameters', () => {
    const near = (width: string) => at({ callout: 'ø9 THRU', thickness: '16', width }, 'edge-near');
    expect([near('26.9'), near('27'), near('')]).toEqual([1, 0, 0]);
  });

  test('a wall under a tip thinner than 1.5 mm or a fifth of the size, said once, at the deepest operation', () => {
    // Tip of 10: 3.0; 2.0 is a fifth of it.
    const wall = (thickness: string) => {
      const plan = planned({ callout: 'ø10 x 20 DEEP', thickness });
      return plan.operations.filter((o) => o.cautions.some((c) => c.code === 'wall-thin')).map((o) => o.key);
    };
    expect([wall('24.9'), wall('25.1')]).toEqual([['drill'], []]);
  });

  test('the drawing’s own drill depth where the tap needs more', () => {
    const drawn = (deep: number) =>
      planned({ callout: `ø8.5 x ${deep} DEEP M10 x 12 DEEP`, thickness: '40' })
        .operations.flatMap((o) => o.cautions)
        .concat(planned({ callout: `ø8.5 x ${deep} DEEP M10 x 12 DEEP`, thickness: '40' }).cautions)
        .filter((c) => c.code === 'drawn-depth')
        .map((c) => tell(c, 'mm'));
    expect(drawn(14)).toHaveLength(1);
    expect(drawn(14)[0]).toMatch(
      /^The drawing gives 14\.0 mm of drill depth; this tap needs \d+\.\d mm of full diameter\.$/,
    );
    expect(drawn(30)).toEqual([]);
  });
});

test('a drill that has to be bought is not in the crib, one asked for is as its case says', () => {
  const owned = (over: Partial<AskForm>) =>
    planned({ callout: 'M8 THRU', thickness: '12', ...over }).operations.find((o) => o.key === 'drill')?.cut?.spec.tool
      .owned;
  const bare = pool('inch-fraction-29').id;
  expect([owned({}), owned({ drills: bare, callout: 'M1.6 THRU', thickness: '3' })]).toEqual([true, false]);
});

test('an unknown material is answered with those that there are; a thread that is there is said in any case', () => {
  const unknown = planForm({ ...BLANK_FORM, callout: 'M8 THRU', machine: 'press', material: 'cheese' }, shop);
  const [problem] = unknown.ok ? [] : unknown.problems;
  expect([problem?.code, problem?.nearest?.[0], tell(problem?.remedy ?? { text: '' }, 'mm')]).toEqual([
    'material-unknown',
    'steel-free-machining',
    expect.stringMatching(/^Pick one of: steel-free-machining, steel-low-carbon, /),
  ]);
  const old = planned({ callout: 'M8 THRU', thickness: '12', existing: ' Thread ' });
  expect(old.hole.existing).toEqual({ kind: 'thread' });
});

describe('a drill set by the user', () => {
  const edited = (over: Partial<AskForm>, drill: { fullMm?: number; drill?: string }) =>
    planned({ callout: 'M8 x 10 DEEP', thickness: '30', ...over }, { edits: { overrides: { drill } } });
  const short = (fullMm: number) =>
    edited({}, { fullMm })
      .operations.filter((o) => o.cautions.some((c) => c.code === 'too-shallow'))
      .map((o) => o.key);

  test('less deep than its last tap needs is said at the drill, to a twentieth of a millimetre', () => {
    const needed =
      planned({ callout: 'M8 x 10 DEEP', thickness: '30' }).thread?.tapping.best.depth?.fullDiameter.value ?? NaN;
    expect([short(needed), short(needed - 0.04), short(needed - 0.06), short(needed - 3)]).toEqual([
      [],
      [],
      ['drill'],
      ['drill'],
    ]);
    const through = edited({ callout: 'M8 THRU', thickness: '12' }, { fullMm: 12.5 });
    expect(codesOf(through)).not.toContain('too-shallow');
  });

  test('another drill is named beside the plan’s own, at the drill alone', () => {
    const { operations } = edited({}, { drill: '7' });
    const said = operations.flatMap((o) => (o.changes ?? []).map((c) => `${o.key}: ${tell(c, 'mm')}`));
    expect(said[0]).toMatch(/^drill: 7\.0 mm instead of /);
    expect(said.filter((text) => !text.startsWith('drill: '))).toEqual([]);
  });
});

test('the load of a way counts the holes of all parts', () => {
  const ways = (callout: string, parts: string) => part({ callout, thickness: '12', parts, machine: 'mill' }).tapping;
  expect(JSON.stringify(ways('4x M6 THRU', '5'))).toBe(JSON.stringify(ways('20x M6 THRU', '1')));
});

test('the section: full thread from the floor of the larger part to its end; the widest part at the mouth', () => {
  const at = planned({ callout: 'ø9 x 4 DEEP M8 x 16 DEEP', thickness: '30' });
  const { thread } = sectionOf(at);
  expect([thread?.fromMm, thread?.endMm]).toEqual([4, 16]);
  const old = sectionOf(planned({ callout: 'ø9 x 4 DEEP M8 x 16 DEEP', thickness: '30', existing: 'thread' }));
  expect([old.thread?.fromMm, old.thread?.endMm]).toEqual([4, 16]);
});
