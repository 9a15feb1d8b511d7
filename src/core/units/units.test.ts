import fc from 'fast-check';
import { composed, mm, phrase, quantity } from '../answer/answer';
import { interpolate } from './interpolate';
import { inchToMm, mmToInch, parseLength, type LengthUnit } from './length';
import { exactFraction, show, showText, tell, trimmed, turnsText } from './show';

function read(text: string, unit: LengthUnit = 'mm') {
  const parsed = parseLength(text, unit);
  if (!parsed.ok) throw new Error(tell(parsed.problems[0], 'mm'));
  return parsed.value;
}

describe('lengths as typed', () => {
  test.each([
    ['6.8', 'mm', 6.8, true],
    ['6.8', 'in', 172.72, true],
    ['6.8mm', 'in', 6.8, false],
    ['.268', 'in', 6.8072, true],
    ['17/64', 'mm', 6.746875, true],
    ['1-1/4"', 'mm', 31.75, false],
    ['1 1/4 in', 'mm', 31.75, false],
    ['0.25 in', 'mm', 6.35, false],
    ['250 thou', 'mm', 6.35, false],
    ['6,8', 'mm', 6.8, true],
    ['2 cm', 'in', 20, false],
    ['50 µm', 'mm', 0.05, false],
    [' 3/8 ” ', 'mm', 9.525, false],
    ['-4 mm', 'mm', -4, false],
  ] as const)('%s in a shop of %s', (text, unit, expected, assumed) => {
    const parsed = read(text, unit);
    expect(parsed.mm).toBeCloseTo(expected, 9);
    expect(parsed.assumed !== undefined).toBe(assumed);
  });

  test('a bare number says which unit it took; a bare fraction says inches in any shop', () => {
    expect(tell(read('12').assumed ?? phrase(''), 'mm')).toBe('12 has no unit and is read as mm.');
    expect(tell(read('3/8', 'mm').assumed ?? phrase(''), 'mm')).toContain('inches');
  });

  test.each(['', '  ', 'abc', '1/0', '12 furlong', '1,250', '1e400', '--3', '1/2/3', 'NaN', 'Infinity'])(
    '“%s” is refused with a remedy',
    (text) => {
      const parsed = parseLength(text, 'mm');
      expect(parsed.ok).toBe(false);
      if (parsed.ok) return;
      const [p] = parsed.problems;
      expect(tell(p.remedy, 'mm')).not.toBe('');
      expect(p.at?.end).toBeGreaterThan(p.at?.start ?? 0);
    },
  );

  test('inches and millimetres are exact to each other, and what is shown reads back', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 1000, noNaN: true }), (value) => {
        expect(mmToInch(inchToMm(value))).toBeCloseTo(value, 9);
        expect(read(showText(mm(value), 'mm'), 'in').mm).toBeCloseTo(value, value < 30 ? 2 : 1);
        expect(read(showText(mm(value), 'inch')).mm).toBeCloseTo(value, 1);
      }),
    );
  });
});

describe('figures as shown', () => {
  test.each([
    [mm(6.8), 'mm', '6.8 mm'],
    [mm(6.8), 'inch', '0.2677 in'],
    [mm(21), 'mm', '21.0 mm'],
    [{ ...mm(21.793), places: 1 }, 'mm', '21.8 mm'],
    [{ ...mm(21.793), places: 1 }, 'inch', '0.858 in'],
    [quantity(75.44, 'percent'), 'mm', '75.4 %'],
    [quantity(1283.6, 'rpm'), 'inch', '1284 rev/min'],
    [quantity(27.432, 'm/min'), 'inch', '90 ft/min'],
    // 4.52 Nm are 40 lbf·in; 98.1 N are 22 lbf; 440 MPa are 63.8 ksi.
    [quantity(4.519, 'Nm'), 'inch', '40 lbf·in (4.5 Nm)'],
    [quantity(98.1, 'N'), 'inch', '22 lbf'],
    [quantity(440, 'MPa'), 'inch', '63.8 ksi'],
    // 550 W are 550 / 745.7 hp.
    [quantity(550, 'W'), 'inch', '0.74 hp'],
    [quantity(549.6, 'W'), 'mm', '550 W'],
    [quantity(36.6, 'mm2'), 'inch', '0.0567 in²'],
    [quantity(303.6, 'percent'), 'mm', '304 %'],
    [quantity(22.62, 'deg'), 'mm', '22.62°'],
    // An estimate has two figures; what was typed or read has its own.
    [quantity(1386, 'W'), 'mm', '1400 W'],
    [{ value: 1850, unit: 'W', places: 0 }, 'mm', '1850 W'],
    [quantity(68.6, 'Nm'), 'mm', '69 Nm'],
    [{ value: 68.6, unit: 'Nm', places: 1 }, 'mm', '68.6 Nm'],
    [quantity(NaN, 'mm'), 'mm', '—'],
  ] as const)('%j in %s is %s', (figure, display, text) => expect(showText(figure, display)).toBe(text));

  test('a count has the half that it has: two and a half chamfer threads are not three', () => {
    expect([2.5, 4, 60].map((value) => show({ value, unit: 'count' }, 'mm').number)).toEqual(['2.5', '4', '60']);
  });
  test('turns are counted in eighths, then in quarters', () => {
    expect([0, 0.15, 0.3, 0.45, 0.97, 1.125, 1.9, 2.1, 14.8, 14.9, -0.5].map((t) => turnsText(t))).toEqual([
      ...['0', '1/8', '1/4', '1/2', '1', '1 1/8', '1 7/8', '2', '14 3/4', '15', '-1/2'],
    ]);
    // A turn that is not to be passed is never rounded up.
    expect([14.9, 1.9, 15].map((t) => turnsText(t, true))).toEqual(['14 3/4', '1 7/8', '15']);
    expect(showText({ value: 2.1, unit: 'turns', places: 1 }, 'mm')).toBe('2.1 turns');
    expect([0.97, 1.2].map((t) => showText(quantity(t, 'turns'), 'mm'))).toEqual(['1 turn', '1 1/4 turns']);
  });

  test.each([
    [6.746875, '17/64'],
    [31.75, '1-1/4'],
    [25.4, '1'],
    [12.7, '1/2'],
    [6.8, undefined],
    [0, undefined],
  ])('%d mm as a fraction is %s', (value, text) => expect(exactFraction(value)).toBe(text));

  test('a phrase fills its places in the units of the reader and leaves unknown ones', () => {
    const p = composed('{wall} of {name}, {other}', { wall: mm(25.4), name: 'wall' });
    expect(tell(p, 'mm')).toBe('25.4 mm of wall, {other}');
    expect(tell(p, 'inch')).toBe('1.0000 in of wall, {other}');
    expect(trimmed(-0.0001, 2)).toBe('0');
  });
});

test('interpolation goes through its points and holds the ends', () => {
  const points = [
    [1, 10],
    [3, 30],
    [5, 20],
  ] as const;
  expect([0, 1, 2, 3, 4, 5, 9].map((x) => interpolate(points, x))).toEqual([10, 10, 20, 30, 25, 20, 20]);
});
