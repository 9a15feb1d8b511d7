import type { Material } from '../materials/material';
import { MATERIALS } from '../materials/materials';
import { planned, refused, shop as plain } from '../tests/bench-shop';
import type { CutSpec } from '../operation/operation';
import type { Shop } from '../shop/shop';
import { usualOwnTap } from '../tapping/own-tap';
import { lastTurn } from '../tapping/turning';
import type { Thread } from '../threads/thread';
import { threadNamed } from '../threads/thread-named';
import { tell } from '../units/show';
import { BLANK_FORM, type AskForm } from './form';
import { planForm } from './read-form';
import { formingDrill, weighDrill } from './trade-off';
import { allCautions, refusals, type HolePlan } from './hole-plan';

const said = (p: HolePlan): string =>
  allCautions(p)
    .map((c) => tell(c, 'mm'))
    .join(' ');
const levelOf = (p: HolePlan) => p.thread?.tapping.best.load?.level;
const RANK = ['calm', 'careful', 'warn', 'stop'];

describe('hardness has a ceiling, for taps and for drills, of the catalogue and of the shop’s own metals', () => {
  const hard = (hardnessHb: number): Material => ({
    ...(MATERIALS.find((m) => m.id === 'steel-alloy-prehard') as Material),
    id: `own-${hardnessHb}`,
    hardnessHb,
  });
  const cobalt = {
    id: 'cobalt',
    label: 'cobalt',
    drills: plain.pools[1].drills.map((d) => ({ ...d, material: 'cobalt' as const })),
  };
  const carbide = {
    id: 'carbide',
    label: 'carbide',
    drills: cobalt.drills.map((d) => ({ ...d, material: 'carbide' as const })),
  };
  const shop = {
    ...plain,
    pools: [...plain.pools, cobalt, carbide],
    materials: [...plain.materials, ...[350, 360, 371, 380, 430, 440, 600].map(hard)],
  };
  const at = (hb: number, over: Partial<AskForm> = {}): HolePlan =>
    planned(
      { callout: 'M8 x 12 DEEP', thickness: '40', material: `own-${hb}`, drills: 'cobalt', ...over },
      { at: shop },
    );

  test('a tap: by hand to 38 HRC, from there a rigid machine with a cobalt or carbide tap and a warning, none over 45', () => {
    expect(at(350).thread?.tapping.best.id).toMatch(/hand|chuck/);
    const machined = at(380, { machine: 'mill' });
    expect(machined.thread?.tapping.best.id).toBe('reversing-spindle');
    expect(machined.thread?.tapping.best.taps.every((t) => t.steel === 'cobalt' || t.steel === 'carbide')).toBe(true);
    expect(RANK.indexOf(levelOf(machined) ?? '')).toBeGreaterThanOrEqual(2);
    // A plain tap of the crib does not cut it: one to buy is named.
    const withTaps = planned(
      { callout: 'M8 THRU', thickness: '12', material: 'own-380', drills: 'cobalt', machine: 'mill' },
      { at: { ...shop, taps: [usualOwnTap('t', threadNamed('M8') as Thread, 'plug')] } },
    );
    expect(withTaps.thread?.tapping.best.taps.map((t) => [t.steel, t.owned])).toContainEqual(['cobalt', false]);
    // The press does not reverse, and no tap is turned by hand in it.
    expect(refused({ callout: 'M8 THRU', thickness: '12', material: 'own-380', drills: 'cobalt' }, shop)).toEqual([
      'no-way-to-tap@tap',
    ]);
    expect(
      refused({ callout: 'M8 THRU', thickness: '12', material: 'own-430', machine: 'mill', drills: 'carbide' }, shop),
    ).toEqual(['metal-hard@material']);
    // An old thread in it is kept.
    const kept = { callout: 'M8 THRU', thickness: '12', material: 'own-430', machine: 'mill', existing: 'thread' };
    expect(refused(kept, shop)).toEqual([]);
  });

  test('a drill: high-speed steel to 40 HRC, cobalt to 46, carbide above on a rigid machine; else refused, not slowed', () => {
    const plainHole = (hb: number, drills: string, machine = 'mill') =>
      refusals(at(hb, { callout: 'ø8 THRU', drills, drill: '', machine })).map((p) => p.code);
    expect(plainHole(371, 'metric-1-13-by-0.1')).toEqual([]);
    expect(plainHole(430, 'cobalt')).toEqual([]);
    expect(plainHole(600, 'carbide')).toEqual([]);
    expect(plainHole(600, 'carbide', 'press')).toEqual(['drill-soft']);
    // The set has none that cuts it: what to get is named with its steel.
    const bought = at(380, { callout: 'ø8 THRU', drills: 'metric-1-13-by-0.1', machine: 'mill' });
    expect(said(bought)).toContain('you need 8.0 mm, cobalt');
  });

  test('the catalogue has steels at 40 and 50 HRC and a hardened tool steel', () => {
    const of = (id: string) => MATERIALS.find((m) => m.id === id)?.hardnessHb;
    expect([of('steel-hard-40'), of('steel-hard-50'), of('steel-tool-hardened')]).toEqual([371, 481, 615]);
    expect(refused({ callout: 'M8 THRU', thickness: '12', material: 'steel-hard-50', machine: 'mill' })).toEqual([
      'metal-hard@material',
    ]);
  });
});

