import { toolOf } from '../route/work-of-job';
import { DIE_SIGNS, dieCausesOf, type DieSign } from '../operation/die-trouble';
import { planned, codesOf } from '../tests/bench-shop';
import { ownTap, TAPS, tapShop } from '../tests/bench-taps';
import type { AskForm } from './form';
import { remedyFor } from './remedies';
import { sectionOf } from './section';
import { tell } from '../units/show';
import { THREADS } from '../threads/standards';
import { cardLines, cardRows } from '../run/card-line';
import { powerMoments } from '../tapping/power-moments';
import { breakCause, brokenTap } from '../tapping/broken-tap';
import { causesOf, SIGNS, signsAt, type Sign, type TroubleCase } from '../tapping/trouble';
import { substitutesFor } from '../tapping/substitutes';
import { tapToUse, wearOf } from '../tapping/own-tap';
import { tapShares } from '../tapping/tap-shares';
import { turnStrip } from '../tapping/turn-strip';

const planOf = (over: Partial<AskForm>) => planned({ drills: 'all-metric', ...over }, { at: tapShop() });
const thread = (name: string) => THREADS.find((t) => t.designation === name) as (typeof THREADS)[number];
const m8 = thread('M8x1.25');
const uses = (ids: readonly string[], over = {}) =>
  ids.map((id) =>
    tapToUse({ ...(TAPS.find((t) => t.id === id) as (typeof TAPS)[number]), ...over }, m8, 'taper-plug-bottoming'),
  );

describe('what each tap of a sequence finds to cut', () => {
  test('the first the whole; after a taper of 8 a plug of 4 cuts a little less in its last turn', () => {
    const [taper, plug] = tapShares(m8, 6.8, uses(['M8x1.25 taper', 'M8x1.25 plug']));
    // Heights of 1/8 and 1/4, of P/8 and tan 30: h 0.6, area(y) = y (0.15625 + 0.57735 y).
    const area = (y: number) => 0.6 * y * (0.15625 + 0.57735 * 0.6 * y);
    expect(taper).toEqual({ area: 1, height: 1 });
    // Of four teeth three take a whole step and the first the half of one.
    expect(plug.height).toBeCloseTo(0.875, 9);
    expect(plug.area).toBeCloseTo(1 - area(1 / 8) / area(1), 6);
  });

  test('a serial set shares the area, and each of its taps takes less than a tap alone', () => {
    const serial = (['rougher', 'finisher'] as const).flatMap((place) => uses(['M8x1.25 plug'], { place }));
    expect(tapShares(m8, 6.8, serial).map((s) => s.area)).toEqual([0.65, 0.35]);
    const set = (['rougher', 'finisher'] as const).map((place) => ownTap('M8x1.25', place, 'straight', 4, { place }));
    const plan = planned(
      { callout: 'M8 x 12 DEEP', thickness: '40', taps: 'M8x1.25 rougher,M8x1.25 finisher' },
      { at: tapShop([...TAPS, ...set]) },
    );
    const [first, second] = plan.thread?.tapping.best.each ?? [];
    const alone = planOf({ callout: 'M8 x 12 DEEP', thickness: '40' }).thread?.tapping.best.load?.torque.value ?? 0;
    expect(first.load?.torque.value).toBeLessThan(alone);
    expect(second.load?.torque.value).toBeLessThan(first.load?.torque.value ?? 0);
  });

  test('wear: new 1, half of 500 holes 1.15, marked worn 1.6', () => {
    const at = (condition: 'sharp' | 'worn', holesDone: number) => wearOf({ condition, holesDone, steel: 'hss' });
    expect([at('sharp', 0), at('sharp', 250), at('sharp', 9999), at('worn', 0)]).toEqual([1, 1.15, 1.3, 1.6]);
  });
});

