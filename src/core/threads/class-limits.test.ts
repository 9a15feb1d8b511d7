import { mmToInch } from '../units/length';
import { classLimits, looserClass, usualClass } from './class-limits';
import { THREADS } from './standards';
import { fullDepthMm, isTapered, type Thread } from './thread';
import { readCallout } from './read-callout';
import { formOf } from './thread';

function thread(designation: string): Thread {
  const found = THREADS.find((t) => t.designation === designation);
  if (!found) throw new Error(`${designation} is not held`);
  return found;
}

function limits(of: Thread, className?: string) {
  const result = classLimits(of, className);
  if (!result.ok) throw new Error(result.problems[0].text);
  return result.value;
}

describe('unified limits, ASME B1.1, inches', () => {
  test.each([
    ['#2-56 UNC', 0.0667, 0.0737, 0.0737, 0.0744, 0.0772],
    ['#4-40 UNC', 0.0849, 0.0939, 0.0939, 0.0958, 0.099],
    ['#6-32 UNC', 0.1042, 0.1139, 0.1139, 0.1177, 0.1214],
    ['#10-24 UNC', 0.1449, 0.1555, 0.1555, 0.1629, 0.1673],
    ['1/4-20 UNC', 0.1959, 0.2074, 0.2067, 0.2175, 0.2224],
    ['3/8-16 UNC', 0.3073, 0.3214, 0.3182, 0.3344, 0.3401],
    ['1/2-13 UNC', 0.4167, 0.4336, 0.4284, 0.45, 0.4565],
    ['5/8-11 UNC', 0.5266, 0.546, 0.5391, 0.566, 0.5731],
    ['7/8-9 UNC', 0.7547, 0.7776, 0.7681, 0.8028, 0.811],
    ['#0-80 UNF', 0.0465, 0.0514, 0.0514, 0.0519, 0.0542],
    ['#2-64 UNF', 0.0691, 0.0752, 0.0752, 0.0759, 0.0785],
    ['#4-48 UNF', 0.0894, 0.0968, 0.0968, 0.0985, 0.1015],
    ['#6-40 UNF', 0.1109, 0.1186, 0.1186, 0.1218, 0.1252],
    ['#10-32 UNF', 0.1562, 0.1641, 0.1641, 0.1697, 0.1736],
    ['1/4-28 UNF', 0.2113, 0.2198, 0.219, 0.2268, 0.2311],
    ['3/8-24 UNF', 0.3299, 0.3396, 0.3372, 0.3479, 0.3529],
    ['1/2-20 UNF', 0.4459, 0.4574, 0.4537, 0.4675, 0.4731],
    ['5/8-18 UNF', 0.5649, 0.5775, 0.573, 0.5889, 0.595],
    ['7/8-14 UNF', 0.7977, 0.8135, 0.8067, 0.8286, 0.8357],
    ['#12-32 UNEF', 0.1822, 0.1896, 0.1895, 0.1957, 0.1998],
    ['5/16-32 UNEF', 0.2787, 0.2861, 0.2846, 0.2922, 0.2965],
    ['7/16-28 UNEF', 0.3988, 0.4073, 0.4051, 0.4143, 0.419],
    ['9/16-24 UNEF', 0.5174, 0.5271, 0.5244, 0.5354, 0.5406],
    ['3/4-20 UNEF', 0.6959, 0.7074, 0.7036, 0.7175, 0.7233],
    ['1-20 UNEF', 0.9459, 0.9574, 0.9536, 0.9675, 0.9734],
  ])('%s', (name, min, max2B, max3B, pitchMin, pitchMax) => {
    const b2 = limits(thread(name), '2B');
    const within = (mm: number | undefined, inch: number) =>
      expect(Math.abs(mmToInch(mm ?? NaN) - inch)).toBeLessThanOrEqual(0.0001);
    within(b2.minorMinMm, min);
    within(b2.minorMaxMm, max2B);
    within(limits(thread(name), '3B').minorMaxMm, max3B);
    within(b2.pitchDiameterMinMm, pitchMin);
    within(b2.pitchDiameterMaxMm, pitchMax);
  });

  test.each([
    ['#8-32 UNC', 0.13, 0.139],
    ['5/16-18 UNC', 0.252, 0.265],
    ['7/16-14 UNC', 0.36, 0.376],
    ['9/16-12 UNC', 0.472, 0.49],
    ['3/4-10 UNC', 0.642, 0.663],
    ['1-8 UNC', 0.865, 0.89],
    ['#8-36 UNF', 0.134, 0.142],
    ['5/16-24 UNF', 0.267, 0.277],
    ['7/16-20 UNF', 0.383, 0.395],
    ['3/4-16 UNF', 0.682, 0.696],
    ['1-12 UNF', 0.91, 0.928],
  ])('%s agrees with the printed table, which rounds to three places', (name, min, max) => {
    const { minorMinMm, minorMaxMm } = limits(thread(name));
    expect(Math.abs(mmToInch(minorMinMm) - min)).toBeLessThanOrEqual(0.0006);
    expect(Math.abs(mmToInch(minorMaxMm) - max)).toBeLessThanOrEqual(0.0006);
  });

  test('1B shares the minor diameter of 2B and is wider on the pitch diameter', () => {
    const [b1, b2] = ['1B', '2B'].map((c) => limits(thread('1/2-13 UNC'), c));
    expect(b1.minorMaxMm).toBe(b2.minorMaxMm);
    expect(b1.pitchDiameterMaxMm).toBeGreaterThan(b2.pitchDiameterMaxMm ?? Infinity);
  });
});

