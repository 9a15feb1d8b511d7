import { answer, mm, turnsRead, type Answer } from '../answer/answer';
import { bad, good, open, slipOf, type Verdict } from './verdict';

/** A gauge is read to half a turn. */
export const READ_TURNS = 0.5;

/**
 * Turns that a go gauge makes in a thread of full length.
 * @example fullTurns(16, 1.25).value // 12.8
 */
export const fullTurns = (lengthMm: number, pitchMm: number): Answer =>
  answer(lengthMm / pitchMm, 'turns', {
    rule: 'Turns of full thread',
    formula: 'length of full thread / pitch',
    inputs: [
      ['length of full thread', mm(lengthMm)],
      ['pitch', mm(pitchMm)],
    ],
    source: { kind: 'standard', name: 'Geometry of a screw thread (ISO 68-1, ASME B1.1)' },
  });

/**
 * The go gauge has to enter the full length.
 * @param turns that it went in, 0 or more
 * @param through nothing stops it at the bottom
 */
export function judgeGo(turns: number, lengthMm: number, pitchMm: number, through: boolean): Verdict {
  const needed = fullTurns(lengthMm, pitchMm);
  const figures = [{ label: 'turns needed', answer: needed }];
  const values = { turns: turnsRead(turns), needed: turnsRead(needed.value) };
  if (turns >= needed.value - READ_TURNS) return good('Go gauge enters {turns} of {needed}.', values, figures);
  if (turns < 2)
    return bad(
      ['clean', 'redrill', 'chase', 'larger', 'accept', 'scrap'],
      'Go gauge does not enter: the hole or the thread is too small, or chips are in it.',
      values,
      figures,
    );
  return bad(
    through ? ['clean', 'chase', 'next-tap', 'accept', 'scrap'] : ['clean', 'next-tap', 'deepen', 'accept', 'scrap'],
    'Go gauge stops after {turns}; {needed} are needed.',
    values,
    figures,
  );
}

/**
 * The not-go gauge may enter no more than the shop’s limit, and never right through.
 * @param turns that it went in, 0 or more
 * @param limit turns, of the shop’s habits
 * @param wholeTurns turns of full thread of a through hole; undefined where it has a bottom
 */
export function judgeNotGo(turns: number, limit: number, wholeTurns = Infinity): Verdict {
  if (turns > 0 && turns >= wholeTurns - READ_TURNS)
    return bad(
      ['clean', 'larger', 'accept', 'scrap'],
      'Not-go gauge goes right through {whole}: the pitch diameter is too large.',
      { whole: turnsRead(wholeTurns) },
    );
  const values = { turns: turnsRead(turns), limit: turnsRead(limit) };
  return turns <= limit + 1e-9
    ? good('Not-go gauge enters {turns}; {limit} are allowed.', values)
    : bad(
        ['clean', 'larger', 'accept', 'scrap'],
        'Not-go gauge enters {turns}; {limit} are allowed: the pitch diameter is too large.',
        values,
      );
}

/** Pins stand this far apart in their set, mm: a thousandth of an inch. A limit is told no closer. */
const PIN_STEP_MM = 0.0254;
/** The first pin over a limit, of a set by hundredths of a millimetre. */
const nextPin = (limitMm: number): number => Math.floor(limitMm * 100 + 1 + 1e-6) / 100;

/** Minor diameter between two pins: the largest that enters, and the smallest that does not where one was tried. */
export interface Pins {
  inMm: number;
  outMm?: number;
}

/**
 * Minor diameter by pins against the class; for a formed thread this is the real check.
 * @param formed a formed thread that is too tight cannot be drilled out: the next holes take a larger drill
 */
export function judgePins({ inMm, outMm }: Pins, minMm: number, maxMm: number, formed: boolean): Verdict {
  const slip = slipOf(inMm, minMm) ?? (outMm === undefined ? undefined : slipOf(outMm, minMm));
  if (slip) return slip;
  const values = { in: mm(inMm), out: mm(outMm ?? inMm), min: mm(minMm), max: mm(maxMm), next: mm(nextPin(maxMm)) };
  if (outMm !== undefined && outMm <= inMm)
    return open('Pin {in} enters and {out} does not: one of the two was read wrong.', values);
  if (inMm > maxMm + 1e-9)
    return bad(
      ['larger', 'accept', 'scrap'],
      'Pin {in} enters: the minor diameter is over {max}, too little thread.',
      values,
    );
  if (outMm !== undefined && outMm <= minMm + 1e-9)
    return bad(
      formed ? ['chase', 'accept', 'scrap'] : ['clean', 'redrill', 'accept', 'scrap'],
      'Pin {out} does not enter: the minor diameter is under {min}.',
      values,
    );
  if (inMm >= minMm - 1e-9 && outMm !== undefined && outMm <= maxMm + PIN_STEP_MM)
    return good('Between pins {in} and {out}: inside {min} to {max}.', values);
  return inMm < minMm - 1e-9
    ? open('Pin {in} enters. Try {min}: it has to enter.', values)
    : open('Pin {in} enters. Try {next}: it must not enter.', values);
}
