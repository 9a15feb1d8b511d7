import { writeInspectionCsv } from '../formats/inspection-csv';
import { checkInstrument } from '../shop/instrument-check';
import { tell } from '../units/show';
import type { BenchRecord } from './bench-record';
import { judgeHoleDepth, judgeSize, judgeThreadDepth } from '../gauging/depth-and-size';
import { readInstrumentLine, writeInstrumentLine } from '../gauging/instrument-line';
import { judgePosition, offsetOnPhoto } from '../gauging/position';
import { countRecords, resultsOf } from './run-records';
import { half, move, NEW_READOUT, preset, shownAt } from '../gauging/readout';
import { partsToGauge } from './sampling';
import { judgeSquare, tiltOf, wanderMm } from '../gauging/squareness';
import { judgeGo, judgeNotGo, judgePins } from '../gauging/thread-gauge';
import { judgeTorque } from '../gauging/torque';
import type { Verdict } from '../gauging/verdict';

const states = (verdicts: Verdict[]): string => verdicts.map((v) => v.state).join(' ');

describe('verdicts at and beside each limit', () => {
  test('go: M8 full thread 16 deep needs 16 / 1.25 = 12.8 turns, read to half a turn', () => {
    const go = (turns: number, through = false): Verdict => judgeGo(turns, 16, 1.25, through);
    expect(states([12.8, 12.3, 12.2, 1.9].map((t) => go(t)))).toBe('good good bad bad');
    expect(tell(go(9).reason, 'mm')).toBe('Go gauge stops after 9 turns; 12.8 turns are needed.');
    // One that does not start is too small; in a blind hole one that stops may only lack depth.
    expect([go(1).choices.includes('redrill'), go(9).choices.includes('deepen')]).toEqual([true, true]);
    expect(go(9, true).choices).not.toContain('deepen');
  });
  test('not-go: two turns are allowed by a limit of two, a tenth more is not', () => {
    expect(states([judgeNotGo(0, 2), judgeNotGo(2, 2), judgeNotGo(2.1, 2), judgeNotGo(2.1, 3)])).toBe(
      'good good bad good',
    );
    // What was read is shown as read: a tenth over two is not “2”.
    expect(tell(judgeNotGo(2.1, 2).reason, 'mm')).toMatch(/^Not-go gauge enters 2\.1 turns; 2 turns are allowed/);
    // M10 through 3 mm has two turns: a not-go that makes them goes right through.
    expect(states([judgeNotGo(2, 2, 2), judgeNotGo(1, 2, 2), judgeNotGo(0, 2, 0.4)])).toBe('bad good good');
  });
  test('minor by pins: M8-6H is 6.647 to 6.912', () => {
    const pins = (inMm: number, outMm?: number, formed = false): Verdict =>
      judgePins({ inMm, outMm }, 6.647, 6.912, formed);
    expect(states([pins(6.647, 6.912), pins(6.65, 6.9), pins(6.913), pins(6.6, 6.647)])).toBe('good good bad bad');
    // One pin alone settles nothing but a hole that is too large.
    expect(states([pins(6.7), pins(6.6), pins(6.6, 6.9), pins(6.7, 6.95)])).toBe('open open open open');
    expect(tell(pins(6.6).reason, 'mm')).toContain('Try 6.647 mm');
    // Pins come by hundredths: 6.92 is the first over 6.912, and that it does not enter is all that they can say.
    expect(tell(pins(6.7).reason, 'mm')).toBe('Pin 6.7 mm enters. Try 6.92 mm: it must not enter.');
    expect(states([pins(6.7, 6.92), pins(6.9, 6.88), pins(6.8, 6.8)])).toBe('good open open');
    expect([pins(6.6, 6.64).choices.includes('redrill'), pins(6.6, 6.64, true).choices.includes('redrill')]).toEqual([
      true,
      false,
    ]);
  });
  test('depth of thread to half a pitch, as by the gauge; plain depth and diameter to ISO 2768 medium; H7', () => {
    const depths = [15.38, 15.37].map((d) => judgeThreadDepth(d, 16, 1.25));
    const plain = [19.8, 20.2, 19.79, 20.21].map((d) => judgeHoleDepth(d, 20));
    const sizes = [9.2, 8.8, 9.21].map((d) => judgeSize(d, 9));
    const fits = [8, 8.015, 8.016, 7.999].map((d) => judgeSize(d, 8, 0.015));
    expect([depths, plain, sizes, fits].map(states)).toEqual([
      'good bad',
      'good good bad bad',
      'good good bad',
      'good good bad bad',
    ]);
    expect(plain[3].choices).not.toContain('deepen');
    expect(sizes[2].choices).toContain('open');
    // Under size it is drilled or reamed again, never tapped; a fit that is over takes another pin or a bush.
    expect([judgeSize(8.7, 9), fits[3], fits[2]].map((v) => v.choices.slice(0, 2))).toEqual([
      ['clean', 'drill-again'],
      ['clean', 'ream-again'],
      ['oversize', 'bush'],
    ]);
    // A drawn 11 that was made with 11.1, the next in the crib: 11.3 is as it should be, 11.31 is not.
    expect(states([judgeSize(11.3, 11, undefined, 11.1), judgeSize(11.31, 11, undefined, 11.1)])).toBe('good bad');
  });
});