describe('small holes and shallow depths', () => {
  const tools = [2, 3.15].map((smallMm) => ({
    id: `c${smallMm}`,
    kind: 'centre-drill' as const,
    name: `Centre drill ${smallMm}`,
    smallMm,
    diameterMm: 2.5 * smallMm,
    condition: 'sharp' as const,
  }));
  const shop = { ...plain, tools: tools as unknown as Shop['tools'], pools: plain.pools };
  const start = (callout: string) => {
    const p = planned({ callout, thickness: '25', start: 'centre-drill', drills: 'all' }, { at: shop });
    const cut = p.operations.find((o) => o.code === 'start')?.cut;
    return { p, spec: cut?.spec as CutSpec, drillMm: p.thread?.tapDrill.used.drill.diameterMm ?? 0 };
  };

  test.each(['M1.6 x 3 DEEP', 'M2 x 4 DEEP', '#0-80 x 0.15 DEEP', '8 BA x 5 DEEP', '10 BA x 4 DEEP', 'M2.5 THRU'])(
    '%s keeps its thread: a centre drill only touches',
    (callout) => {
      const { p, spec, drillMm } = start(callout);
      // The point of 118° has opened so far at this depth.
      expect(2 * spec.fullMm * Math.tan((59 * Math.PI) / 180)).toBeLessThan(drillMm);
      expect(tell(p.operations.find((o) => o.code === 'start')?.order ?? { text: '' }, 'mm')).toContain('Only touch');
    },
  );

  test('from 3 mm on its tip is under the hole and its cone under the chamfer; the face beside it is touched', () => {
    for (const callout of ['M4 x 8 DEEP', 'M5 x 8 DEEP', 'M8 x 16 DEEP', 'M3 x 6 DEEP']) {
      const { p, spec, drillMm } = start(callout);
      expect([callout, spec.diameterMm < drillMm]).toEqual([callout, true]);
      const stops = p.operations.find((o) => o.key === 'drill')?.cut?.stop.map((s) => tell(s.order, 'mm')) ?? [];
      if (callout !== 'M3 x 6 DEEP') expect(stops.join(' ')).toContain('Touch the face beside the centre hole');
    }
  });

  test('a scale is never set through the back, nor so that the tap bottoms', () => {
    const reading = (callout: string, thickness: string) => {
      const cut = planned({ callout, thickness, drills: 'all' }).operations.find((o) => o.key === 'drill')?.cut;
      const set = cut?.stop[0].order.values?.reading as { value: number } | undefined;
      return { set: set?.value ?? 0, travel: cut?.travel.value ?? 0, stopMm: cut?.stopMm };
    };
    for (const callout of ['M5 x 8 DEEP', 'M2 x 4 DEEP', 'M3 x 6 DEEP', 'M6 x 8 DEEP', 'M4 x 7 DEEP'])
      for (const thickness of ['12', '14', '20', '30']) {
        const { set, travel, stopMm } = reading(callout, thickness);
        if (set === 0) continue;
        // What is read off the scale is the one figure everywhere.
        expect(stopMm).toBe(set);
        expect([callout, thickness, set >= travel - 0.1 - 1e-9, set < Number(thickness)]).toEqual([
          callout,
          thickness,
          true,
          true,
        ]);
      }
  });
});

