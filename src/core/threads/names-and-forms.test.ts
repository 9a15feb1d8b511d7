import { inchSizeName } from './inch-size';
import { leastMaterialBolt } from './engagement';
import { readCallout } from './read-callout';
import { THREADS } from './standards';
import { formOf } from './thread';

const thread = (name: string) => THREADS.find((t) => t.designation === name) as (typeof THREADS)[number];
const read = (text: string, unit: 'mm' | 'in' = 'mm') => {
  const result = readCallout(text, unit);
  return result.ok ? result.value : undefined;
};

test.each([
  [0.06, '#0'],
  [0.19, '#10'],
  [0.1905, '#10'],
  [0.216, '#12'],
  // Between two numbers, and where numbers have ended.
  [0.1955, '.1955'],
  [0.22, '.2200'],
  [0.046, '.0460'],
  [0.25, '1/4'],
  [0.4375, '7/16'],
])('%d in is called %s', (inch, name) => expect(inchSizeName(inch)).toBe(name));

test('flanks: 60, 55 and 47.5 degrees', () => {
  const half = (name: string) => +((Math.atan(formOf(thread(name)).halfAngleTan) * 180) / Math.PI).toFixed(3);
  expect(['M8x1.25', '1/2-12 BSW', '2 BA', '1/4-20 UNC'].map(half)).toEqual([30, 27.5, 23.75, 30]);
});

test('the least bolt of the usual class: M8 in 6g, 1/4-20 in 2A, by the printed tables', () => {
  const m8 = leastMaterialBolt(thread('M8x1.25'));
  expect(Math.abs((m8?.majorMm ?? 0) - 7.76)).toBeLessThan(0.006);
  expect(m8?.pitchDiameterMm).toBeCloseTo(7.042, 2);
  const quarter = leastMaterialBolt(thread('1/4-20 UNC'));
  expect([(quarter?.majorMm ?? 0) / 25.4, (quarter?.pitchDiameterMm ?? 0) / 25.4]).toEqual([
    expect.closeTo(0.2408, 3),
    expect.closeTo(0.2127, 3),
  ]);
  expect(leastMaterialBolt(thread('2 BA'))).toBeUndefined();
});

test('dashes, crosses and quotes of any keyboard; what is no sign at all counts as one', () => {
  expect(read('1/4–20 UNC')?.features[0]).toEqual(read('1/4-20 UNC')?.features[0]);
  expect(read('M8 × 16 DEEP')?.features[0]).toEqual(read('M8 x 16 DEEP')?.features[0]);
  const odd = readCallout('M8 😀');
  expect(!odd.ok && odd.problems[0].at).toEqual({ start: 3, end: 4 });
});

test('fractions and decimals that begin with their point are inches wherever they stand; a bare number is of the shop', () => {
  const mm = (text: string) => {
    const [feature] = read(text)?.features ?? [];
    return feature && 'diameterMm' in feature ? +feature.diameterMm.toFixed(4) : undefined;
  };
  expect(['ø1/4 THRU', 'ø1-1/8 THRU', 'ø.250 THRU', 'ø6 THRU', 'ø0.5 in THRU'].map(mm)).toEqual([
    6.35, 28.575, 6.35, 6, 12.7,
  ]);
});

test('a pitch that is no pitch: a length after a small thread is a depth, a real fine pitch stays one', () => {
  const of = (text: string) => {
    const [feature] = read(text)?.features ?? [];
    if (feature?.kind !== 'thread') return undefined;
    return [feature.thread.pitchMm, feature.extent?.kind === 'depth' ? feature.extent.mm : undefined];
  };
  expect([of('M6 x 0.75'), of('M6x1'), of('M6 x 12 DEEP')]).toEqual([
    [0.75, undefined],
    [1, undefined],
    [1, 12],
  ]);
});
