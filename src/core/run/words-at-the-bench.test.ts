import type { Operation } from '../operation/operation';
import { planned } from '../tests/bench-shop';
import { TAPS, tapShop } from '../tests/bench-taps';
import { tell } from '../units/show';
import type { WorkItem } from '../route/work-item';
import { feelOf, headline, verbOf, whereOf } from './bench-words';
import { cardLines, cardRows } from './card-line';
import { recordWords, type Told } from './record-words';

const at = tapShop(TAPS.map((t) => ({ ...t, where: 'Drawer 2' })));
const cardOf = (form: Parameters<typeof planned>[0]): string[] =>
  cardLines(planned(form, { at })).map(({ key, head, speed, set, small }) =>
    [key, tell(head, 'mm'), speed?.rpm, set && tell(set, 'mm'), ...small.map((p) => tell(p, 'mm'))]
      .filter((part) => part !== undefined)
      .join(' | '),
  );

// 17/64 comes to its tip of 2.03 under 22.25 of full diameter, out first at three diameters; 8.4 opens at 90° from 6.84.
test('a card: what is done with what, how fast, where it stops, when it comes out, how many turns', () => {
  expect(cardOf({ callout: 'M8 x 16 DEEP', thickness: '40' })).toEqual([
    'lay-out | Lay out',
    'start | Start 2.5 mm | 3300 | stop 4.0 mm',
    'drill | Drill 17/64 in | 1250 | stop 24.5 mm | Out at 20.2 mm on the stop.',
    'chamfer | Chamfer 8.4 mm | 330 | stop 0.8 mm',
    'tap-1 | Tap M8x1.25, plug (4) | 16 3/4 turns | By hand, guided by a spring centre.',
    'check | Gauge, minor 6.647 mm to 6.912 mm',
  ]);
  expect(cardOf({ callout: 'ø8 H7 REAM THRU', thickness: '20' }).slice(2)).toEqual([
    'drill | Drill 7.7 mm | 1250 | stop off',
    'ream | Ream 8.0 mm | 560',
    'deburr | Deburr',
    'check | Gauge',
  ]);
  const driven = { callout: 'M8 THRU', thickness: '16', machine: 'mill', way: 'reversing-spindle' } as const;
  expect(cardOf(driven)[3]).toBe(
    'tap-1 | Tap M8x1.25, spiral-point (gun) tap (4) | 65 | 16 3/4 turns | Under power, reversing spindle.',
  );
});

test('hand work that follows on hand work stands beside it on a card; what is set or driven has a row of its own', () => {
  const rows = (callout: string) =>
    cardRows(cardLines(planned({ callout, thickness: '20' }, { at }))).map((row) => row.map((l) => l.key).join('+'));
  expect(rows('ø8 H7 REAM THRU')).toEqual(['lay-out', 'start', 'drill', 'ream', 'deburr+check']);
});

test('what is done, read from across the shop, and where its tool lies', () => {
  const plan = planned({ callout: 'M8 THRU', thickness: '16' }, { at });
  const op = (key: string) => plan.operations.find((o) => o.key === key);
  const said = (key: string): string => {
    const found = op(key) as Operation;
    return tell(headline({ code: found.code, order: found.order } as WorkItem, found), 'mm');
  };
  expect(['lay-out', 'start', 'drill', 'chamfer', 'tap-1', 'check'].map(said)).toEqual([
    'Lay out',
    'Start',
    'Drill 17/64 in',
    'Chamfer 8.4 mm',
    'Tap M8x1.25',
    'Gauge',
  ]);
  const sawn = { code: 'cut-between', order: { text: 'Saw the bar.' } } as WorkItem;
  expect(tell(headline(sawn, undefined), 'mm')).toBe('Saw the bar.');
  expect(tell(headline({ code: 'start', order: { text: '' } } as WorkItem, undefined), 'mm')).toBe('Start');
  expect([verbOf('cut-between'), verbOf('tap')]).toEqual(['cut', 'tap']);
  const own = { ...op('deburr'), purpose: 'rub the face' } as Operation;
  expect(tell(headline({ code: 'note', order: own.order } as WorkItem, own), 'mm')).toBe('Rub the face');
  expect([whereOf(op('tap-1')), whereOf(op('check')), whereOf(undefined)]).toEqual(['Drawer 2', undefined, undefined]);
  const drill = op('drill');
  if (!drill?.cut?.spec.drill) throw new Error('no drill');
  const { spec } = drill.cut;
  const inCase = (over: object) =>
    whereOf({ ...drill, cut: { ...drill.cut, spec: { ...spec, ...over } } } as Operation);
  expect(inCase({ drill: { ...spec.drill, where: 'Case 1' } })).toBe('Case 1');
});