describe('the whole ladder of drills', () => {
  const THREADS = ['M2', 'M2.5', 'M3', 'M4', 'M5', 'M6', 'M8', 'M10', 'M12', 'M16', 'M20'];
  const INCH = ['#4-40', '#6-32', '#8-32', '#10-24', '1/4-20', '5/16-18', '3/8-16', '1/2-13', '5/8-11', '3/4-10'];
  const STARTS = ['hand', 'punch', 'centre-drill', 'spot', 'bushing'] as const;

  test('in every metal and set, by every start: never under the printed chart in tough metal, never calm under the class', () => {
    const wrong: string[] = [];
    let seen = 0;
    for (const material of MATERIALS.filter((m) => m.hardnessHb <= 355 && m.group !== 'plastic'))
      for (const [i, callout] of [...THREADS, ...INCH].entries())
        for (const drills of plain.pools.map((p) => p.id)) {
          // Every third of them by every start: they come round in every metal and set.
          const start = STARTS[(i + seen) % STARTS.length];
          seen += 1;
          const question = {
            callout: `${callout} THRU`,
            material: material.id,
            drills,
            start,
            machine: 'press',
            thickness: '12',
          };
          const result = planForm({ ...BLANK_FORM, ...question }, plain);
          if (!result.ok || !result.value.thread) continue;
          const { tapDrill, tapping, limits } = result.value.thread;
          const tough = ['stainless', 'titanium', 'nickel'].includes(material.group) || material.hardnessHb >= 250;
          const chart = tapDrill.methods.find((m) => m.id === 'chart')?.drill.diameterMm ?? 0;
          const where = `${callout} ${material.id} ${drills} ${start} ${tapDrill.used.drill.label}`;
          if (tough && tapDrill.used.drill.diameterMm < chart - 0.031) wrong.push(`under the chart: ${where}`);
          const under = tapDrill.used.finishedMinorMm < (limits?.minorMinMm ?? 0);
          if (under && tapping.best.load?.level === 'calm') wrong.push(`calm under the class: ${where}`);
          if (under && /would take it/.test(said(result.value))) wrong.push(`a looser class offered: ${where}`);
        }
    expect(wrong).toEqual([]);
    expect(seen).toBeGreaterThan(2000);
  });

  test.each([
    ['M3', 'cordless', 'stainless-austenitic', 'metric-1-13-by-0.1', 2.5],
    ['M4', 'cordless', 'stainless-austenitic', 'metric-1-13-by-0.1', 3.3],
    ['M5', 'cordless', 'stainless-austenitic', 'metric-1-13-by-0.1', 4.2],
    ['M10', 'cordless', 'stainless-austenitic', 'metric-1-13-by-0.1', 8.5],
    ['M6', 'mill', 'nickel-alloy', 'metric-1-13-by-0.1', 5.1],
    ['M6', 'press', 'aluminium-wrought-6000', 'metric-1-13-by-0.1', 5],
    ['M10', 'press', 'aluminium-wrought-6000', 'metric-1-13-by-0.1', 8.5],
  ])('%s by %s in %s', (callout, machine, material, drills, mm) =>
    expect(
      planned({ callout: `${callout} THRU`, machine, material, drills, thickness: '10' }).thread?.tapDrill.used.drill
        .diameterMm,
    ).toBeGreaterThanOrEqual(mm - 1e-6),
  );
});