describe('turn by turn', () => {
  const strip = (over: Partial<AskForm>, place = 0) => {
    const plan = planOf(over);
    const best = plan.thread?.tapping.best;
    if (!best || !plan.thread) throw new Error('no thread');
    return turnStrip(best, best.each[place], plan.thread.thread, plan.material, plan.machine);
  };

  test('M8 x 16 with a plug of 4 by hand: 16.8 turns, back every half, out once, the bottom a turn further', () => {
    const s = strip({ callout: 'M8 x 16 DEEP', thickness: '40' });
    expect([s.total, s.chamfer, s.hardStop, s.reversals[0], s.reversals.length]).toEqual([16.8, 4, 17.8, 0.5, 33]);
    // Long chips: out at 1.5 D, which is 9.6 turns after its 4 of chamfer.
    expect(s.clearOuts).toEqual([expect.closeTo(13.6, 9)]);
    expect(s.power).toBeUndefined();
  });

  test('under power: five turns of room, switched off in time; each speed of the machine against the bottom', () => {
    const s = strip({ callout: 'M6 x 9 DEEP', thickness: '30', machine: 'mill', parts: '60' });
    // 65 rev/min: 0.54 turns of reaction and 0.8 of coasting, of which seven tenths of the room may be used.
    const needed = 65 / 120 + 0.8;
    // Room enough to stop in after the last safe turn: it is switched off there, and never later.
    expect(9 + 2.5 + 5 - needed / 0.7).toBeGreaterThan(9 + 2.5);
    expect(s.power?.switchOff).toBeCloseTo(9 + 2.5, 6);
    expect(s.power?.speeds[0]).toMatchObject({ rpm: 65, secondsLeft: 300 / 65, stops: true });
    expect(s.power?.speeds.at(-1)?.stops).toBe(false);
    expect(s.clearOuts).toEqual([]);
    const id =
      planOf({ callout: 'M6 x 9 DEEP', thickness: '30', machine: 'mill', parts: '60' }).thread?.tapping.best.id ??
      'hand-free';
    expect(powerMoments(id, s).map((p) => tell(p, 'mm'))).toEqual([
      expect.stringMatching(/run in\.$/),
      'Off at 11 1/2 turns, with the rest to run out.',
      expect.stringMatching(/^Reverse; hold the quill up/),
    ]);
    const through = strip({ callout: 'M6 THRU', thickness: '9', machine: 'mill', parts: '60' });
    expect(
      powerMoments(id, through)
        .map((p) => p.text)
        .join(' '),
    ).toMatch(/Through: run on to \{turns\}, then off\./);
    expect(powerMoments('hand-free', s)).toEqual([]);
  });
});

