import { tell } from '../units/show';
import { MATERIALS } from '../materials/materials';
import type { Material } from '../materials/material';
import { percentOfThread, holeForPercent } from './percent-of-thread';
import {
  BOLT_CLASSES,
  boltStressArea,
  boltStripArea,
  engagement,
  leastMaterialBolt,
  nutStripArea,
  usualBolt,
} from './engagement';
import { THREADS } from './standards';
import type { Thread } from './thread';

const thread = (name: string): Thread => THREADS.find((t) => t.designation === name) as Thread;
const material = (id: string): Material => MATERIALS.find((m) => m.id === id) as Material;
const bolt = (id: string) => BOLT_CLASSES.find((b) => b.id === id) ?? BOLT_CLASSES[0];
const inch = 25.4;

describe('percent of thread', () => {
  test.each([
    ['1/4-20 UNC', 0.201 * inch, 75.4],
    ['7/16-20 UNF', (25 / 64) * inch, 72.2],
    ['M8x1.25', 6.8, 73.9],
    ['M8x1.25', 7, 61.6],
    ['M5x0.8', 4.2, 77],
    ['G 1/8', 8.8, 79.9],
    ['2 BA', 4, 72],
  ])('%s with %d mm is %d', (name, hole, percent) => {
    expect(percentOfThread(thread(name), hole)).toBeCloseTo(percent, 1);
    expect(holeForPercent(thread(name), percentOfThread(thread(name), hole))).toBeCloseTo(hole, 9);
  });

  test('a tapered thread has none', () => {
    expect(() => percentOfThread(thread('1/8-27 NPT'), 8)).toThrow(RangeError);
  });
});

describe('how much thread is enough', () => {
  const m8 = thread('M8x1.25');

  test('areas of M8', () => {
    expect(boltStressArea(m8)).toBeCloseTo(36.6, 1);
    expect(nutStripArea(1.25, 8, 7.188)).toBeCloseTo(21.99, 2);
    expect(boltStripArea(1.25, 7.188, 6.8)).toBeCloseTo(14.51, 2);
  });

  test('stress areas of inch bolts agree with the printed table, square inches', () => {
    expect(boltStressArea(thread('1/4-20 UNC')) / inch ** 2).toBeCloseTo(0.0318, 4);
    expect(boltStressArea(thread('1/2-13 UNC')) / inch ** 2).toBeCloseTo(0.1419, 4);
  });

  test('least-material sizes leave 0.77 of the strip area at M8 and 0.67 at M3', () => {
    const share = (t: Thread, nutPitchMax: number): number => {
      const least = leastMaterialBolt(t);
      const basicPitch = t.majorMm - 0.649519 * t.pitchMm;
      return (
        nutStripArea(t.pitchMm, least?.majorMm ?? NaN, nutPitchMax) / nutStripArea(t.pitchMm, t.majorMm, basicPitch)
      );
    };
    expect(share(m8, 7.348)).toBeCloseTo(0.77, 2);
    expect(share(thread('M3x0.5'), 2.775)).toBeCloseTo(0.67, 1);
  });

  test('M8 8.8: 6.4 mm in 6000 aluminium and 5.0 in mild steel on nominal sizes, more on the least', () => {
    const soft = engagement(m8, material('aluminium-wrought-6000'), bolt('8.8'), 6.8);
    const steel = engagement(m8, material('steel-low-carbon'), bolt('8.8'), 6.8);
    expect(soft.nominalMm).toBeCloseTo(6.4, 1);
    expect(steel.nominalMm).toBeCloseTo(5, 1);
    expect(soft.needed.value / soft.nominalMm).toBeCloseTo(1 / 0.77, 1);
    expect(soft.needed.working.source.kind).toBe('standard');
  });

  test('a thread too short for its bolt is said, with both lengths', () => {
    const short = engagement(m8, material('aluminium-wrought-6000'), bolt('12.9'), 6.8, 8);
    expect(short.needed.cautions.map((c) => tell(c, 'mm')).join()).toContain('8.0 mm of thread strips');
    expect(engagement(m8, material('steel-low-carbon'), bolt('4.6'), 6.8, 8).needed.cautions).toEqual([]);
  });

  test('without least sizes the nominal length gets a margin of one and a half', () => {
    const ba = engagement(thread('2 BA'), material('brass-cartridge'), usualBolt(thread('2 BA')), 4);
    expect(ba.needed.value).toBeCloseTo(1.5 * ba.nominalMm, 9);
    expect(usualBolt(thread('1/4-20 UNC')).id).toBe('SAE 5');
  });

  test("a nut's height is offered only where the part is about as strong as the bolt", () => {
    const applies = (id: string, b: string): boolean => engagement(m8, material(id), bolt(b), 6.8).nutHeightApplies;
    expect(applies('steel-low-carbon', '4.6')).toBe(true);
    expect(applies('aluminium-wrought-6000', '8.8')).toBe(false);
  });
});

test('a nut of 0.8 D is beside the figures; it counts where the metal is three quarters of the bolt', () => {
  const at = (id: string, boltId: string) => engagement(thread('M8x1.25'), material(id), bolt(boltId), 6.8);
  expect(at('steel-low-carbon', '8.8').nutHeightMm).toBeCloseTo(6.4, 9);
  expect(at('steel-low-carbon', '8.8').needed.working.assumptions).toHaveLength(2);
  const own = { ...material('steel-low-carbon'), tensileMPa: 300 };
  const applies = (tensileMPa: number) =>
    engagement(thread('M8x1.25'), { ...own, tensileMPa }, bolt('4.6'), 6.8).nutHeightApplies;
  expect([300, 299].map(applies)).toEqual([true, false]);
});
