import { WITH_PAGE } from '../answer/reasons';
import { BLANK_FORM } from '../hole/form';
import { shop } from '../tests/bench-shop';
import { tell } from '../units/show';
import { exerciseFaults } from '../tests/exercise-faults';
import { judgeAnswer, sameAs, type Exercise } from './exercise';
import { curveAt, WHY_PAGES, whyPage } from './why-pages';
import { exerciseOf, KINDS_TO_LEARN, type ExerciseKind } from './kinds-of-exercise';

/** `npm run torture -- exercises` asks ten thousand of each. */
const SEEDS = 30;
const source = { shop };
const made = (kind: ExerciseKind, seed: number): Exercise => {
  const exercise = exerciseOf(kind, seed, source);
  if (!exercise) throw new Error(`${kind} ${seed}: none`);
  return exercise;
};

test.each(KINDS_TO_LEARN)(
  '%s: can be asked from every seed, has best answers among what is offered, and says why to each',
  (kind) => {
    const seen = new Set<string>();
    for (let seed = 0; seed < SEEDS; seed++) {
      const exercise = made(kind, seed);
      seen.add(sameAs(exercise));
      expect([seed, ...exerciseFaults(exercise, made(kind, seed))]).toEqual([seed]);
    }
    // A sitting does not repeat itself: nearly every seed asks something else.
    expect(seen.size).toBeGreaterThan(kind === 'pilot' || kind === 'form' || kind === 'order' ? 8 : 0.5 * SEEDS);
  },
);

test('an exercise with two answers that read alike, none that is best, a slip that is right or a word left open is told', () => {
  const says = { text: 'Yes.' };
  const exercise: Exercise = {
    kind: 'gauge',
    seed: 1,
    ask: { text: 'What of {it}?' },
    facts: [],
    hints: [],
    mistake: 'chips',
    reason: 'percent',
    asked: { by: 'choice', best: [], choices: ['a', 'b'].map((id) => ({ id, says, why: says })) },
  };
  const why = { text: 'So it is.' };
  const asked = { by: 'figure', unit: 'mm', value: 4, within: 0.1, why, slips: [{ value: 4.3, says }] } as const;
  expect(exerciseFaults(exercise, { ...exercise, seed: 2 })).toEqual([
    'two answers that read alike',
    'no best answer',
    'reads “What of {it}?”',
    'made anew it is another',
  ]);
  expect(exerciseFaults({ ...exercise, ask: why, asked }, { ...exercise, ask: why, asked })).toEqual([]);
  expect(exerciseFaults({ ...exercise, ask: why, asked: { ...asked, value: NaN } }, exercise).slice(0, 2)).toEqual([
    'no figure to answer',
    'its own figure is wrong',
  ]);
});

test('worked by hand: stop, touch-off, vernier, turns, threads that fit', () => {
  for (let seed = 0; seed < 20; seed++) {
    const stop = made('stop', seed);
    const [d, angle, full] = stop.facts.map((f) => ('value' in f.value ? f.value.value : 0));
    // The tangent of half of 118° is 1.6643, of half of 135° 2.4142.
    expect(stop.asked).toMatchObject({ value: expect.closeTo(full + d / 2 / (angle === 118 ? 1.6643 : 2.4142), 3) });
    const touch = made('touch-off', seed);
    const [tool, shim] = touch.facts.map((f) => ('value' in f.value ? f.value.value : 0));
    expect(judgeAnswer(touch, tool / 2 + shim)).toMatchObject({ right: true });
    expect(tell(judgeAnswer(touch, tool / 2).says, 'mm')).toMatch(/it counts too/);
    const vernier = made('vernier', seed);
    const read = vernier.asked.by === 'figure' ? vernier.asked.value : 0;
    expect(tell(judgeAnswer(vernier, read + 10).says, 'mm')).toMatch(/^Off by a whole division/);
    const threads = made('threads', seed);
    const [deep, chamfer, room] = threads.facts.slice(1).map((f) => ('value' in f.value ? f.value.value : 0));
    const pitch = room;
    const n = threads.asked.by === 'figure' ? threads.asked.value : 0;
    expect((n + chamfer) * pitch + room).toBeLessThanOrEqual(deep + 1e-9);
    expect((n + 1 + chamfer) * pitch + room).toBeGreaterThan(deep);
  }
  const drill = made('tap-drill', 3);
  expect(drill.facts.map((f) => f.label)).toEqual([
    'Hole',
    'Material',
    'Machine',
    'Class',
    'Percent aimed at',
    'A drill here cuts larger by about',
  ]);
});

test('exercises of a job are about its own holes', () => {
  const holes = [
    { ...BLANK_FORM, callout: 'M7 x 14 DEEP', material: 'steel-low-carbon', thickness: '30', machine: 'press' },
  ];
  for (let seed = 0; seed < 5; seed++) {
    const exercise = exerciseOf('turns', seed, { shop, holes });
    expect(exercise?.facts.map((f) => ('text' in f.value ? tell(f.value, 'mm') : ''))).toContain('M7x1');
  }
});

test('every rule with a page has one, with a drawing that tells what is worked out by hand', () => {
  expect(WHY_PAGES.map((p) => p.id).sort()).toEqual([...WITH_PAGE].sort());
  for (const page of WHY_PAGES) {
    expect(page.drawn !== undefined || page.curve !== undefined).toBe(true);
    if (!page.curve) continue;
    const { x, says, of } = page.curve;
    for (const at of [x.from, x.at, x.to]) {
      expect(Number.isFinite(of(at))).toBe(true);
      expect(says(at, of(at))).toMatch(/^[A-Z0-9].*\.$/);
    }
  }
  const at = (id: string, x: number): number => {
    const curve = whyPage(id)?.curve;
    return curve ? curveAt(curve, x).value : NaN;
  };
  expect(at('thumb', 6)).toBe(1500);
  expect(at('turns', 16)).toBeCloseTo(16.8, 9);
  expect(at('touch', 8)).toBe(4.25);
  expect(at('lean', 1)).toBeCloseTo(0.873, 3);
  // 140 a minute: 1.17 turns while one reacts, 1.5 more of coasting.
  expect(at('stopping', 140)).toBeCloseTo(2.667, 3);
  // M8 in 6.8 on a plug tap of four and four: 4.31 Nm with no chips packed.
  expect(at('torque', 6.8)).toBeCloseTo(4.31 * 1.04, 1);
  expect(at('breaking', 3)).toBeGreaterThan(0.6);
});