test('what the hand does at a tap: under power its moments, by hand square in the first two turns of the first tap only', () => {
  const feel = (form: Parameters<typeof planned>[0], key: string): string => {
    const plan = planned(form, { at });
    return feelOf(plan.operations.find((o) => o.key === key) as Operation, plan)
      .map((p) => tell(p, 'mm'))
      .join(' ');
  };
  const driven = { callout: 'M8 THRU', thickness: '16', machine: 'mill', way: 'reversing-spindle' } as const;
  expect(feel(driven, 'tap-1')).toMatch(/^Chuck snug on the flats.* run on to 16 3\/4 turns.* Reverse;/);
  const two = { callout: 'M8 x 16 DEEP', thickness: '40', taps: 'M8x1.25 plug, M8x1.25 bottoming' } as const;
  expect(feel(two, 'tap-1')).toMatch(/^Flutes clean, then oil\. After turn 1 and turn 2: square/);
  expect(feel(two, 'tap-2')).toBe('');
  expect(feel({ ...two, dry: true }, 'tap-1')).toMatch(/^Flutes clean\. After/);
  expect(feel(two, 'chamfer')).toBe('');
});

test.each<[Told['kind'], object, string]>([
  ['punch-mark', { dxMm: 3, dyMm: 4 }, 'Punched, 5.0 mm off'],
  ['punch-mark', { dxMm: 3, dyMm: 4, withdrawn: true }, 'Punch mark taken back'],
  ['layout-tick', { line: 'top x 30', ticked: true }, 'Scribed: top x 30'],
  ['layout-tick', { line: 'top x 30', ticked: false }, 'Undone: scribed top x 30'],
  ['step-done', { step: 'f/1/tap-1/2~1', part: 2, feel: 'tight' }, 'Done: tap 1, it felt tight'],
  ['step-done', { step: 'clamp/1/2', part: 2 }, 'Done: clamp'],
  ['step-skipped', { step: 'f/1/deburr/2', reason: 'no burr' }, 'Skipped deburr: no burr'],
  ['step-undone', { step: 'f/1/drill/2' }, 'Undone: drill'],
  ['tap-broken', { tap: 'M8 plug' }, 'Tap broken: M8 plug'],
  ['drill-dull', { tool: '6.8 mm' }, 'Drill dull, changed: 6.8 mm'],
  ['note', { text: 'hard spot' }, 'hard spot'],
  ['remedy', { label: 'Use 6.9' }, 'Remedy: Use 6.9'],
  ['checked', { check: 'mating', verdict: 'good' }, 'Gauged mating part: good'],
  ['checked', { check: 'meets', verdict: 'open' }, 'Gauged wire test: not settled'],
  ['decision', { choice: 'scrap' }, 'Decided: Scrap the part'],
  ['decision-undone', {}, 'Decision taken back'],
  ['photo', {}, 'Photograph'],
  ['chip-seen', { chips: 'blue' }, 'Seen: blue chips'],
  ['tap-felt', { sign: 'creaks' }, 'It creaks'],
  ['die-felt', { sign: 'die-heavy' }, 'It turns hard'],
])('a record in a line: %s %j', (kind, body, words) => {
  expect(tell(recordWords({ kind, body } as Told), 'mm')).toBe(words);
});