describe('metric limits, ISO 965-1, 6H, millimetres', () => {
  test.each([
    ['M1x0.25', 0.729, 0.785, 0.838],
    ['M1.6x0.35', 1.221, 1.321, 1.373],
    ['M2.5x0.45', 2.013, 2.138, 2.208],
    ['M3.5x0.6', 2.85, 3.01, 3.11],
    ['M5x0.8', 4.134, 4.334, 4.48],
    ['M8x1.25', 6.647, 6.912, 7.188],
    ['M12x1.75', 10.106, 10.441, 10.863],
    ['M16x2', 13.835, 14.21, 14.701],
    ['M20x2.5', 17.294, 17.744, 18.376],
    ['M24x3', 20.752, 21.252, 22.051],
    ['M30x3.5', 26.211, 26.771, 27.727],
    ['M3x0.35', 2.621, 2.721, 2.773],
    ['M5x0.5', 4.459, 4.599, 4.675],
    ['M8x1', 6.917, 7.153, 7.35],
    ['M10x1.25', 8.647, 8.912, 9.188],
    ['M12x1.5', 10.376, 10.676, 11.026],
    ['M12x1', 10.917, 11.153, 11.35],
    ['M16x1.5', 14.376, 14.676, 15.026],
    ['M18x1.5', 16.376, 16.676, 17.026],
    ['M22x1.5', 20.376, 20.676, 21.026],
    ['M24x1.5', 22.376, 22.676, 23.026],
    ['M2x0.4', 1.567, 1.679, 1.74],
    ['M3x0.5', 2.459, 2.599, 2.675],
    ['M4x0.7', 3.242, 3.422, 3.545],
    ['M6x1', 4.917, 5.153, 5.35],
    ['M10x1.5', 8.376, 8.676, 9.026],
    ['M14x2', 11.835, 12.21, 12.701],
    ['M36x4', 31.67, 32.27, 33.402],
    ['M6x0.75', 5.188, 5.378, 5.513],
    ['M20x1.5', 18.376, 18.676, 19.026],
  ])('%s', (name, min, max, pitchMin) => {
    const className = name === 'M1x0.25' ? '5H' : '6H';
    const found = limits(thread(name), className);
    expect(usualClass(thread(name))).toBe(className);
    expect(found.minorMinMm).toBeCloseTo(min, 3);
    expect(found.minorMaxMm).toBeCloseTo(max, 3);
    expect(found.pitchDiameterMinMm).toBeCloseTo(pitchMin, 3);
  });

  test('pitch diameter tolerance of M8 in 6H ends at 7.348', () => {
    expect(limits(thread('M8x1.25')).pitchDiameterMaxMm).toBeCloseTo(7.348, 3);
  });

  test('grades, the G position and two-part classes', () => {
    const m8 = thread('M8x1.25');
    expect(limits(m8, '7H').minorMaxMm).toBeCloseTo(6.982, 3);
    expect(limits(m8, '6G').minorMinMm).toBeCloseTo(6.647 + 0.029, 3);
    expect(limits(m8, '4H5H').minorMaxMm).toBeCloseTo(6.647 + 0.212, 3);
    expect(looserClass(m8, '6H')).toBe('7H');
    expect(looserClass(m8, '7H')).toBeUndefined();
    expect(looserClass(thread('1/4-20 UNC'), '3B')).toBe('2B');
    expect(looserClass(thread('1/4-20 UNC'), '2B')).toBeUndefined();
  });

  test('a pitch without the grade asked for takes the loosest there is and says so', () => {
    const fine = limits(thread('M1.6x0.2'), '6H');
    expect(fine.minorMaxMm - fine.minorMinMm).toBeCloseTo(0.048, 6);
    expect(fine.notes).toHaveLength(1);
  });

  test.each([
    ['M8x1.25', '2B'],
    ['1/4-20 UNC', '6H'],
    ['2 BA', '6H'],
    ['1/8-27 NPT', undefined],
  ])('%s has no class %s', (name, className) => {
    expect(classLimits(thread(name), className).ok).toBe(false);
  });
});