describe('small taps and hands', () => {
  test.each(['#0-80 THRU', '#2-56 THRU', 'M2.5 THRU', 'M4 THRU'])(
    '%s is never turned by a plain chuck under power',
    (callout) => {
      for (const machine of ['mill', 'lathe', 'press']) {
        const p = planned({ callout, machine, thickness: '6', drills: 'all' }, { setting: { offAxisMm: 0 } });
        const driven = p.thread?.tapping.ways.filter((w) =>
          ['reversing-spindle', 'lathe', 'power-start'].includes(w.id),
        );
        expect(driven?.map((w) => w.possible)).toEqual([false, false, false]);
      }
    },
  );

  test('no thread is formed in a hole that a hand drill made, unless it is asked for', () => {
    const at = { ...plain, taps: [usualOwnTap('f', threadNamed('M2.5') as Thread, 'form')] };
    const kind = (machine: string) =>
      planned(
        { callout: '20x M2.5 THRU', machine, thickness: '4', material: 'aluminium-wrought-6000', drills: 'all' },
        { at },
      ).thread?.kind;
    expect([kind('cordless'), kind('mill')]).toEqual(['cut', 'form']);
    const drawn = { callout: '20x M2.5 THRU TAP DRILL 2.1', machine: 'mill', thickness: '4', drills: 'all' };
    const cut = planned({ ...drawn, material: 'aluminium-wrought-6000' }, { at });
    expect([cut.thread?.kind, cut.thread?.tapDrill.because]).toEqual(['cut', 'drawn']);
  });
});

describe('what prints say', () => {
  const drillOf = (callout: string, drills = 'all') => {
    const p = planned({ callout, thickness: '16', drills });
    return `${p.thread?.tapDrill.used.drill.label} ${allCautions(p).some((c) => c.code === 'drawn-drill') ? 'said' : ''}`.trim();
  };
  test.each([
    ['27/64 DRILL, 1/2-13 UNC TAP THRU', '27/64 said'],
    ['1/4-20 UNC-2B (#7) THRU', '#7 said'],
    ['TAP DRILL 17/64 M8 THRU', '17/64 said'],
    ['M8 THRU TAP DRILL 6.7', '6.7 said'],
    ['M8 THRU TAP DRILL 6.8', '6.8'],
  ])('%s: the drill on the drawing is obeyed, and another that fits better named', (callout, expected) =>
    expect(drillOf(callout)).toBe(expected),
  );

  test('one that leaves the thread out of class is overruled aloud', () => {
    const p = planned({ callout: 'M8 THRU TAP DRILL 7.3', thickness: '16', drills: 'all' });
    expect(p.thread?.tapDrill.used.drill.label).not.toBe('7.3');
    expect(said(p)).toContain('The drawing gives a 7.3 mm drill');
  });
});

describe('pipe threads, and running dry', () => {
  test.each([
    ['1/4 NPT', '3', 'stop'],
    ['1/4 NPT', '8', 'warn'],
    ['1/4 NPT', '12', undefined],
    ['Rc 1/2', '8', 'stop'],
    ['1 NPT', '12', 'warn'],
  ])('%s through %s mm', (callout, thickness, level) => {
    // Hand-tight and effective length: 1/4 NPT 5.8 and 10.2, Rc 1/2 8.2 and 13.2, 1 NPT 10.2 and 17.3.
    const p = planned({
      callout: `${callout} THRU`,
      thickness,
      material: 'aluminium-wrought-6000',
      machine: 'mill',
      drills: 'all',
    });
    expect(allCautions(p).find((c) => c.code === 'pipe-wall')?.level).toBe(level);
  });

  test('a depth beside a G thread is in the shop’s own unit; no bolt is asked of a pipe thread', () => {
    const g = planned({ callout: 'G 1/2 x 14 DEEP', thickness: '30', drills: 'all' });
    expect(g.thread?.at.lengthMm).toBe(14);
    expect(g.thread?.engagement).toBeUndefined();
    expect(
      planned({ callout: 'G 1/2 x 0.55 DEEP', thickness: '2', units: 'inch', drills: 'all' }).thread?.at.lengthMm,
    ).toBeCloseTo(13.97, 2);
  });

  test('dry in a metal that must have fluid is named, and at best a warning', () => {
    const p = planned({ callout: 'M8 THRU', thickness: '10', material: 'stainless-austenitic', dry: true });
    expect(said(p)).toContain('Dry in Stainless, austenitic');
    expect(RANK.indexOf(levelOf(p) ?? '')).toBeGreaterThanOrEqual(2);
    expect(said(planned({ callout: 'M8 THRU', thickness: '10', material: 'iron-grey', dry: true }))).not.toContain(
      'Dry in',
    );
  });
});