describe('when it goes wrong', () => {
  const caseOf = (over: Partial<AskForm>): [ReturnType<typeof planOf>, TroubleCase] => {
    const plan = planOf(over);
    if (!plan.thread) throw new Error('no thread');
    return [
      plan,
      { way: plan.thread.tapping.best, kind: plan.thread.kind, dry: plan.dry, through: plan.thread.at.through },
    ];
  };
  const first = (sign: Exclude<Sign, 'broken'>, over: Partial<AskForm>) => causesOf(sign, caseOf(over)[1])[0];

  const tightBrass = { callout: 'M6 THRU', thickness: '9', material: 'brass-free-cutting' };

  test('the first cause is the one that this hole’s own figures fit, with a remedy that changes the plan', () => {
    const tight = { callout: 'M6 THRU', thickness: '9', drill: '4.9', taps: 'M6x1 taper' };
    expect(first('tight-at-once', tight).change).toBe('next-drill');
    expect(remedyFor('next-drill', caseOf(tight)[0])?.change).toEqual({ drill: '5.0' });
    expect(first('tight-at-once', { callout: 'M6 THRU', thickness: '9', dry: true, drill: '5.1' }).change).toBe(
      'use-fluid',
    );
    expect(
      first('tight-rising', {
        callout: 'M6 x 18 DEEP',
        thickness: '40',
        material: 'stainless-austenitic',
        taps: 'M6x1 plug',
      }).change,
    ).toBe('other-way');
    const dead = { callout: 'M8 x 16 DEEP', thickness: '40' };
    expect(first('stops-dead', dead).change).toBe('deeper');
    expect(remedyFor('deeper', caseOf(dead)[0])?.change).toEqual({ room: 'point-135' });
    expect(first('stops-dead', { callout: 'M8 THRU', thickness: '12' }).change).not.toBe('deeper');
    expect(remedyFor('smaller-drill', caseOf({ callout: 'M6 THRU', thickness: '9', drill: '5.2' })[0])?.change).toEqual(
      { drill: '5.1' },
    );
  });

  test('every sign has causes with words; weights fall', () => {
    const [, at] = caseOf({ callout: 'M8 x 16 DEEP', thickness: '40' });
    for (const sign of signsAt(at).filter((s) => s !== 'broken') as Exclude<Sign, 'broken'>[]) {
      const list = causesOf(sign, at);
      expect(list.length).toBeGreaterThan(1);
      expect(list.map((c) => c.weight)).toEqual(list.map((c) => c.weight).sort((a, b) => b - a));
      for (const c of list) expect(tell(c.cause, 'inch') + tell(c.remedy, 'inch')).not.toMatch(/[{}]|NaN/);
    }
  });

  test('a sign that cannot be met is not offered; what helps only the next hole says so', () => {
    const missing = (over: Partial<AskForm>) =>
      Object.keys(SIGNS).filter((s) => !signsAt(caseOf(over)[1]).includes(s as Sign));
    const soft = { callout: 'M6 x 9 DEEP', thickness: '30', material: 'aluminium-wrought-6000' };
    expect(missing(soft)).toEqual(['slips', 'makes-chips', 'minor-small']);
    expect(missing({ ...soft, machine: 'mill', parts: '60', tap: 'form' })).toEqual(['chip-holds']);
    expect(causesOf('minor-large', caseOf(soft)[1])[0]).toMatchObject({ id: 'large', onlyNext: true });
    expect(first('tight-at-once', tightBrass).cause.text).not.toMatch(/metal/);
  });

  test('why it broke, by three touches; tough metal is named only where it is tough', () => {
    const [, at] = caseOf({ callout: 'M6 x 9 DEEP', thickness: '30', material: 'brass-free-cutting' });
    // 9 mm at a pitch of 1 and 2.5 of chamfer and clearance: a full count is the bottom, whatever was felt.
    const last = at.way.turns.value;
    expect(breakCause(at, { turns: last, felt: 'creaked' })).toBe('bottom');
    expect(breakCause(at, { turns: 3, packed: true, felt: 'tight' })).toBe('deep');
    expect(breakCause(at, { turns: 3, felt: 'creaked' })).toBe('worn');
    expect(breakCause(at, { felt: 'easy' })).toBe('lean');
    expect(breakCause(at)).not.toBe('metal');
    expect(breakCause(caseOf({ callout: 'M6 THRU', thickness: '6', material: 'stainless-austenitic' })[1])).toBe(
      'metal',
    );
  });

  test('a broken tap: an extractor where its fingers fit, dissolved or eroded where it is small', () => {
    const best = (over: Partial<AskForm>) => tell(brokenTap(caseOf(over)[1]).waysOut[0].label, 'mm');
    expect(best({ callout: 'M8 x 16 DEEP', thickness: '40' })).toMatch(/^Extractor with 4 fingers/);
    expect(best({ callout: 'M3 x 6 DEEP', thickness: '20', material: 'aluminium-wrought-6000' })).toMatch(
      /^Dissolve it/,
    );
    expect(best({ callout: 'M3 x 6 DEEP', thickness: '20' })).toMatch(/^Erode it/);
  });
});

test('a thread that the crib lacks: the nearest that it has, what it leaves of the hole, and never as the same', () => {
  const [near] = substitutesFor(thread('#10-32 UNF'), TAPS);
  expect(near.thread.designation).toBe('2 BA');
  expect(near.meaning.map((m) => tell(m, 'mm')).join(' ')).toMatch(
    /another screw.*Flanks of 47.5° against 60°: never mixed/,
  );
  expect(substitutesFor(thread('M8x1.25'), [])).toEqual([]);
});