describe('BA, Whitworth, BSF and G', () => {
  test.each([
    ['0 BA', 6.0, 1.0, 0.6],
    ['1 BA', 5.3, 0.9, 0.54],
    ['2 BA', 4.7, 0.81, 0.486],
    ['3 BA', 4.1, 0.73, 0.438],
    ['4 BA', 3.6, 0.66, 0.396],
    ['5 BA', 3.2, 0.59, 0.354],
    ['6 BA', 2.8, 0.53, 0.318],
    ['7 BA', 2.5, 0.48, 0.288],
    ['8 BA', 2.2, 0.43, 0.258],
    ['9 BA', 1.9, 0.39, 0.234],
    ['10 BA', 1.7, 0.35, 0.21],
    ['1/8-40 BSW', 3.175, 0.635, 0.4066],
    ['3/16-24 BSW', 4.7625, 1.0583, 0.6777],
    ['1/4-20 BSW', 6.35, 1.27, 0.8132],
    ['5/16-18 BSW', 7.9375, 1.4111, 0.9036],
    ['3/8-16 BSW', 9.525, 1.5875, 1.0165],
    ['7/16-14 BSW', 11.1125, 1.8143, 1.1617],
    ['1/2-12 BSW', 12.7, 2.1167, 1.3554],
    ['5/8-11 BSW', 15.875, 2.3091, 1.4786],
    ['3/4-10 BSW', 19.05, 2.54, 1.6264],
    ['1-8 BSW', 25.4, 3.175, 2.033],
    ['3/16-32 BSF', 4.7625, 0.7937, 0.5083],
    ['1/4-26 BSF', 6.35, 0.9769, 0.6256],
    ['5/16-22 BSF', 7.9375, 1.1545, 0.7393],
    ['3/8-20 BSF', 9.525, 1.27, 0.8132],
    ['7/16-18 BSF', 11.1125, 1.4111, 0.9036],
    ['1/2-16 BSF', 12.7, 1.5875, 1.0165],
    ['5/8-14 BSF', 15.875, 1.8143, 1.1617],
    ['3/4-12 BSF', 19.05, 2.1167, 1.3554],
    ['G 1/8', 9.728, 0.9071, 0.5809],
    ['G 1/4', 13.157, 1.3368, 0.856],
    ['G 3/8', 16.662, 1.3368, 0.856],
    ['G 1/2', 20.955, 1.8143, 1.1617],
    ['G 3/4', 26.441, 1.8143, 1.1617],
    ['G 1', 33.249, 2.3091, 1.4786],
  ])('%s', (name, major, pitch, depth) => {
    const of = thread(name);
    expect(of.majorMm).toBeCloseTo(major, 3);
    expect(of.pitchMm).toBeCloseTo(pitch, 3);
    expect(fullDepthMm(of)).toBeCloseTo(depth, 3);
    expect(limits(of).minorMinMm).toBeCloseTo(major - 2 * depth, 2);
  });

  test('tolerances of the nut minor diameter', () => {
    const tolerance = (name: string): number => limits(thread(name)).minorMaxMm - limits(thread(name)).minorMinMm;
    expect(tolerance('0 BA')).toBeCloseTo(0.375, 6);
    expect(tolerance('G 1/8')).toBeCloseTo(0.283, 3);
    expect(tolerance('G 1/4')).toBeCloseTo(0.445, 3);
    expect(tolerance('G 1/2')).toBeCloseTo(0.541, 3);
    expect(tolerance('G 1')).toBeCloseTo(0.64, 3);
    expect(tolerance('5/16-22 BSF')).toBeCloseTo((0.2 / 22 + 0.005) * 25.4, 6);
  });
});

test('every parallel thread has a window between its minor limits and the pitch diameter, and reads back from its name', () => {
  expect(THREADS.length).toBeGreaterThan(250);
  for (const t of THREADS) {
    const read = readCallout(t.designation);
    expect([t.designation, read.ok && read.value.features[0]]).toMatchObject([
      t.designation,
      { kind: 'thread', thread: { designation: t.designation } },
    ]);
    if (isTapered(t)) continue;
    const l = limits(t);
    expect(l.minorMinMm).toBeLessThan(l.minorMaxMm);
    expect(l.minorMaxMm).toBeLessThan(t.majorMm);
    expect(l.pitchDiameterMinMm).toBeGreaterThan(l.minorMinMm);
  }
});

test('one size of thread or pitch decides the usual class; a formula says that it is one', () => {
  expect(['M1.4x0.3', 'M1.6x0.35'].map((name) => usualClass(thread(name)))).toEqual(['5H', '6H']);
  expect(limits(thread('1/4-20 BSW')).notes).toHaveLength(1);
  expect(limits(thread('M8x1.25')).notes).toHaveLength(0);
});

test('only threads of 60 degrees are formed', () => {
  const formable = (name: string) => formOf(thread(name)).formable;
  expect(['M8x1.25', '1/4-20 UNC', '1/4-20 BSW', '2 BA', 'G 1/4'].map(formable)).toEqual([
    true,
    true,
    false,
    false,
    false,
  ]);
});
