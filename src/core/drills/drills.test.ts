import fc from 'fast-check';
import type { Material } from '../materials/material';
import { MATERIALS } from '../materials/materials';
import { inputsOf } from '../tests/inputs-of';
import { ALL_DRILLS, drillName, INCH_DRILLS, isUsable, METRIC_DRILLS, pointAngleOf, type Drill } from './drill';
import { chamferDepth, chamferDiameter, chiselEdge, coneDepth, drillTip, webThickness } from './drill-point';
import { DRILL_SETS } from './drill-sets';
import { closestDrill, drillsBetween } from './near-size';
import { pilotChain, pilotFreeUpTo } from './pilot-chain';
import { expectedHole, type StartMeans } from './expected-hole';

const material = (id: string): Material => MATERIALS.find((m) => m.id === id) as Material;
const metric = (mm: number): Drill => ({ series: 'metric', label: String(mm), diameterMm: mm });
const set = (id: string) => DRILL_SETS.find((s) => s.id === id)?.drills ?? [];

describe('sizes and sets', () => {
  test('numbers, letters and fractions as the standard lists them, inches', () => {
    const inch = (label: string) => (INCH_DRILLS.find((d) => d.label === label)?.diameterMm ?? NaN) / 25.4;
    expect(['#80', '#60', '#36', '#29', '#7', '#1', 'A', 'E', 'F', 'Q', 'Z'].map((l) => +inch(l).toFixed(4))).toEqual([
      0.0135, 0.04, 0.1065, 0.136, 0.201, 0.228, 0.234, 0.25, 0.257, 0.332, 0.413,
    ]);
    expect(inch('31/64')).toBeCloseTo(31 / 64, 9);
    expect(INCH_DRILLS.filter((d) => d.series === 'fraction')).toHaveLength(96);
    expect(inch('1-1/2')).toBeCloseTo(1.5, 12);
  });

  test('the usual sets hold what they are sold with', () => {
    expect(
      ['inch-index-115', 'inch-fraction-29', 'metric-1-13-by-0.1', 'metric-1-10-by-0.5'].map((id) => set(id).length),
    ).toEqual([115, 29, 121, 19]);
    expect(set('metric-1-13-by-0.1').some((d) => d.label === '6.75')).toBe(false);
    expect(METRIC_DRILLS.map((d) => d.label)).toEqual(
      expect.arrayContaining(['0.35', '2.05', '6.75', '2.15', '13.1', '15.25', '36.0']),
    );
    expect(METRIC_DRILLS.some((d) => ['3.05', '14.1', '36.25'].includes(d.label))).toBe(false);
    expect(ALL_DRILLS.every((d, i) => i === 0 || d.diameterMm >= ALL_DRILLS[i - 1].diameterMm)).toBe(true);
    expect(
      [metric(6.8), set('inch-fraction-29')[0], INCH_DRILLS.find((d) => d.label === '#7')].map((d) =>
        drillName(d as Drill),
      ),
    ).toEqual(['6.8 mm', '1/16 in', '#7']);
  });

  test('near in size, as a search from end to end finds them; ends stand outside', () => {
    const sizes = fc.constantFrom(...ALL_DRILLS.map((d) => d.diameterMm), 0.1, 5.03, 60);
    fc.assert(
      fc.property(sizes, sizes, (a, b) => {
        expect(drillsBetween(ALL_DRILLS, a, b)).toEqual(ALL_DRILLS.filter((d) => d.diameterMm > a && d.diameterMm < b));
        const near = closestDrill(ALL_DRILLS, a);
        expect(Math.abs(near.diameterMm - a)).toBe(Math.min(...ALL_DRILLS.map((d) => Math.abs(d.diameterMm - a))));
      }),
      { numRuns: 40 },
    );
    expect(closestDrill([metric(4), metric(6)], 5).label).toBe('4');
  });

  test('blunt and lost drills stay in the case; a point nobody measured is 118 degrees', () => {
    const usable = (['sharp', 'worn', 'blunt', 'lost', undefined] as const).map((condition) =>
      isUsable({ ...metric(5), condition }),
    );
    expect(usable).toEqual([true, true, false, false, true]);
    expect([pointAngleOf(metric(5)), pointAngleOf({ ...metric(5), pointAngleDeg: 135 })]).toEqual([118, 135]);
  });
});

describe('the point', () => {
  test('tip of a 10 mm drill, web, chisel edge', () => {
    expect(coneDepth(10, 118)).toBeCloseTo(3.0, 2);
    expect(coneDepth(10, 135)).toBeCloseTo(2.07, 2);
    expect([drillTip(10, 118).value, inputsOf(drillTip(10, 118))]).toEqual([
      coneDepth(10, 118),
      'drill 10 mm, point angle 118 deg',
    ]);
    expect(webThickness(10)).toBeCloseTo(1.555, 6);
    expect(webThickness(3)).toBeCloseTo(0.681, 3);
    expect(chiselEdge(10)).toBeCloseTo(1.94, 2);
  });

  test('a 90 degree spot to 8.5 goes 4.25 deep; after a 6.8 drill 0.85 from the rim', () => {
    expect(coneDepth(8.5, 90)).toBeCloseTo(4.25, 9);
    expect(chamferDepth(8.5, 6.8, 90)).toBeCloseTo(0.85, 9);
    expect([6, 8].map(chamferDiameter)).toEqual([6.2, 8.4]);
  });
});

