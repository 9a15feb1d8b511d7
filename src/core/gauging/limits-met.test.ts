import type { Answer } from '../answer/answer';
import { METRIC_INDEX, planned } from '../tests/bench-shop';
import type { Tool } from '../shop/tool';
import { tell } from '../units/show';
import { checksOf, type Check } from './checks-of';
import { judgeHoleDepth, judgeSize, judgeThreadDepth } from './depth-and-size';
import { instrumentFor, instrumentName } from './instrument-for';
import { readInstrumentLine } from './instrument-line';
import { judgePosition, offsetOnPhoto } from './position';
import { judgeSquare } from './squareness';
import { judgeGo, judgeNotGo, judgePins } from './thread-gauge';
import { CHOICES, isGaugedAgain, slipOf, type Choice, type Verdict } from './verdict';

const SETTING = { drawn: { x: 20, y: 10 }, zoneMm: 0.4, notGoTurns: 2 };
const checks = (callout: string): Check[] =>
  checksOf(planned({ callout, thickness: '20', drills: METRIC_INDEX.id }), SETTING);
const check = (callout: string, kind: Check['kind']): Check => checks(callout).filter((c) => c.kind === kind)[0];
const shown = ({ working }: Answer): string[] =>
  working.inputs.map(({ label, quantity: q }) => `${label} ${typeof q === 'string' ? q : q.value}`);
const workings = ({ figures }: Verdict): string[] => figures.flatMap(({ label, answer }) => [label, ...shown(answer)]);
const states = (judge: (read: number) => Verdict, ...read: number[]): string =>
  read.map((r) => judge(r).state).join(' ');

describe('what of the crib gauges a hole', () => {
  const pins = (id: string, smallMm: number, diameterMm: number, more: Partial<Tool> = {}): Tool => ({
    id,
    kind: 'gauge-pin',
    name: id,
    smallMm,
    diameterMm,
    ...more,
  });
  const tools: Tool[] = [
    { id: 'cutter', kind: 'counterbore', name: 'cutter', smallMm: 1, diameterMm: 20 },
    pins('small pins', 1, 6.6),
    pins('lost pins', 1, 20, { condition: 'lost' }),
    pins('pins', 6.64, 9),
    pins('large pins', 9.01, 20),
    { id: 'scribe', kind: 'gauge-pin', name: 'a pin of no size' },
    { id: 'old', kind: 'measuring', name: 'old depth gauge', instrument: 'depth-gauge', condition: 'lost' },
    { id: 'deep', kind: 'measuring', name: 'depth gauge', instrument: 'depth-gauge' },
    { id: 'go', kind: 'thread-gauge', name: 'Plug gauge M8', thread: 'M8x1.25' },
  ];
  const finds = (callout: string, among = tools) => {
    const plan = planned({ callout, thickness: '20', drills: METRIC_INDEX.id });
    return (['go', 'not-go', 'minor', 'size', 'depth', 'square', 'position', 'mating'] as const).map(
      (kind) => instrumentFor(among, kind, plan)?.id,
    );
  };

  test('its thread gauge, the pins that span it from end to end, a depth gauge that is there; nothing for the rest', () => {
    expect(finds('M8 x 12 DEEP').slice(0, 3)).toEqual(['go', 'go', 'pins']);
    expect(finds('M8 x 12 DEEP').slice(4)).toEqual(['deep', undefined, undefined, undefined]);
    expect(finds('M6 THRU')[0]).toBeUndefined();
    expect(finds('ø9 THRU').slice(0, 4)).toEqual([undefined, undefined, undefined, 'pins']);
    expect(finds('ø9.01 THRU')[3]).toBe('large pins');
    expect(finds('ø9 THRU', [])).toEqual(Array(8).fill(undefined));
  });

  test('is named with its number and when it was checked, where they are known', () => {
    expect(instrumentName({ name: 'Plug gauge M6' })).toBe('Plug gauge M6');
    expect(instrumentName({ name: 'Plug gauge M6', number: '14', checkedOn: '2026-10-02' })).toBe(
      'Plug gauge M6, no. 14, checked 2026-10-02',
    );
  });
});