describe('walls, depth and speeds', () => {
  test('a through thread under a counterbore counts the turns that it has', () => {
    // 16 less 9 of counterbore: 7 mm of M6, and the 8 threads of a taper or the 4 of a plug.
    const p = planned({ callout: 'M6 THRU CBORE ø11 x 9', thickness: '16', drills: 'all' });
    const [use] = p.thread?.tapping.best.each ?? [];
    expect([p.thread?.at.fromMm, p.thread?.at.lengthMm]).toEqual([9, 7]);
    expect(use.turns.value).toBeCloseTo(7 + use.tap.chamferThreads, 9);
  });

  test('a way that makes the hole much deeper is taken only where nothing else does it', () => {
    for (const [callout, thickness] of [
      ['1/4-20 x 1.5 DEEP', '90'],
      ['M8 x 48 DEEP', '120'],
      ['M6 x 20 DEEP', '60'],
    ]) {
      const p = planned({ callout, thickness, material: 'stainless-austenitic', drills: 'all' });
      const { best } = p.thread?.tapping ?? {};
      const extra = (best?.depth?.fullDiameter.value ?? 0) - (p.thread?.at.lengthMm ?? 0);
      expect([callout, extra <= 1.25 * (p.thread?.thread.majorMm ?? 0)]).toEqual([callout, true]);
    }
  });

  test('of two ways to make room the one with the thicker wall is taken; under half a millimetre is none', () => {
    for (const thickness of ['15.7', '16', '16.5', '17', '18']) {
      const p = planned({ callout: 'M6 x 12 DEEP', thickness, drills: 'all' });
      const { room, rooms = [] } = p.thread ?? {};
      const walls = rooms.map((r) => r.wallMm ?? 0);
      // A millimetre with usual tools is thin and yet better than a tool that the crib has not.
      const usual = rooms.filter((r) => ['deeper', 'bottoming'].includes(r.id) && (r.wallMm ?? 0) >= 0.9);
      const fits = rooms.some((r) => r.fits) && usual.length === 0;
      expect(room?.wallMm).toBeGreaterThanOrEqual(0.5);
      expect([
        thickness,
        fits ? room?.fits : room?.wallMm === Math.max(...(usual.length > 0 ? usual.map((r) => r.wallMm ?? 0) : walls)),
      ]).toEqual([thickness, true]);
    }
  });

  test('where no room leaves a wall the hole is refused for that', () => {
    expect(refused({ callout: 'M6 x 12 DEEP', thickness: '15.2', drills: 'all' })).toEqual(['wall-zero@threadDepth']);
  });

  test('a sheet that has no thread to speak of is stopped, with what to use', () => {
    const p = planned({ callout: 'M4 THRU', thickness: '0.8', material: 'stainless-austenitic', drills: 'all' });
    expect(allCautions(p).find((c) => c.code === 'threads-in-sheet')?.level).toBe('stop');
    expect(said(p)).toContain('rivet nut');
  });

  test('in steel and iron no step over 130 % while there is a slower one; a trigger at half of its travel or more', () => {
    for (const material of ['iron-grey', 'steel-low-carbon', 'stainless-free-machining'])
      for (const mm of [6, 8, 10, 14, 17, 19, 20]) {
        const p = planned({ callout: `ø${mm} THRU`, thickness: '10', machine: 'mill', material, drills: 'all' });
        const cut = p.operations.find((o) => o.key === 'drill')?.cut;
        if (cut?.speed.ok) expect([material, mm, cut.speed.value.percentOfIdeal <= 130]).toEqual([material, mm, true]);
      }
    const held = planned({ callout: 'ø10.5 THRU', thickness: '6', machine: 'cordless', drills: 'all' });
    const speed = held.operations.find((o) => o.key === 'drill')?.cut?.speed;
    expect(speed?.ok && speed.value.label).not.toMatch(/trigger about [1-4]0 %/);
  });
});