test('squareness: 0.15 and 0.08 over 50 lean 0.195 degrees, 0.054 over 16; and which way to press', () => {
  expect(judgeSquare({ frontMm: 0.1, sideMm: 0, heightMm: 0 }, 16).state).toBe('open');
  const gaps = { frontMm: 0.15, sideMm: 0.08, heightMm: 50 };
  expect(tiltOf(gaps).value).toBeCloseTo(0.1948, 4);
  expect(wanderMm(gaps, 16)).toBeCloseTo(0.0544, 4);
  const said = (front: number, side: number): string =>
    tell(judgeSquare({ frontMm: front, sideMm: side, heightMm: 50 }, 16).reason, 'mm');
  expect(said(0.15, 0.08)).toContain('Press it left and toward you.');
  expect(said(-0.15, 0)).toContain('Press it right.');
  expect(said(0, 0)).toBe('Square from both sides.');
  // Half a degree over 50 mm is 50 × tan 0.5° = 0.436.
  const at = (frontMm: number): Verdict => judgeSquare({ frontMm, sideMm: 0, heightMm: 50 }, 16);
  expect(states([at(0.436), at(0.437)])).toBe('good bad');
});

describe('position', () => {
  const drawn = { x: 90, y: 155 };
  test('by two axes: 0.06 right and 0.08 down is 2 × 0.1 of the zone, at it and just under it', () => {
    const by = (zone: number): Verdict => judgePosition({ x: 90.06, y: 154.92 }, drawn, zone, false);
    expect(states([by(0.2), by(0.199)])).toBe('good bad');
    expect(tell(by(0.199).reason, 'mm')).toContain('Off 0.06 mm right, 0.08 mm down: 0.2 mm');
    expect(tell(judgePosition(drawn, drawn, 0.2, true).reason, 'mm')).toContain('On its place');
  });
  test('on a photograph: 200 pixels for 20 mm; up is up however the picture was held', () => {
    const level = { left: { x: 100, y: 100 }, right: { x: 300, y: 100 }, cross: { x: 200, y: 200 } };
    expect(offsetOnPhoto({ ...level, mark: { x: 205, y: 197 } }, 20)).toEqual({
      ok: true,
      value: { x: expect.closeTo(0.5), y: expect.closeTo(0.3) },
    });
    // Turned a quarter: X of the part runs up the picture, Y to its left.
    const turned = { left: { x: 100, y: 300 }, right: { x: 100, y: 100 }, cross: { x: 200, y: 200 } };
    expect(offsetOnPhoto({ ...turned, mark: { x: 190, y: 180 } }, 20)).toEqual({
      ok: true,
      value: { x: expect.closeTo(2), y: expect.closeTo(1) },
    });
    expect(offsetOnPhoto({ ...level, right: { x: 110, y: 100 }, mark: level.cross }, 20).ok).toBe(false);
  });
});

describe('sampling', () => {
  const bad = (part: number) => ({ part, good: false });
  const fine = (...parts: number[]) => parts.map((part) => ({ part, good: true }));
  test('the first, every fifth, the last of 18', () => {
    expect(partsToGauge(18, 5, fine(1, 5))).toEqual([1, 5, 10, 15, 18]);
    expect(partsToGauge(1, 5, [])).toEqual([1]);
  });
  test('after a fault: back to the last good one, and on until five in a row are good', () => {
    const before = [...fine(1, 5), bad(10)];
    expect(partsToGauge(18, 5, before)).toEqual([1, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18]);
    expect(partsToGauge(18, 5, [...before, ...fine(6, 7, 8, 9, 11, 12, 13, 14, 15)])).toEqual([
      1, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 18,
    ]);
    expect(partsToGauge(40, 10, [...fine(1), bad(10), ...fine(11, 12, 13), bad(14)])).toContain(19);
  });
  test('one that was mended is still a fault for those beside it; one that was only dirty is none', () => {
    const on = (part: number, body: object, kind: string) =>
      ({ id: `${kind}${part}`, kind, featureId: 'f', holeNumber: 1, body: { part, ...body } }) as BenchRecord;
    const gauged = (part: number, verdict: string) => on(part, { check: 'go', verdict, values: {} }, 'checked');
    const records = [
      gauged(1, 'good'),
      gauged(2, 'bad'),
      on(2, { choice: 'redrill' }, 'decision'),
      gauged(2, 'good'),
      gauged(3, 'bad'),
      on(3, { choice: 'clean' }, 'decision'),
      gauged(3, 'good'),
    ];
    expect(resultsOf(countRecords(records), 'f', 1)).toEqual([
      { part: 1, good: true },
      { part: 2, good: false },
      { part: 3, good: true },
    ]);
    // One that was mended once stays a fault, though the next time it was only dirty.
    const again = [gauged(2, 'bad'), on(2, { choice: 'clean' }, 'decision'), gauged(2, 'good')];
    expect(resultsOf(countRecords([...records, ...again]), 'f', 1)[1]).toEqual({ part: 2, good: false });
    expect(resultsOf(countRecords(records), 'f', 2)).toEqual([]);
  });
});

