import fc from 'fast-check';
import { plannerFor } from '../job/plan-in-job';
import { USUAL_PART } from '../layout/part';
import { USUAL_HABITS } from '../shop/habits';
import type { Shop } from '../shop/shop';
import { machineOf, METRIC_INDEX, planned, shop as plainShop } from '../tests/bench-shop';
import { readCallout } from '../threads/read-callout';
import { THREADS } from '../threads/standards';
import { withDepth, writeCallout } from '../threads/write-callout';
import { tell } from '../units/show';
import { machineFigures } from './compare-machines';
import { BLANK_FORM, type AskForm } from './form';
import { mainCut } from './hole-plan';
import { mouthDepth, sectionOf } from './section';
import { tradeOffs } from './trade-off';

const press = machineOf('press', 'drill-press', [140, 560, 980, 1700]);
const shop: Shop = {
  ...plainShop,
  machines: [press, { ...press, id: 'mill', name: 'mill', kind: 'mill', reversible: true }],
  pools: [{ ...METRIC_INDEX, id: 'crib' }],
  habits: USUAL_HABITS,
};
const plan = (over: Partial<AskForm>) => planned(over, { at: shop });

describe('the section of a hole', () => {
  const levels = (over: Partial<AskForm>): string[] =>
    sectionOf(plan(over)).levels.map(
      (l) => `${tell(l.name, 'mm')} ${l.mm.toFixed(1)}${l.feature ? ` draws ${l.feature.kind}` : ''}`,
    );

  test('a stack: clearance, thread through what is left; each written depth can be drawn', () => {
    const p = plan({ callout: 'ø9 x 10 DEEP M8 x 22 DEEP', thickness: '40' });
    const s = sectionOf(p);
    expect(s.bores.map((b) => [b.diameterMm, +b.fullMm.toFixed(2)])).toEqual([
      [9, 10],
      [6.8, 28.25],
    ]);
    expect(s.thread).toMatchObject({ fromMm: 10, endMm: 22, majorMm: 8, pitchMm: 1.25 });
    // 28.25 and a tip of 3.4 / tan 59.
    expect(levels({ callout: 'ø9 x 10 DEEP M8 x 22 DEEP', thickness: '40' })).toEqual([
      'larger part to 10.0 draws hole',
      'full thread to 22.0 draws thread',
      'full, 1.3 mm chip room 28.3',
      'stop, from touch 30.3',
      'back, wall 9.7 mm 40.0',
    ]);
  });

  test('a counterbore takes the top of its drill; a countersink opens the mouth; a reamer hides its drill', () => {
    expect(levels({ callout: 'ø9 THRU CBORE ø15 x 8.6', thickness: '16' })).toEqual([
      'counterbore to 8.6 draws counterbore',
      'through the plate 16.0',
      'tip clears at 18.7',
    ]);
    const sunk = sectionOf(plan({ callout: 'M6 THRU CSK 12 x 90°', thickness: '16' }));
    expect(sunk.mouth).toMatchObject({ diameterMm: 12, angleDeg: 90 });
    const stack = { callout: 'ø14 x 6 DEEP M12 THRU CBORE 20 x 2', thickness: '16' };
    expect(levels(stack).slice(0, 2)).toEqual([
      'counterbore to 2.0 draws counterbore',
      'larger part to 6.0 draws hole',
    ]);
    const kept = sectionOf(plan({ callout: 'M10 THRU', thickness: '12', existing: '8.5' }));
    expect([kept.bores, kept.subtitle]).toEqual([[{ diameterMm: 8.5, fullMm: 12, tipMm: 0 }], 'the existing hole']);
    const reamed = sectionOf(plan({ callout: 'ø8 H7 REAM x 20 DEEP', thickness: '40' }));
    expect(reamed.bores.map((b) => b.diameterMm)).toEqual([8, 7.7]);
  });

  // 6.8 ends in a cone of 3.4 / tan 59° = 2.04; at 90° a mouth of 8.4 reaches 0.8 below the face of a hole of 6.8.
  test('each depth hangs from the operation that makes it, and says what it is of; a narrower bore goes on below', () => {
    const hung = (over: Partial<AskForm>): string[] =>
      sectionOf(plan(over)).levels.map(
        (l) =>
          `${l.mm.toFixed(2)} ${tell(l.name, 'mm')}${l.op ? `, ${l.op}` : ''}${l.setMm ? `, set ${l.setMm.toFixed(1)}` : ''}${l.strong ? ' !' : ''}`,
      );
    expect(hung({ callout: 'M8 x 16 DEEP', thickness: '25', taps: 'M8x1.25 plug, M8x1.25 bottoming' })).toEqual([
      '16.00 full thread to, tap-2',
      '19.75 full, 1.3 mm chip room, drill !',
      '21.79 stop, from touch, set 22.0 !',
      '25.00 back, wall 3.2 mm',
    ]);
    expect(hung({ callout: 'M10 x 12 DEEP ø8 H7 REAM THRU', thickness: '25' }).slice(0, 3)).toEqual([
      '12.00 full thread to, tap-1',
      '19.50 tap drill to, drill !',
      '25.00 through the plate, drill !',
    ]);
    expect(hung({ callout: 'ø9 x 20 DEEP CBORE ø15 x 8.6', thickness: '40' })).toEqual([
      '8.60 counterbore to, counterbore',
      '20.00 full diameter to, drill !',
      '22.70 stop, from touch, set 23.0 !',
      '40.00 back, wall 17.3 mm',
    ]);
    const through = sectionOf(plan({ callout: 'M8 THRU', thickness: '12' }));
    expect([through.title, through.subtitle, through.thread?.runOutMm]).toEqual([
      'M8x1.25',
      'drill 6.8 mm, 118° point',
      0,
    ]);
    expect(mouthDepth(through.mouth ?? { diameterMm: 0, angleDeg: 90, fromMm: 0 }, 6.8)).toBeCloseTo(0.8, 9);
    const spotted = sectionOf(plan({ callout: 'ø6 THRU', thickness: '12', machine: 'mill' }));
    expect([spotted.title, spotted.mouth]).toEqual(['ø6.0', undefined]);
    expect(sectionOf(plan({ callout: 'ø9 x 20 DEEP', thickness: '40' })).levels[0].feature?.kind).toBe('hole');
  });
});