describe('the hole that a drill leaves', () => {
  const hole = (mm: number, start: StartMeans, id = 'steel-low-carbon', drill: Partial<Drill> = {}): number =>
    expectedHole({ drill: { ...metric(mm), ...drill }, start, material: material(id) }).value;

  test.each([
    [5, 'punch', 5.095],
    [5, 'hand', 5.152],
    [5, 'centre-drill', 5.0665],
    [5, 'spot', 5.057],
    [5, 'bushing', 5.0475],
    [6.5, 'punch', 6.6025],
    [1.5, 'punch', 1.54],
    [25, 'punch', 25.15],
    [40, 'punch', 40.15],
  ] as const)('%d mm, %s', (mm, start, expected) => expect(hole(mm, start)).toBeCloseTo(expected, 4));

  test('solid carbide cuts close; soft stringy metal and acetal close in', () => {
    expect(hole(5, 'spot', 'steel-low-carbon', { material: 'carbide' })).toBeCloseTo(5 + 0.095 * 0.25, 9);
    expect(hole(5, 'punch', 'copper')).toBeCloseTo(5.085, 9);
    expect(hole(5, 'punch', 'titanium-6al4v')).toBeCloseTo(5.085, 9);
    expect(hole(5, 'punch', 'acetal')).toBeCloseTo(5.095 - 0.04, 9);
  });

  test('is called a model, and shows what went into it', () => {
    const wide = expectedHole({ drill: metric(5), start: 'punch', material: material('copper') });
    expect(wide.working.source.kind).toBe('model');
    expect(inputsOf(wide)).toBe(
      'drill 5 mm, typical oversize 0.095 mm, factor, drill press, from a punch mark 1 ratio, closing in 0.01 mm',
    );
    expect(
      inputsOf(
        expectedHole({ drill: { ...metric(5), material: 'carbide' }, start: 'spot', material: material('copper') }),
      ),
    ).toContain('factor, solid carbide 0.25 ratio');
    expect(wide.working.assumptions).toHaveLength(1);
  });
});

test('pilots: each no smaller than the chisel edge of the next, larger drills need more of them', () => {
  const pool = set('metric-1-13-by-0.1');
  const steel = material('steel-low-carbon');
  expect(pilotChain(metric(8), pool, false, steel)).toEqual([]);
  expect(pilotChain(metric(14), pool, false, steel).map((d) => d.label)).toEqual(['3.0']);
  expect(pilotChain(metric(8), pool, true, steel).map((d) => d.label)).toEqual(['3.2']);
  expect(pilotChain(metric(7), pool, true, steel)).toEqual([]);
  expect(pilotChain(metric(8), [{ ...pool[15], condition: 'blunt' }], true, steel)).toEqual([]);
  expect([pilotChain(metric(10), pool, false, steel), pilotChain(metric(20), pool, false, steel, 'none')]).toEqual([
    [],
    [],
  ]);
  // Generous: two fifths of 9 is 3.6; not over 6 stays without.
  expect(pilotChain(metric(9), pool, false, steel, 'generous').map((d) => d.label)).toEqual(['3.6']);
  expect(pilotChain(metric(6), pool, false, steel, 'generous')).toEqual([]);
  // A short 3.2 does not reach 30 mm, the 3.5 does; with nothing under half a set of few pilots by machine, not by hand.
  const few = [
    { ...metric(3.2), fluteMm: 20 },
    { ...metric(3.5), fluteMm: 30 },
  ];
  expect(pilotChain(metric(14), few, false, steel, 'web', 30).map((d) => d.label)).toEqual(['3.5']);
  expect(pilotChain(metric(14), few, false, steel, 'web', 40).map((d) => d.label)).toEqual(['3.2']);
  expect([false, true].map((byHand) => pilotChain(metric(14), [metric(8)], byHand, steel).length)).toEqual([1, 0]);
  expect([false, true].map((byHand) => pilotChain(metric(14), [metric(6.5)], byHand, steel).length)).toEqual([1, 0]);
  expect(
    ['steel-low-carbon', 'aluminium-wrought-6000', 'acetal', 'magnesium'].map((id) =>
      pilotFreeUpTo(false, material(id)),
    ),
  ).toEqual([10, 13, 13, 13]);
  fc.assert(
    fc.property(fc.double({ min: 1, max: 50, noNaN: true }), fc.boolean(), (mm, byHand) => {
      const chain = [...pilotChain(metric(mm), pool, byHand, steel), metric(mm)];
      for (const [i, pilot] of chain.slice(0, -1).entries()) {
        expect(pilot.diameterMm).toBeLessThan(chain[i + 1].diameterMm);
        expect(pilot.diameterMm).toBeGreaterThanOrEqual(chiselEdge(chain[i + 1].diameterMm) - 1e-9);
      }
    }),
  );
});