describe('instruments', () => {
  test('against a standard: a caliper a millimetre out is off, a rule half a one is within what a rule can', () => {
    const caliper = checkInstrument('caliper', { standardMm: 25, readings: [26, 26.02, 25.98] });
    expect([caliper.offset.value, caliper.sigmaMm, caliper.off]).toEqual([
      expect.closeTo(1),
      expect.closeTo(0.02),
      true,
    ]);
    expect(tell(caliper.said, 'mm')).toContain('reads 1.0 mm too large');
    const rule = (reading: number) => checkInstrument('rule', { standardMm: 100, readings: [reading] });
    expect([rule(100.5).off, rule(100.51).off, rule(99.49).off]).toEqual([false, true, true]);
    expect(rule(100).sigmaMm).toBeUndefined();
  });
  test('a readout: zero at one edge, half at the other, and the middle is at zero; preset', () => {
    const far = move(preset(move(NEW_READOUT, 'x', 7), 'x', 0), 'x', 80);
    expect([shownAt(far, 'x'), shownAt(half(far, 'x'), 'x')]).toEqual([80, 40]);
    expect(shownAt(move(half(far, 'x'), 'x', -40), 'x')).toBe(0);
    expect(shownAt(move(preset(far, 'y', 12.5), 'y', -2.5), 'y')).toBe(10);
  });
  test('lines: in millimetres whatever they were sent in, and what is none says why', () => {
    const written = (line: string): string => {
      const read = readInstrumentLine(line);
      return read.ok ? writeInstrumentLine(read.value) : tell(read.problems[0], 'mm');
    };
    expect(
      [
        'caliper size 0.5 in',
        'readout x -12.345 y 40 mm',
        'torque now 3.1 peak 6.2 Nm',
        // 40 lbf·in are 40 × 0.112984829 Nm.
        'torque now 40 lbf·in',
        'caliper size 8 furlongs',
        'caliper',
        'caliper size 8',
        `caliper size 8 mm${' '.repeat(200)}`,
      ].map(written),
    ).toEqual([
      'caliper size 12.7 mm',
      'readout x -12.345 y 40 mm',
      'torque now 3.1 peak 6.2 Nm',
      'torque now 4.5194 Nm',
      '“furlongs” is not a unit of a reading: mm, in, Nm, lbf·in or turns.',
      '“caliper” is not a reading.',
      '“caliper size 8” is not a reading.',
      'A line has at most 200 characters.',
    ]);
  });
});

test('torque while tapping: M8 needs 4.3 Nm and breaks at 18.2; from six tenths of that one stops', () => {
  const said = (nm: number): string => {
    const { stop, said: words } = judgeTorque(nm, 4.3, 18.2);
    return `${stop ? 'stop: ' : ''}${tell(words, 'mm')}`;
  };
  // 1.5 × 4.3 = 6.45; 0.6 × 18.2 = 10.92.
  expect([6.44, 6.46, 10.92, 10.93].map(said).map((s) => s.split(': ')[0].replace(/,.*/, ''))).toEqual([
    '6.4 Nm',
    '6.5 Nm',
    '10.9 Nm',
    'stop',
  ]);
  expect([said(6.44).includes('as expected'), said(6.46).includes('Reverse more often')]).toEqual([true, true]);
});

test('an inspection sheet as a table: figures in the unit of the job, nothing that a spreadsheet would run', () => {
  const row = {
    hole: 'A1',
    part: 2,
    check: 'Minor diameter by pins',
    read: [{ label: 'largest pin that enters', value: 6.7, unit: 'mm' as const }],
    verdict: 'open' as const,
    limits: { text: '{low} or more', values: { low: { value: 6.647, unit: 'mm' as const } } },
    isFirst: true as const,
    decision: 'Accept as it is',
    accepted: 'drawing office: no load on it',
    reason: { text: 'Pin {in} enters.', values: { in: { value: 6.7, unit: 'mm' as const } } },
    who: '=1+1',
    at: '2026-11-26T08:00:00.000Z',
  };
  expect([...writeInspectionCsv([row], 'inch', 'QH-0098')].join('').split('\n')[1]).toBe(
    `2,QH-0099,A1,first,Minor diameter by pins,0.2617 in or more,largest pin that enters 0.2638 in,not settled,Pin 0.2638 in enters.,Accept as it is,drawing office: no load on it,,"'=1+1",2026-11-26T08:00:00.000Z`,
  );
});
