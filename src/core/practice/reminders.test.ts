import { planned, METRIC_INDEX } from '../tests/bench-shop';
import { tell } from '../units/show';
import { MISTAKES, type Mistake } from './exercise';
import { remindersAt } from './reminders';

const ALL = Object.keys(MISTAKES) as Mistake[];
const blind = planned({ callout: 'M8 x 16 DEEP', thickness: '25', drills: METRIC_INDEX.id });
const through = planned({
  callout: 'M6 THRU',
  thickness: '10',
  machine: 'mill',
  material: 'stainless-austenitic',
  drills: METRIC_INDEX.id,
});
const at = (plan: typeof blind, key: string, wrong = ALL): Partial<Record<Mistake, string>> => {
  const op = plan.operations.find((o) => o.key.startsWith(key) || o.code === key);
  if (!op) throw new Error(`no ${key}`);
  return Object.fromEntries(
    wrong.flatMap((one) => remindersAt(op, plan, [one]).map((r) => [r.mistake, tell(r.says, 'mm')])),
  );
};

test('each mistake is recalled at the step where it could happen again, with the figures of this hole', () => {
  const drill = at(blind, 'drill');
  // A bottoming tap last: 16 + 2 × 1.25 + 1.25 = 19.75 of full diameter, and 2.04 of point: 22 is the next mark of the stop.
  expect(drill.stop).toContain('22.0 mm, the point included');
  expect(drill.nominal).toContain('6.8 mm drill leaves about 6.8');
  expect(Object.keys(drill).sort()).toEqual(['dry', 'nominal', 'speed', 'stop', 'unsafe']);
  const tap = at(blind, 'tap');
  expect(Object.keys(tap).sort()).toEqual(['bottomed', 'dry', 'square', 'tap', 'went-on']);
  // 16 ÷ 1.25 + 2 = 14.8, and a limit is never rounded up.
  expect(tap.bottomed).toMatch(/^Count the turns: 14 3\/4 turns/);
  expect(at(blind, 'lay-out')).toMatchObject({ division: expect.anything(), mark: expect.anything() });
  expect(at(blind, 'lay-out')).not.toHaveProperty('backlash');
  expect(Object.keys(at(blind, 'check'))).toEqual(['chips']);
  const mill = at(through, 'drill');
  expect(mill.ease).toContain('10.0 mm');
  expect(mill).toMatchObject({ dwelt: expect.stringContaining('hardens') });
  expect(mill).not.toHaveProperty('stop');
  expect(at(through, 'tap')).not.toHaveProperty('bottomed');
  expect(Object.keys(at(through, 'lay-out'))).toEqual(['backlash']);
  const pipe = planned({ callout: '1/8 NPT', hole: 'blind', depth: '8', thickness: '30', drills: 'all-inch' });
  expect(at(pipe, 'tap')).not.toHaveProperty('bottomed');
});

test('only what somebody keeps getting wrong, two at a step, the most often first; what is about safety comes besides', () => {
  const of = (wrong: Mistake[]) =>
    blind.operations
      .filter((o) => o.key === 'drill')
      .flatMap((drill) => remindersAt(drill, blind, wrong).map((r) => `${r.mistake}${r.always ? '!' : ''}`));
  expect(of([])).toEqual([]);
  expect(of(['went-on', 'drawing', 'stop'])).toEqual(['stop']);
  expect(of(['speed', 'stop', 'unsafe', 'nominal'])).toEqual(['unsafe!', 'speed', 'stop']);
});
