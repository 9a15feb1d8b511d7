import fc from 'fast-check';
import { tell } from '../units/show';
import type { Callout } from './callout';
import { classLimits } from './class-limits';
import type { Thread } from './thread';
import { readCallout } from './read-callout';
import { writeCallout } from './write-callout';

function read(text: string): Callout {
  const result = readCallout(text);
  if (!result.ok) throw new Error(`${text}: ${tell(result.problems[0], 'mm')}`);
  return result.value;
}

/** A callout in short: count, thread with class and hand, extent of the thread in mm. */
function short(text: string): string {
  const { count, features } = read(text);
  const words = features.map((f) => {
    const extent = f.extent?.kind === 'through' ? ' thru' : f.extent ? ` ${+f.extent.mm.toFixed(4)}` : '';
    if (f.kind === 'thread')
      return `${f.thread.designation}${f.className ? `-${f.className}` : ''}${f.leftHand ? ' LH' : ''}${extent}`;
    if (f.kind === 'hole')
      return `ø${+f.diameterMm.toFixed(4)}${f.ream ? ` ream ${f.fit ?? ''}`.trimEnd() : ''}${extent}`;
    if (f.kind === 'counterbore') return `cbore ${+f.diameterMm.toFixed(4)}${extent}`;
    return `csk ${+f.diameterMm.toFixed(4)} ${f.angleDeg}°`;
  });
  return `${count === 1 ? '' : `${count}x `}${words.join(' + ')}`;
}

test.each([
  ['M8x1.25-6H', 'M8x1.25-6H'],
  ['M8', 'M8x1.25'],
  ['m 8 X 1,25 - 6H', 'M8x1.25-6H'],
  ['m8x1.25-6h', 'M8x1.25-6H'],
  ['M10x1 LH', 'M10x1 LH'],
  ['M10 LEFT HAND', 'M10x1.5 LH'],
  ['1/4-20 UNC-2B', '1/4-20 UNC-2B'],
  ['1/4-20UNC', '1/4-20 UNC'],
  ['1/4"-20', '1/4-20 UNC'],
  ['.250-20', '1/4-20 UNC'],
  ['0.164-32', '#8-32 UNC'],
  ['#10-32', '#10-32 UNF'],
  ['10-32 UNF', '#10-32 UNF'],
  ['No. 8-32', '#8-32 UNC'],
  ['1-8', '1-8 UNC'],
  ['1-1/8-7 UNC', '1-1/8-7 UNC'],
  ['1/4 UNC', '1/4-20 UNC'],
  ['12-24', '#12-24 UNC'],
  ['2 BA', '2 BA'],
  ['BA 2', '2 BA'],
  ['10 ba', '10 BA'],
  ['1/4 BSW', '1/4-20 BSW'],
  ['1/4 Whit', '1/4-20 BSW'],
  ['3/8 BSF', '3/8-20 BSF'],
  ['G 1/4', 'G 1/4'],
  ['G1-1/4', 'G 1-1/4'],
  ['1/4 BSP', 'G 1/4'],
  ['1/8 NPT', '1/8-27 NPT'],
  ['1/8-27 NPT', '1/8-27 NPT'],
  ['NPT 1/2', '1/2-14 NPT'],
  ['4x M5 THRU', '4x M5x0.8 thru'],
  ['4×M5×0.8', '4x M5x0.8'],
  ['(4) M6 THRU', '4x M6x1 thru'],
  ['M6 (4 holes)', '4x M6x1'],
  ['M6 THRU 4 PLACES', '4x M6x1 thru'],
  ['M5x0.8 4x', '4x M5x0.8'],
  ['4x 10-32 x 1/2 DEEP', '4x #10-32 UNF 12.7'],
  ['M8 x 16 DEEP', 'M8x1.25 16'],
  ['M8x1.25-6H ↧16', 'M8x1.25-6H 16'],
  ['M8x16', 'M8x1.25 16'],
  ['M8 x 1.25 x 16', 'M8x1.25 16'],
  ['M8 DEPTH 5/8 in', 'M8x1.25 15.875'],
  ['1/4-20 UNC x .5 DEEP', '1/4-20 UNC 12.7'],
  ['M8x1.25 THRU ALL', 'M8x1.25 thru'],
  ['ø6.8 ↧ 22 M8x1.25-6H ↧ 16', 'ø6.8 22 + M8x1.25-6H 16'],
  ['ø.201 THRU 1/4-20', 'ø5.1054 thru + 1/4-20 UNC'],
  ['ø9 THRU ⌴ ø15 ↧ 8.6', 'ø9 thru + cbore 15 8.6'],
  ["3/8-16 c'bore .625 x .4", '3/8-16 UNC + cbore 15.875 10.16'],
  ['M8 CSK 9 x 90°', 'M8x1.25 + csk 9 90°'],
  ['8 H7 REAM', 'ø8 ream H7'],
  ['2x ø8 H7', '2x ø8 ream H7'],
  ['M12 TAP', 'M12x1.75'],
])('%s', (text, expected) => expect(short(text)).toBe(expected));

