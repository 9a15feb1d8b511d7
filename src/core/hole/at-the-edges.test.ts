import type { Material } from '../materials/material';
import { MATERIALS } from '../materials/materials';
import { planned, refused, shop as plain } from '../tests/bench-shop';
import type { CutSpec } from '../operation/operation';
import type { Shop } from '../shop/shop';
import { tell } from '../units/show';
import type { AskForm } from './form';
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
    // The press does not reverse, and no tap is turned by hand in it.
    expect(refused({ callout: 'M8 THRU', thickness: '12', material: 'own-380', drills: 'cobalt' }, shop)).toEqual([
      'no-way-to-tap@tap',
    ]);
    expect(
      refused({ callout: 'M8 THRU', thickness: '12', material: 'own-430', machine: 'mill', drills: 'carbide' }, shop),
    ).toEqual(['no-way-to-tap@tap']);
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
      'no-way-to-tap@tap',
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
      if (callout !== 'M3 x 6 DEEP') expect(stops.join(' ')).toContain('Touch on the face beside the centre hole');
    }
  });

  test('a scale is never set through the back, nor so that the tap bottoms', () => {
    const reading = (callout: string, thickness: string): [set: number, travel: number] => {
      const cut = planned({ callout, thickness, drills: 'all' }).operations.find((o) => o.key === 'drill')?.cut;
      const set = cut?.stop[0].order.values?.reading as { value: number } | undefined;
      return [set?.value ?? 0, cut?.travel.value ?? 0];
    };
    for (const callout of ['M5 x 8 DEEP', 'M2 x 4 DEEP', 'M3 x 6 DEEP', 'M6 x 8 DEEP', 'M4 x 7 DEEP'])
      for (const thickness of ['12', '14', '20', '30']) {
        const [set, travel] = reading(callout, thickness);
        if (set === 0) continue;
        expect([callout, thickness, set >= travel - 0.1 - 1e-9, set < Number(thickness)]).toEqual([
          callout,
          thickness,
          true,
          true,
        ]);
      }
  });
});