test('a limit that is met is kept: a figure at it is inside, one beside it is not', () => {
  const thread = (read: number) => judgeThreadDepth(read, 16, 1.25);
  // Half a pitch short of 16: 15.375.
  expect(states(thread, 16, 15.375, 15.37, 48.1)).toBe('good good bad open');
  expect(tell(thread(15).reason, 'mm')).toContain('1.0 mm short');
  expect(thread(15).choices).toEqual(['clean', 'next-tap', 'deepen', 'accept', 'scrap']);
  // ISO 2768 medium: 0.1 up to 6, 0.2 up to 30, 0.3 up to 120, 0.5 up to 400, 0.8 above.
  const deep = (drawn: number, off: number) => judgeHoleDepth(drawn + off, drawn).state;
  expect(
    [6, 6.1, 30, 31, 120, 400, 401].map((d, i) => [deep(d, [0.1, 0.2, 0.2, 0.3, 0.3, 0.5, 0.8][i]), deep(d, 0.81)]),
  ).toEqual(Array(7).fill(['good', 'bad']));
  const size = (read: number) => judgeSize(read, 8, 0.015);
  expect(states(size, 8, 8.015, 7.999, 8.016, 2.6)).toBe('good good bad bad open');
  expect(states((r) => judgePins({ inMm: r }, 6.647, 6.912, false), 6.912, 6.913)).toBe('open bad');
  const between = (inMm: number, outMm: number) => judgePins({ inMm, outMm }, 6.647, 6.912, false).state;
  // The set stands by 0.0254: a pin that far over the limit still tells.
  expect([between(6.647, 6.9374), between(6.647, 6.938), between(6.6, 6.647), between(6.646, 6.7)]).toEqual([
    'good',
    'open',
    'bad',
    'open',
  ]);
  expect([between(6.7, 6.7), between(6.7, 25), between(2, 6.7)]).toEqual(['open', 'open', 'open']);
  expect(tell(judgePins({ inMm: 6.7 }, 6.647, 6.912, false).reason, 'mm')).toContain('Try 6.92');
  expect(tell(judgePins({ inMm: 6.6 }, 6.647, 6.912, false).reason, 'mm')).toContain('Try 6.647');
  expect(judgeNotGo(2, 2).state + judgeNotGo(2.1, 2).choices.join()).toBe('goodclean,larger,accept,scrap');
  expect(judgeNotGo(12, 2, 12.3).choices).toEqual(['clean', 'larger', 'accept', 'scrap']);
  // atan(0.4363 / 50) is 0.49995 degrees.
  const lean = (gap: number) => judgeSquare({ frontMm: gap, sideMm: 0, heightMm: 50 }, 10);
  expect(states(lean, 0, 0.4363, 0.4364)).toBe('good good bad');
  expect(lean(0.5).choices).toEqual(['accept', 'larger', 'scrap']);
  expect(states((x) => judgePosition({ x: 20 + x, y: 10 }, { x: 20, y: 10 }, 0.4, true), 0.2, 0.201)).toBe('good bad');
  const slip = (read: number) => slipOf(read, 9) !== undefined;
  expect([27, 27.1, 3, 2.9].map(slip)).toEqual([false, true, false, true]);
});

test('which way: only what can be seen is named, with the figures that it follows from', () => {
  const off = (x: number, y: number) =>
    tell(judgePosition({ x, y }, { x: 0, y: 0 }, 9, false).reason, 'mm').split(':')[0];
  expect([off(0, 0), off(0.005, -0.005), off(0.1, 0), off(-0.1, 0.2), off(0, -0.2)]).toEqual([
    'On its place',
    'On its place',
    'Off 0.1 mm right',
    'Off 0.1 mm left, 0.2 mm up',
    'Off 0.2 mm down',
  ]);
  const press = (frontMm: number, sideMm: number) =>
    tell(judgeSquare({ frontMm, sideMm, heightMm: 50 }, 10).reason, 'mm').split('Press it ')[1];
  expect([press(0.1, 0), press(-0.1, 0), press(0, 0.1), press(0, -0.1), press(0.1, 0.1)]).toEqual([
    'left.',
    'right.',
    'toward you.',
    'to the back.',
    'left and toward you.',
  ]);
  expect(workings(judgePosition({ x: 0.3, y: 0.4 }, { x: 0, y: 0 }, 1, false))).toEqual([
    'position',
    'x off 0.3',
    'y off 0.4',
  ]);
  expect(workings(judgeSquare({ frontMm: -0.3, sideMm: 0.4, heightMm: 50 }, 10))).toEqual([
    'lean',
    'gap 1 0.3',
    'gap 2 0.4',
    'height 50',
  ]);
  expect(workings(judgeGo(12, 16, 1.25, true))).toEqual(['turns needed', 'length of full thread 16', 'pitch 1.25']);
  const photo = (pixels: number, apartMm: number) =>
    offsetOnPhoto(
      { left: { x: 0, y: 0 }, right: { x: pixels, y: 0 }, cross: { x: 0, y: 0 }, mark: { x: 1, y: 1 } },
      apartMm,
    ).ok;
  expect([photo(20, 10), photo(19.9, 10), photo(50, 0), photo(50, -1)]).toEqual([true, false, false, false]);
});