describe('what prints say, written again as one drawing would', () => {
  test.each([
    ['1/4-20 UNC x 8 THREADS', '1/4-20 UNC x 0.4 DEEP'],
    ['M8 x 8 THREADS', 'M8x1.25 x 10 DEEP'],
    ['#33 DRILL THRU', 'ø2.8702 mm THRU'],
    ['NO. 7 DRILL THRU', 'ø5.1054 mm THRU'],
    ['DRILL #7 THRU', 'ø5.1054 mm THRU'],
    ['M6 THRU (#7)', 'M6x1 THRU ø5.1054'],
    ['Y DRILL THRU', 'ø10.2616 mm THRU'],
    ['TAP DRILL A M6 THRU', 'ø5.9436 M6x1 THRU'],
    ['.201 DIA THRU', 'ø5.1054 mm THRU'],
    ['Ø.250 +.002/-.000 THRU', 'ø6.35 mm THRU'],
    ['REAM .2500 THRU', 'ø6.35 mm REAM THRU'],
    ['8 DRILL x 10 DEEP', 'ø8 mm x 10 mm DEEP'],
    ['4x M6 THRU ON BC 3.00', '4x M6x1 THRU'],
    ['M8-6HX THRU & CSK ø9 x 90°', 'M8x1.25-6H THRU CSK ø9 x 90°'],
    ['M8 CSK ø9', 'M8x1.25 CSK ø9 x 90°'],
    ['M8 x 1/2 DEEP', 'M8x1.25 x 12.7 DEEP'],
    ['1/4-20 x 1-1/2 DEEP', '1/4-20 UNC x 1.5 DEEP'],
    ['1/4-20 x 10 mm DEEP', '1/4-20 UNC x 10 mm DEEP'],
    ['1/4-20 x 13/64 DEEP', '1/4-20 UNC x 0.203125 DEEP'],
    ['M8 x 16 LONG OUTSIDE', 'M8x1.25 x 16 LONG OUTSIDE'],
    ['M8 x 16 STUD END', 'M8x1.25 x 16 LONG STUD END'],
    ['3x M5 THRU', '3x M5x0.8 THRU'],
    ['CDRILL ø13 x 6 DEEP ø9 THRU', 'CDRILL ø13 mm x 6 mm DEEP ø9 mm THRU'],
  ])('%s: %s', (text, expected) => {
    expect(writeCallout(read(text))).toBe(expected);
    // What is written is read as the same again.
    expect(read(expected).features).toEqual(read(text).features);
  });

  test('a hole drawn before an inch thread is in its unit; alone it is in the shop’s', () => {
    expect(short('ø.25 x .5 DEEP 5/16-18')).toBe('ø6.35 12.7 + 5/16-18 UNC');
    const alone = readCallout('ø8 x 5 DEEP', 'in');
    expect(alone.ok && alone.value.features[0]).toMatchObject({ diameterMm: 203.2, extent: { mm: 127 } });
    const beside = readCallout('ø8 x 5 DEEP M6', 'in');
    expect(beside.ok && beside.value.features[0]).toMatchObject({ diameterMm: 8, extent: { mm: 5 } });
    const pipe = readCallout('G 1/2 x 14 DEEP', 'mm');
    expect(pipe.ok && pipe.value.features[0].extent).toEqual({ kind: 'depth', mm: 14 });
  });

  test('a depth without a unit is kept with its place', () => {
    expect(read('M6 x 60 DEEP').bareDepth).toEqual({ mm: 60, unit: 'mm', at: { start: 5, end: 7 } });
    expect(read('1/4-20 DEEP 2').bareDepth).toEqual({ mm: 50.8, unit: 'in', at: { start: 12, end: 13 } });
    expect(read('M6 x 60 mm DEEP').bareDepth).toBeUndefined();
  });

  test.each(['1/2-10 ACME', '1/4-28 UNJF-3B', 'Tr 10x2', '1/2-8 BUTTRESS'])(
    '%s is refused by its name, with what to do',
    (text) => {
      const result = readCallout(text);
      expect(result.ok ? 'read' : tell(result.problems[0], 'mm')).toMatch(
        /^(Acme|UNJ|Trapezoidal|Buttress) thread has no figures/,
      );
    },
  );

  test.each([
    ['7/16-18 UNS', true],
    ['1/4-80 UNS', true],
    ['3-3/8-4 UNS', true],
    ['1/4-24', false],
    ['4-1/8-4 UNS', false],
    ['1/4-81 UNS', false],
    ['.049-80 UNS', false],
    ['4-3 UNS', false],
    ['1/4-10 UNS', false],
  ])('%s: a special thread where the drawing says so and it can be, %s', (text, can) =>
    expect(readCallout(text).ok).toBe(can),
  );
});