describe('a thread on a rod', () => {
  test('M10 x 30 outside: blank 9.85, chamfered, die opened then closed until it fits; long, so chased', () => {
    const plan = planOf({ callout: 'M10 x 30 OUTSIDE', machine: 'lathe' });
    expect([plan.outside?.blank.value, plan.outside?.turns.value]).toEqual([9.85, 23]);
    expect(plan.operations.map((o) => o.key)).toEqual([
      'cut-rod',
      'blank',
      'end-chamfer',
      'die-open',
      'die-close',
      'die-run',
      'chase-rod',
      'check',
    ]);
    expect(codesOf(plan)).toContain('die-to-buy');
    // One tool for the three, by its name; what has none is named by what it is for, never by a key.
    const tools = plan.operations.map((op) => toolOf(op).tool);
    expect(tools.slice(0, 7)).toEqual([
      'saw and face',
      'turn the blank',
      'chamfer',
      'die M10x1.5',
      'die M10x1.5',
      'die M10x1.5',
      'chasing nut M10x1.5',
    ]);
    expect(sectionOf(plan).rod).toMatchObject({ majorMm: 10, lengthMm: 30 });
  });

  test('signs at the die ask by this rod’s own figures, the likeliest first', () => {
    const { outside, material } = planOf({ callout: 'M10 x 30 OUTSIDE', machine: 'lathe' });
    const asked = (sign: DieSign) =>
      outside ? dieCausesOf(sign, outside, material.lubricant).map((c) => tell(c.ask, 'mm')) : [];
    expect(asked('die-heavy')[0]).toBe('Does the rod measure over 9.85 mm?');
    // 10 − 1.2269 x 1.5 − 0.2.
    expect(asked('die-no-start')[0]).toBe('Is the end square, without a chamfer to 7.96 mm?');
    expect((Object.keys(DIE_SIGNS) as DieSign[]).every((sign) => new Set(asked(sign)).size >= 2)).toBe(true);
  });

  test('a stud’s inner end is left a trifle large; under M6 by hand; left hand is said; a taper is refused', () => {
    const order = (callout: string) =>
      tell(planOf({ callout }).operations.find((o) => o.key === 'die-close')?.order ?? { text: '' }, 'mm');
    expect(order('M8 x 12 STUD END')).toMatch(/stop while the trial still binds/);
    expect(order('M8 x 12 OUTSIDE')).toMatch(/trial runs in its tapped hole without shake/);
    const small = planOf({ callout: 'M5x0.8 LH x 10 EXT', machine: 'lathe' });
    expect([small.outside?.rpm, small.outside?.leftHand]).toEqual([undefined, true]);
    expect(() => planOf({ callout: '1/8 NPT OUTSIDE' })).toThrow(/pipe die/);
  });
});

test('a card: what is set in large figures, hand work ticked off beside hand work', () => {
  const plan = planOf({ callout: 'M8 x 16 DEEP', thickness: '40' });
  const lines = cardLines(plan);
  const rows = cardRows(lines).map((row) => row.map((l) => tell(l.head, 'mm')).join(' | '));
  expect(rows[0]).toBe('Lay out');
  expect(rows).toContainEqual(expect.stringMatching(/^Gauge, minor 6\.647 mm to 6\.912 mm$/));
  const drill = lines.find((l) => l.key === 'drill');
  const cut = plan.operations.find((o) => o.key === 'drill')?.cut;
  expect(drill?.set && tell(drill.set, 'mm')).toBe('stop 24.5 mm');
  expect(drill?.speed?.rpm).toBe(cut?.speed.ok && cut.speed.value.rpm);
  expect(lines.filter((l) => l.key.startsWith('tap')).every((l) => l.set)).toBe(true);
  const through = cardLines(planOf({ callout: 'M8 THRU', thickness: '12' })).find((l) => l.key === 'drill');
  expect(through?.set?.text).toBe('stop off');
});