test('only accepting and scrapping end it', () => {
  const ends = (Object.keys(CHOICES) as Choice[]).filter((choice) => !isGaugedAgain(choice));
  expect(ends).toEqual(['accept', 'scrap']);
});

test('each check asks for its own figures, with a sign where there is one, and judges by them', () => {
  const asks = (callout: string, kind: Check['kind']) =>
    check(callout, kind).fields.map(
      (f) => `${f.id}${f.signed ? '±' : ''}${f.optional ? '?' : ''} ${f.unit} ${f.reading}`,
    );
  expect(asks('M8 x 12 DEEP', 'go')).toEqual(['turns turns go']);
  expect(asks('M8 x 12 DEEP', 'not-go')).toEqual(['turns turns not-go']);
  expect(asks('M8 x 12 DEEP', 'minor')).toEqual(['in mm in', 'out? mm out']);
  expect(asks('M8 x 12 DEEP', 'depth')).toEqual(['depth mm depth']);
  expect(asks('M8 x 12 DEEP', 'square')).toEqual(['front± mm front', 'side± mm side', 'height mm height']);
  expect(asks('M8 x 12 DEEP', 'position')).toEqual(['x± mm x', 'y± mm y']);
  expect(asks('1/8 NPT THRU', 'go')).toEqual(['turns± turns go']);
  expect(asks('ø9 x 12 DEEP', 'depth')).toEqual(['depth mm depth']);
  expect(asks('ø9 THRU', 'size')).toEqual(['size mm size']);
  // 12 ÷ 1.25 = 9.6 turns of full thread.
  expect(check('M8 x 12 DEEP', 'go').usual).toEqual([{ label: 'The full length', values: { turns: 9.6 } }]);
  expect(tell(check('M8 x 12 DEEP', 'go').limits, 'mm')).toContain('9.6');
  const judged = (callout: string, kind: Check['kind'], values: Record<string, number>): string =>
    check(callout, kind).judge(values).state;
  expect([judged('M8 x 12 DEEP', 'depth', { depth: 12 }), judged('M8 x 12 DEEP', 'depth', { depth: 11 })]).toEqual([
    'good',
    'bad',
  ]);
  expect([
    judged('M8 x 12 DEEP', 'square', { front: 0, side: 0, height: 50 }),
    judged('M8 x 12 DEEP', 'square', { front: 2, side: 0, height: 50 }),
  ]).toEqual(['good', 'bad']);
  expect([judged('ø9 THRU', 'size', { size: 9.1 }), judged('ø9 THRU', 'size', { size: 9.3 })]).toEqual(['good', 'bad']);
  const short = check('1/8 NPT THRU', 'go').judge({ turns: -2 });
  const past = check('1/8 NPT THRU', 'go').judge({ turns: 2 });
  expect([short.choices, past.choices]).toEqual([
    ['next-tap', 'scrap'],
    ['accept', 'scrap'],
  ]);
  expect([tell(short.reason, 'mm'), tell(past.reason, 'mm')].map((s) => s.split(' ')[0])).toEqual(['Stops', 'Goes']);
  expect(checks('ø15 x 5 DEEP ø9 THRU').filter((c) => c.kind === 'size')).toHaveLength(1);
});

test('a wire is asked of bores that are meant to meet, and only of them', () => {
  const [wire] = checksOf(planned({ callout: 'ø6 x 12 DEEP', thickness: '20' }), { notGoTurns: 2, meets: 'B' }).filter(
    (c) => c.kind === 'meets',
  );
  expect([wire.answers, wire.judge({ yes: 1 }).state, wire.judge({ yes: 0 }).state]).toEqual([
    ['The wire passes', 'It stops'],
    'good',
    'bad',
  ]);
  expect(checks('ø6 x 12 DEEP').some((c) => c.kind === 'meets')).toBe(false);
});

test.each([
  ['two readings with spaces between', '  readout   x 12.5   y 40   mm ', { x: 12.5, y: 40 }],
  ['as long as a line may be', `caliper size 8.5${' '.repeat(200 - 18)}mm`, { size: 8.5 }],
])('a line of an instrument, %s', (_, line, values) => {
  const read = readInstrumentLine(line);
  expect(read.ok && read.value.values).toEqual(values);
});

test('a line that is none is shown, cut short; nothing before the name, nothing over the length', () => {
  const said = (line: string): string => {
    const read = readInstrumentLine(line);
    return read.ok ? 'read' : tell(read.problems[0], 'mm');
  };
  expect(said('! caliper size 8.5 mm')).toContain('is not a reading');
  expect(said(`caliper size 8.5${' '.repeat(200 - 17)}mm`)).toContain('at most 200');
  expect(said('x'.repeat(199))).toContain(`“${'x'.repeat(60)}”`);
});