test('what is taken without being written is said', () => {
  const notes = (text: string): string =>
    read(text)
      .notes.map((n) => tell(n, 'mm'))
      .join(' ');
  expect(notes('M8 x 16 DEEP')).toContain('read as mm');
  expect(notes('1/4-20 x .5 DEEP')).toContain('read as inches');
  expect(notes('M20x1.25')).toContain('not a standard pairing');
  expect(notes('M8 LH')).toContain('left-hand tap');
  expect(notes('1/4 BSP')).toContain('parallel');
  expect(notes('M8 THRU')).toBe('');
  expect(notes('M8 x 1/2 DEEP')).toContain('1/2 is read as inches.');
  expect([notes('M8 CSK ø9'), notes('M8 CSK ø9 x 82°')].map((n) => n.includes('assumed 90'))).toEqual([true, false]);
  expect(notes('ø8 ±.05 THRU')).toContain('±.05 is not planned for');
  expect(notes('M8 THRU BOTH ENDS')).toContain('On both ends');
  expect(notes('M8 THRU PLATED')).toContain('Plated');
  expect(notes('7/16-18 UNS THRU')).toContain('not a standard pairing');
});

describe('what cannot be read', () => {
  test.each([
    ['foo', 0, 3, 'M8x1.25'],
    ['M8 blah', 3, 7, undefined],
    ['1/4', 0, 3, '1/4-20 UNC'],
    ['6', 0, 1, '#6-32 UNC'],
    ['M7.5', 0, 4, 'M7x1'],
    ['8x1.25', 0, 6, 'M8x1.25'],
    ['1/2-12', 0, 6, '1/2-12 BSW'],
    ['1/4-20 UNF', 0, 10, '1/4-28 UNF'],
    ['M8x3.3', 2, 6, 'M8x1.25'],
    ['M8-6g', 2, 5, '6H'],
    ['1/4-20 UNC-2A', 10, 13, '2B'],
    ['40 BA', 0, 5, '2 BA'],
    ['M8 x -5 DEEP', 5, 7, undefined],
    ['M8 x 0 DEEP', 3, 11, undefined],
    ['', 0, 1, 'M8x1.25'],
    ['16 DEEP M8', 0, 7, undefined],
    ['0x M8', 0, 3, undefined],
  ])('“%s” marks %d to %d and offers %s', (text, start, end, reading) => {
    const result = readCallout(text);
    if (result.ok) throw new Error('was read');
    const [p] = result.problems;
    expect(p.at).toEqual({ start, end });
    if (reading) expect(p.nearest).toContain(reading);
    expect(tell(p, 'mm')).not.toMatch(/[{}]/);
    expect(tell(p.remedy, 'mm')).not.toBe('');
  });

  test('any text gives a callout or a problem inside the text, never a fault', () => {
    const bits = fc.constantFrom(
      'M8',
      'x',
      '1.25',
      '-',
      '6H',
      ' ',
      '1/4',
      '20',
      'UNC',
      'THRU',
      '↧',
      'ø',
      '4x',
      '#10',
      'DEEP',
      '(',
      '"',
      'LH',
      '9'.repeat(9),
    );
    const text = fc.oneof(
      fc.string({ maxLength: 40 }),
      fc.array(bits, { maxLength: 9 }).map((b) => b.join('')),
    );
    fc.assert(
      fc.property(text, (typed) => {
        const result = readCallout(typed);
        if (result.ok) {
          expect(result.value.count).toBeGreaterThanOrEqual(1);
          expect(result.value.features.length).toBeGreaterThan(0);
        } else expect(result.problems[0].at?.start ?? 0).toBeLessThanOrEqual(Math.max(typed.length, 1));
      }),
      { numRuns: 600 },
    );
  });

  test('a very long text is refused before it is read', () => {
    expect(readCallout('M8 '.repeat(400000)).ok).toBe(false);
  });
});

describe('pipe threads of ISO 7-1 and holes for wire inserts', () => {
  const threadIn = (text: string): Thread => (read(text).features[0] as { thread: Thread }).thread;
  test.each([
    ['Rc 1/2', 'Rc 1/2'],
    ['1/8 BSPT', 'Rc 1/8'],
    ['Rp 3/4', 'Rp 3/4'],
    ['M8 STI', 'M8x1.25 STI'],
    ['2x M6 for wire insert x 12 DEEP', 'M6x1 STI'],
    ['1/4-20 UNC-2B INSERT', '1/4-20 UNC STI'],
  ])('%s', (text, designation) => expect(threadIn(text).designation).toBe(designation));

  test('an insert sits in a thread of its own pitch around the coil: M8 in one of 9.624, minor 8.271 to 8.483', () => {
    const thread = threadIn('M8 STI');
    expect([thread.majorMm, thread.pitchMm]).toEqual([expect.closeTo(9.6238, 3), 1.25]);
    const limits = classLimits(thread);
    expect(limits.ok && [limits.value.minorMinMm, limits.value.minorMaxMm]).toEqual([
      expect.closeTo(8.2706, 3),
      expect.closeTo(8.4826, 3),
    ]);
    expect(readCallout('G 1/4 STI').ok).toBe(false);
  });

  test('tapered ones are stopped by the gauge and have no class; parallel ones have the limits of their form', () => {
    expect(classLimits(threadIn('Rc 1/2')).ok).toBe(false);
    const [rp, g] = ['Rp 1/2', 'G 1/2'].map((text) => classLimits(threadIn(text)));
    expect(rp.ok && g.ok && rp.value.minorMaxMm === g.value.minorMaxMm).toBe(true);
  });
});
