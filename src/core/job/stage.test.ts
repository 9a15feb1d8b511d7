import { USUAL_PART } from '../layout/part';
import { tell } from '../units/show';
import { faceSketch } from './face-sketch';
import { stageOf, type Progress } from './stage';
import { wayOf, type WayKnown } from './way';

const all: Progress = { holes: 13, impossible: 0, unplaced: 0, features: 4, scribed: 0, punched: 0 };
const issued = { number: 2, current: true };
const of = (over: Partial<Progress>): string => {
  const { stage, next } = stageOf({ ...all, ...over });
  return `${stage}: ${tell(next, 'mm')}`;
};

test('how far a job is, and what comes next', () => {
  expect([
    of({ holes: 0, features: 0 }),
    of({ unplaced: 4 }),
    of({ unplaced: 1 }),
    of({ impossible: 2 }),
    of({}),
    of({ holes: 1, features: 1 }),
    of({ scribed: 5 }),
    of({ scribed: 5, punched: 3 }),
    of({ punched: 13, impossible: 1 }),
    of({ issued: { number: 2, current: true } }),
    of({ punched: 13, issued: { number: 2, current: true } }),
    of({ scribed: 5, issued: { number: 2, current: false } }),
    of({ issued, bench: { done: 12, steps: 84, waiting: 0, next: 'drill A2' } }),
    of({ issued, bench: { done: 12, steps: 84, waiting: 1, next: 'drill A2' } }),
    of({ issued: { number: 2, current: false }, bench: { done: 84, steps: 84, waiting: 3 } }),
    of({ issued, bench: { done: 84, steps: 84, waiting: 0 } }),
    of({ issued, bench: { done: 84, steps: 84, waiting: 0, ungauged: 2 } }),
    of({ issued, bench: { done: 0, steps: 84, waiting: 0, next: 'clamp' } }),
  ]).toEqual([
    'new: Add the holes on the drawing.',
    'drawing: Lay out the holes, or work from the card.',
    'drawing: Place 1 of 4 features.',
    'drawing: 2 kinds of holes can’t be made as drawn: settle them.',
    'planned: Look the route over, then issue it: the bench leads from there.',
    'planned: Look the route over, then issue it: the bench leads from there.',
    'scribing: Scribe the rest, then punch.',
    'punching: Punch 10 more of 13.',
    'punched: Issue the route, then drill and tap.',
    'routed: The bench leads by route 2.',
    'punched: Drill and tap by route 2.',
    'routed: Changed since route 2 was issued: look, then issue it anew.',
    'at the bench: 12 of 84 steps done; next, drill A2.',
    'waiting: One hole waits for a decision: Check.',
    'waiting: 3 holes wait for a decision: Check.',
    'made: All steps done: inspection sheet in Papers.',
    'made: All steps done, 2 holes not gauged: inspection sheet in Papers.',
    'routed: The bench leads by route 2.',
  ]);
});

test('the way: every view with how far it is, and one key that leads to the very place', () => {
  const part = { ...USUAL_PART, stock: { shape: 'plate' as const, widthMm: 180, heightMm: 180, thicknessMm: 16 } };
  const way = (over: Partial<WayKnown>) => wayOf({ ...all, part, kinds: 4, records: 0, ...over });
  const said = (over: Partial<WayKnown>): string[] =>
    way(over).stops.map((s) => `${s.name} ${s.state}: ${tell(s.said, 'mm')}`);
  expect(said({ holes: 0, features: 0, kinds: 0, part: USUAL_PART })).toEqual([
    'Part empty: no stock yet',
    'Lay out empty: nothing placed',
    'Holes empty: none yet',
    'Route empty: not issued',
    'Bench empty: needs a route',
    'Check empty: needs a route',
    'Papers empty: card',
    'Log empty: no records',
  ]);
  const bench = { done: 12, steps: 84, waiting: 1, next: 'drill A2' };
  expect(said({ issued, bench, records: 30, punched: 13 })).toEqual([
    'Part done: 180 mm × 180 mm × 16 mm',
    'Lay out done: 13 places',
    'Holes done: 4 kinds, 13 holes',
    'Route done: issued 2',
    'Bench open: 12 of 84 steps',
    'Check waits: 1 waits',
    'Papers open: card, traveller, sheet',
    'Log open: 30 records',
  ]);
  expect(way({ issued, bench }).next).toMatchObject({ view: 'check', label: 'Decide' });
  expect(way({ issued, bench: { ...bench, waiting: 0 } }).next).toMatchObject({
    view: 'bench',
    label: 'Go on: drill A2',
  });
  expect(way({ punched: 3 }).next).toMatchObject({ view: 'plate', tab: 'punch' });
  expect(way({ impossible: 1 }).stops[2]).toMatchObject({ state: 'waits' });
  expect(said({ part: USUAL_PART })[0]).toMatch(/^Part open: .*, assumed$/);
});

test('a job is known by the face with the most features, from the corner of its datum', () => {
  const feature = (id: string, face: 'top' | 'front', x: number) => ({
    id,
    letter: id,
    face,
    place: { kind: 'point' as const, x, y: 5 },
    question: { callout: 'M6 THRU' },
  });
  const part = { ...USUAL_PART, datums: { top: { x: 'right' as const, y: 'bottom' as const } } };
  const sketch = faceSketch(part, [feature('A', 'front', 1), feature('B', 'top', 10), feature('C', 'top', 20)]);
  const width = sketch?.shape.kind === 'rectangle' ? sketch.shape.widthMm : NaN;
  expect([sketch?.face, sketch?.holes.map((h) => [h.letter, h.x, h.y, h.diameterMm])]).toEqual([
    'top',
    [
      ['B', width - 10, 5, 6],
      ['C', width - 20, 5, 6],
    ],
  ]);
  expect(faceSketch(part, [])).toBeUndefined();
});