describe('said once, with figures that can be known', () => {
  const codes = (p: HolePlan) => allCautions(p).map((c) => c.code);
  const taps = (...list: [string, Parameters<typeof usualOwnTap>[2], object?][]): Shop => ({
    ...plain,
    taps: list.map(([thread, role, over], i) => ({
      ...usualOwnTap(`t${i}`, threadNamed(thread) as Thread, role),
      ...over,
    })),
  });

  test('a countersink takes its threads away: 12 across to 8 of M8 at 90° is 2 mm, and of a sheet there is less left', () => {
    const p = planned({ callout: 'M8 THRU CSK ø12 x 90°', thickness: '10', drills: 'all' });
    expect(p.thread?.at.lengthMm).toBeCloseTo(8, 9);
    expect(said(planned({ callout: 'M4 THRU CSK ø6 x 90°', thickness: '2', drills: 'all' }))).toContain('1.4 threads');
  });

  test('a thread in a sheet is told of its threads, not of its bolt; a length short by a twentieth is not short', () => {
    expect(codes(planned({ callout: 'M4 THRU', thickness: '3', drills: 'all' }))).toContain('threads-in-sheet');
    expect(codes(planned({ callout: 'M4 THRU', thickness: '3', drills: 'all' }))).not.toContain('thread-short');
    const at = (thickness: string) => planned({ callout: 'M8x1 THRU', thickness, drills: 'all' });
    const needed = at('12').thread?.engagement?.needed.value ?? 0;
    expect([0.94, 0.96].map((share) => codes(at(String(share * needed))).includes('thread-short'))).toEqual([
      true,
      false,
    ]);
  });

  test('taps are asked for by role as well as by their key; left-hand ones are bought left-hand', () => {
    const shop = taps(['M8', 'taper'], ['M8', 'plug']);
    const p = planned({ callout: 'M8 THRU', thickness: '12', taps: 'plug', drills: 'all' }, { at: shop });
    expect(p.thread?.tapping.best.sequenceKey).toBe('t1');
    expect(codes(p)).not.toContain('taps-unknown');
    const left = planned({ callout: 'M8 LH THRU', thickness: '12', drills: 'all' }, { at: shop });
    expect(said(left)).toContain('M8x1.25 LH');
  });

  test('a worn tap in tough metal is warned of', () => {
    const at = (condition: 'sharp' | 'worn') => {
      const shop = taps(['M8', 'taper', { condition }]);
      return levelOf(
        planned(
          { callout: 'M8 THRU', thickness: '12', material: 'steel-alloy-prehard', drills: 'all', taps: 't0' },
          { at: shop },
        ),
      );
    };
    expect([at('sharp'), at('worn')]).toEqual(['careful', 'warn']);
  });

  test('an existing hole that leaves a thin thread is answered with what it leaves; under three tenths it is refused', () => {
    // 7.5 in M8 x 1.25: 0.5 / 1.6238 is 31 %; 9.5 in M10 x 1.5: 0.5 / 1.9486 is 26 %.
    const p = planned({ callout: 'M8 THRU', thickness: '12', existing: '7.5', drills: 'all' });
    expect(said(p)).toContain('31 % of thread');
    expect(codes(p)).not.toContain('class-outside');
    expect(refused({ callout: 'M10 THRU', thickness: '12', existing: '9.5', drills: 'all' })).toHaveLength(1);
  });

  test('a percentage that no drill of the class leaves is said; a pipe too large for a drill is bored', () => {
    const p = planned({ callout: 'M8 THRU', thickness: '12', percent: '50', drills: 'all' });
    expect(said(p)).toContain('50 % was asked for');
    const near = planned({ callout: 'M8 THRU', thickness: '12', percent: '70', drills: 'all' });
    expect(codes(near)).not.toContain('percent-asked');
    const npt = planForm({ ...BLANK_FORM, callout: '2 NPT THRU', thickness: '30', machine: 'lathe' }, plain);
    expect(npt.ok ? '' : tell(npt.problems[0].remedy, 'mm')).toMatch(/^Bore it/);
  });

  test('a tap that does not reach has its last turn where it stops: 1 mm short of a pitch of 1.25 is 0.8 turns', () => {
    const p = planned({ callout: 'M8 x 40 DEEP', thickness: '80', drills: 'all' });
    const use = p.thread?.tapping.best.each.at(-1);
    if (!use || !p.thread) throw new Error('no tap');
    const short = { ...use, tap: { ...use.tap, reachMm: use.tipMm - 1 } };
    expect(lastTurn(short, p.thread.thread)).toBeCloseTo(use.turns.value - 0.8, 9);
    expect(lastTurn({ ...use, tap: { ...use.tap, reachMm: use.tipMm + 1 } }, p.thread.thread)).toBe(use.turns.value);
  });

  test('how much thread fits is shown for each way of making room, and that much leaves a sound wall', () => {
    for (const thickness of ['20', '30', '45']) {
      const p = planned({ callout: 'M8 x 8 DEEP', thickness, drills: 'all' });
      for (const { id, mostThreadMm = 0 } of p.thread?.rooms ?? []) {
        const most = planned({ callout: `M8 x ${mostThreadMm} DEEP`, thickness, drills: 'all' });
        expect([id, most.thread?.rooms.find((r) => r.id === id)?.wallMm]).toEqual([id, expect.closeTo(1.6, 6)]);
      }
    }
  });

  test('what is missing is said once; narrow stock by the wall that it leaves', () => {
    const p = planned({ callout: 'M8 THRU', thickness: '12', drills: 'crib' });
    for (const op of p.operations)
      expect(op.cautions.filter((c) => /-missing|to-buy/.test(c.code)).length).toBeLessThan(2);
    const narrow = planned({ callout: 'M6 THRU', thickness: '20', width: '8', drills: 'all' });
    expect(said(narrow)).toContain('1.0 mm is left on each side of the hole, and it bulges or splits');
    const wider = planned({ callout: 'M6 THRU', thickness: '20', width: '14', drills: 'all' });
    expect(said(wider)).toContain('4.0 mm is left on each side of the hole. 18.0 mm across is usual');
  });

  test('a bare depth that no flute reaches is asked about; with its unit it is planned as it is', () => {
    // The longest flute of about 1/4 in is 57 mm: 8 in is out, 8 mm or eight threads of 20 to the inch are in.
    const asked = (over: Partial<AskForm>) => {
      const result = planForm({ ...BLANK_FORM, thickness: '300', drills: 'all', ...over }, plain);
      return result.ok ? [] : result.problems.map((x) => [x.code, x.nearest, x.at]);
    };
    expect(asked({ callout: '1/4-20 x 8 DEEP' })[0]).toEqual([
      'depth-out-of-reach',
      ['8 mm', '8 THREADS', '8 in'],
      { start: 9, end: 10 },
    ]);
    expect(asked({ callout: 'M6', depth: '80' })).toEqual([['depth-out-of-reach', ['80 mm'], undefined]]);
    const lengthOf = (callout: string) =>
      planned({ callout, thickness: '300', drills: 'all' }).thread?.at.lengthMm.toFixed(2);
    // 8 in, 8 mm, eight pitches of 1.27, 2 in.
    expect(['1/4-20 x 8 in DEEP', '1/4-20 x 8 mm DEEP', '1/4-20 x 8 THREADS', '1/4-20 x 2 DEEP'].map(lengthOf)).toEqual(
      ['203.20', '8.00', '10.16', '50.80'],
    );
  });

  test('the drill of a thread that could be formed is weighed with a forming tap', () => {
    const p = planned({ callout: 'M8 THRU', thickness: '12', tap: 'cut', drills: 'all' });
    const drill = p.thread && formingDrill(p.thread);
    const load = p.thread && drill && weighDrill(p.thread, drill).load;
    // A finished minor near 6.85 asks about half more of a forming tap than 6.8 of a cutting one, 4.3 Nm.
    expect(load?.torque.value).toBeGreaterThan(5);
    expect(load?.torque.value).toBeLessThan(9);
  });
});
