import { keepsWrong } from './keeps-wrong';
import { levelOf, nextKind, standingOf, type Practised } from './learner';
import { KINDS_TO_LEARN, type ExerciseKind } from './kinds-of-exercise';

let n = 0;
const day = (d: number): string => new Date(Date.UTC(2026, 10, d, 8)).toISOString();
const did = (kind: ExerciseKind, on: number, right = true, over: Partial<Practised> = {}): Practised => ({
  id: `p${String(++n).padStart(4, '0')}`,
  who: 'apprentice',
  kind,
  seed: n,
  right,
  hints: 0,
  seconds: 30,
  mistake: 'stop',
  at: day(on),
  ...over,
});
const of = (list: readonly Practised[], kind: ExerciseKind) => standingOf(list).find((s) => s.kind === kind);

test('what goes right comes back later each time, what goes wrong soon; in whatever order it arrives', () => {
  const once = of([did('stop', 1)], 'stop');
  const wrong = of([did('stop', 1, false)], 'stop');
  expect((wrong?.due ?? '') < (once?.due ?? '')).toBe(true);
  expect((wrong?.due ?? '') < day(2)).toBe(true);
  const list = [did('stop', 1), did('stop', 9), did('stop', 30)];
  const now = of(list, 'stop');
  expect(now).toMatchObject({ done: 3, right: 3, inARow: 3, isSure: true });
  const gap = (s: typeof now, last: number): number => Date.parse(s?.due ?? '') - Date.parse(day(last));
  expect(gap(now, 30)).toBeGreaterThan(gap(of(list.slice(0, 2), 'stop'), 9));
  expect(of([...list].reverse(), 'stop')).toEqual(now);
  const lapsed = of([...list, did('stop', 40, false)], 'stop');
  expect(lapsed).toMatchObject({ inARow: 0, isSure: false });
  // Right with two hints is hardly right: it comes back sooner.
  expect(gap(of([did('stop', 1, true, { hints: 2 })], 'stop'), 1)).toBeLessThan(gap(once, 1));
  expect(of([], 'stop')).toEqual({ kind: 'stop', done: 0, right: 0, inARow: 0, isSure: false });
});

test('what comes next: the first level first, what is due before what is not, never the same twice in a row', () => {
  expect(levelOf(standingOf([]))).toBe(1);
  const fresh = standingOf([]);
  expect(nextKind(fresh, day(1))).toBe('safe');
  expect(nextKind(fresh, day(1), 'safe')).toBe('callout');
  const three = [did('safe', 1), did('callout', 1), did('vernier', 1)];
  expect(levelOf(standingOf(three))).toBe(2);
  const due = [...three, did('stop', 1, false)];
  expect(nextKind(standingOf(due), day(2), 'safe')).toBe('stop');
  expect(nextKind(standingOf(due), day(2), 'stop')).not.toBe('stop');
  expect(nextKind(fresh, day(1), undefined, ['felt'])).toBe('felt');
  let last: ExerciseKind | undefined;
  const all: Practised[] = [];
  for (let i = 0; i < 200; i++) {
    const kind = nextKind(standingOf(all), day(1 + i / 20), last);
    expect(kind).not.toBe(last);
    all.push(did(kind, 1 + i / 20, i % 4 !== 0));
    last = kind;
  }
  expect(new Set(all.map((p) => p.kind)).size).toBe(KINDS_TO_LEARN.length);
});

test('a mistake that keeps coming is named; one that is over is not', () => {
  expect(keepsWrong([did('stop', 1, false)])).toEqual([]);
  const twice = [did('stop', 1, false), did('stop', 2, false), did('belt', 2, false, { mistake: 'speed' })];
  expect(keepsWrong(twice)).toEqual(['stop']);
  const over = [...twice, ...[3, 4, 5, 6, 7].map((d) => did('stop', d))];
  expect(keepsWrong(over)).toEqual([]);
});