describe('a callout written and read', () => {
  const read = (text: string) => {
    const r = readCallout(text);
    if (!r.ok) throw new Error(text);
    return r.value;
  };

  test.each([
    ['3x M10 x 8 DEEP', '3x M10x1.5 x 8 DEEP'],
    ['4x ø9 THRU CBORE ø15 x 8.6', '4x ø9 mm THRU CBORE ø15 mm x 8.6 mm DEEP'],
    ['1/4-20 UNC-2B x .5 DEEP LH', '1/4-20 UNC-2B LH x 0.5 DEEP'],
    ['5/16-18 UNC x 14 mm DEEP', '5/16-18 UNC x 14 mm DEEP'],
    ['ø8 H7 REAM THRU', 'ø8 mm H7 REAM THRU'],
  ])('%s', (typed, written) => {
    expect(writeCallout(read(typed))).toBe(written);
    expect(read(written).features).toEqual(read(typed).features);
  });

  test('every thread comes back, with the depth that it was drawn to', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...THREADS),
        fc.integer({ min: 2, max: 80 }),
        fc.integer({ min: 1, max: 9 }),
        (t, half, count) => {
          const callout = read(`${count}x ${t.designation} THRU`);
          const back = read(writeCallout(withDepth(callout, callout.features[0], half / 2)));
          expect([back.count, back.features]).toEqual([
            count,
            [{ ...callout.features[0], extent: { kind: 'depth', mm: half / 2 } }],
          ]);
        },
      ),
    );
  });
});

test('drill against tap: a larger drill spares the tap and never adds strength', () => {
  const { thread } = plan({ callout: 'M8 x 12 DEEP', thickness: '40' });
  const all = thread ? tradeOffs(thread) : [];
  expect(all.length).toBeGreaterThan(5);
  all.slice(1).forEach((t, i) => {
    expect(t.load.safety).toBeGreaterThan(all[i].load.safety);
    expect(t.strength).toBeLessThanOrEqual((all[i].strength ?? 0) + 1e-9);
  });
  const taper = plan({ callout: '1/8 NPT', thickness: '20' }).thread;
  expect(taper && tradeOffs(taper)).toEqual([]);
});

test('on another machine: start, stop and figures are its own; in a job the part gives thickness and lever once laid out', () => {
  const feature = { question: { ...BLANK_FORM, callout: 'M8 THRU', machine: 'press' }, face: 'top' as const };
  const job = { materialId: 'steel-low-carbon', quantity: 2, part: USUAL_PART };
  const of = (machine: string, place?: { kind: 'point'; x: number; y: number }) =>
    plannerFor(shop).plan({ ...feature, place, question: { ...feature.question, machine } }, job);
  const [onPress, onMill] = shop.machines.map((m) => machineFigures(m, of(m.id)));
  expect([onPress.start, onMill.start]).toEqual(['centre-drill', 'spot']);
  expect((onMill.oversizeMm ?? 1) < (onPress.oversizeMm ?? 0)).toBe(true);
  const laid = of('press', { kind: 'point', x: 30, y: 20 });
  const lever = (r: typeof laid) => {
    const force = r.ok ? mainCut(r.value)?.grab?.force.working.inputs[1].quantity : undefined;
    return typeof force === 'object' ? force.value : undefined;
  };
  expect([laid.ok && laid.value.hole.thicknessMm, lever(laid)]).toEqual([16, Math.hypot(90, 60)]);
  const bare = of('press');
  expect([bare.ok && bare.value.hole.thicknessMm, lever(bare)]).toEqual([7, 100]);
  expect(machineFigures(press, { ok: false, problems: [] }).operations).toBe(0);
});
