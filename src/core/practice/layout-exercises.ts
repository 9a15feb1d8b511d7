import { mm, phrase, quantity } from '../answer/answer';
import { dialSetting, touchOff } from '../layout/dial-list';
import { judgeSquare, SQUARE_DEG, tiltOf } from '../gauging/squareness';
import type { Chance } from './chance';
import { type Choice, type Made } from './exercise';
import type { PracticeSource } from './some-hole';

/** Reads a vernier height gauge: main scale, then the line that meets. */
export function vernierExercise(_: PracticeSource, chance: Chance): Made {
  const value = chance.whole(500, 9500) / 50;
  return {
    ask: phrase('What does the height gauge read?'),
    facts: [
      { label: 'Main scale', value: phrase('a line each millimetre') },
      { label: 'Vernier', value: phrase('50 lines, 0.02 mm each') },
    ],
    asked: {
      by: 'figure',
      unit: 'mm',
      value,
      within: 0.011,
      why: phrase('{whole} on the main scale, and line {line} of the vernier meets: {read}.', {
        whole: `${Math.floor(value + 1e-9)} mm`,
        line: String(Math.round((value % 1) * 50) % 50),
        read: `${value.toFixed(2)} mm`,
      }),
      slips: [1, -1, 10, -10].map((off) => ({
        value: value + off,
        says: phrase(
          'Off by a whole division: read the main scale left of the zero of the vernier, and once again before scribing.',
        ),
      })),
    },
    hints: [phrase('The zero of the vernier tells the millimetres, the line that meets tells the rest.')],
    mistake: 'division',
    reason: 'place',
    scene: { kind: 'vernier', mm: value },
  };
}

/** Turns and divisions of a dial for a move. */
export function dialExercise(_: PracticeSource, chance: Chance): Made {
  const dial = chance.pick([
    { travelMm: 2, divisions: 100 },
    { travelMm: 2.5, divisions: 125 },
    { travelMm: 4, divisions: 200 },
    { travelMm: 5, divisions: 250 },
  ] as const);
  const move = chance.whole(60, 900) / 20;
  const right = dialSetting(move, dial);
  const told = ({ turns, divisions }: typeof right): string => `${turns} turns and ${+divisions.toFixed(1)} divisions`;
  const others = [
    { ...right, turns: right.turns + 1 },
    { ...right, divisions: (right.divisions + dial.divisions / 2) % dial.divisions },
    dialSetting(move, { ...dial, travelMm: dial.travelMm * 2 }),
  ];
  const wrong = [...new Set(others.map(told))].filter((t) => t !== told(right));
  const why = phrase('{move} ÷ {travel} a turn: {said}. Come from the same side as before.', {
    move: mm(move),
    travel: mm(dial.travelMm),
    said: told(right),
  });
  return {
    ask: phrase('How far is the handle turned?'),
    facts: [
      { label: 'Move', value: mm(move) },
      { label: 'Travel of a turn', value: mm(dial.travelMm) },
      { label: 'Divisions on the dial', value: quantity(dial.divisions, 'count') },
    ],
    asked: {
      by: 'choice',
      choices: chance.shuffled([
        { id: told(right), says: phrase('{said}', { said: told(right) }), why },
        ...wrong.map((said): Choice => ({ id: said, says: phrase('{said}', { said }), why })),
      ]),
      best: [told(right)],
    },
    hints: [
      phrase('Whole turns first; what is left, in divisions of {each}.', { each: mm(dial.travelMm / dial.divisions) }),
    ],
    mistake: 'backlash',
    reason: 'touch',
    scene: { kind: 'dial', ...dial, at: 0 },
  };
}

/** From the touch to over the edge. */
export function touchOffExercise(_: PracticeSource, chance: Chance): Made {
  const tool = chance.whole(6, 32) / 2;
  const shim = chance.pick([0.05, 0.1, 0.2, 0.25, 0.5]);
  const { value } = touchOff(tool, shim);
  return {
    ask: phrase('The shim is just held. How far on, in the same direction, until the spindle stands over the edge?'),
    facts: [
      { label: 'Tool', value: mm(tool) },
      { label: 'Shim', value: mm(shim) },
    ],
    asked: {
      by: 'figure',
      unit: 'mm',
      value,
      within: 0.011,
      why: phrase('Half the tool is {half}, and the shim lies between: {on}. Lift clear first.', {
        half: mm(tool / 2),
        on: mm(value),
      }),
      slips: [
        { value: tool / 2, says: phrase('The shim lies between tool and edge: it counts too.') },
        { value: tool + shim, says: phrase('The spindle is half a tool away from its flank, not a whole one.') },
        { value: tool / 2 - shim, says: phrase('The shim keeps the tool off the edge: it is added.') },
      ],
    },
    hints: [phrase('Where is the middle of the spindle when its flank meets the shim?')],
    mistake: 'backlash',
    reason: 'touch',
  };
}

/** Two gaps at a square: whether it leans too much, and which way to press. */
export function squareExercise(_: PracticeSource, chance: Chance): Made | undefined {
  const gap = (): number => chance.whole(-30, 30) / 50;
  const gaps = { frontMm: gap(), sideMm: gap(), heightMm: 50 };
  const tilt = tiltOf(gaps).value;
  // Nobody reads a gap so close to the limit.
  if (Math.abs(tilt - SQUARE_DEG) < 0.08 || Math.abs(gaps.frontMm) < 0.05 || Math.abs(gaps.sideMm) < 0.05)
    return undefined;
  const verdict = judgeSquare(gaps, 16);
  const pressOf = (front: number, side: number): string =>
    `${front > 0 ? 'left' : 'right'} and ${side > 0 ? 'toward you' : 'to the back'}`;
  const { frontMm: front, sideMm: side } = gaps;
  const why = verdict.reason;
  const ways = [pressOf(front, side), pressOf(-front, side), pressOf(front, -side), pressOf(-front, -side)];
  return {
    ask: phrase('Two turns are cut. What do you do?'),
    facts: [
      {
        label: 'From the front, at the top of the square',
        value: phrase('{gap} to the {way}', { gap: mm(Math.abs(front)), way: front > 0 ? 'right' : 'left' }),
      },
      {
        label: 'From the right',
        value: phrase('{gap} to the {way}', { gap: mm(Math.abs(side)), way: side > 0 ? 'back' : 'front' }),
      },
      { label: 'Height of the square', value: mm(50) },
      { label: 'Allowed', value: quantity(SQUARE_DEG, 'deg') },
    ],
    asked: {
      by: 'choice',
      choices: [
        { id: 'on', says: phrase('Go on: it is square enough'), why },
        ...chance.shuffled(ways).map((way): Choice => ({ id: way, says: phrase('Press it {way}', { way }), why })),
      ],
      best: [tilt <= SQUARE_DEG ? 'on' : ways[0]],
    },
    hints: [
      phrase('At the top of this square, {limit} is a gap of {gap}.', {
        limit: quantity(SQUARE_DEG, 'deg'),
        gap: mm(50 * Math.tan((SQUARE_DEG * Math.PI) / 180)),
      }),
    ],
    mistake: 'square',
    reason: 'lean',
    scene: { kind: 'gaps', frontMm: front, sideMm: side },
  };
}
