import { mm, phrase, type Phrase } from '../answer/answer';
import type { ClassLimits } from '../threads/class-limits';
import { mainBore, type BoreToMake, type HoleToMake } from './bore';
import { CHECKS, gaugingSeconds, HANDS_S } from './hand-times';
import { handStep, type Step } from './step';

/** How a reamed bore is checked. */
function fitCheck({ diameterMm, ream }: BoreToMake): Phrase {
  const upper = ream?.upperMm;
  return upper === undefined
    ? phrase('Clean, then check {size}{fit} with a plug gauge.', {
        size: mm(diameterMm),
        fit: ream?.fit ? ` ${ream.fit}` : '',
      })
    : phrase('Clean, then check with a plug gauge: {min} goes, {max} does not.', {
        min: mm(diameterMm),
        max: mm(diameterMm + upper),
      });
}

/**
 * How a tapped hole is checked.
 * @param limits undefined for tapered threads, which a plug gauge judges by how far it goes in
 * @param notGoTurns turns that the not-go gauge may enter, the shop's limit
 */
export const threadCheck = (limits: ClassLimits | undefined, notGoTurns: string): Phrase =>
  limits
    ? phrase(
        'Clean, then check: go gauge the full length, not-go at most {notGo} turns; minor diameter {min} to {max} with pins.',
        { notGo: notGoTurns, min: mm(limits.minorMinMm), max: mm(limits.minorMaxMm) },
      )
    : phrase('Clean, then check with the plug gauge: flush within one turn.');

function plainCheck(hole: HoleToMake): Phrase {
  const main = mainBore(hole);
  return main.ream
    ? fitCheck(main)
    : phrase('Clean, then check {size} with a pin or caliper, and the place from the datum edges.', {
        size: mm(main.chosen.drill.diameterMm),
      });
}

const deburr = (order: Phrase): Step =>
  handStep({ key: 'deburr', kind: 'deburr', order, seconds: HANDS_S.deburr, purpose: 'deburr' });

/**
 * The end of every hole: far side, mouth, check.
 * @param check of the thread; undefined where there is none
 * @param checks how many things are gauged on it
 */
export function finishing(hole: HoleToMake, check?: Phrase, checks: number = CHECKS.bore): Step[] {
  const others = hole.bores.filter((b) => b.ream && b.role !== 'main').map(fitCheck);
  return [
    ...(hole.through
      ? [deburr(phrase('Deburr the far side, then clean the hole.'))]
      : check
        ? []
        : [deburr(phrase('Break the edge of the mouth, then clean the hole.'))]),
    handStep({
      key: 'check',
      kind: 'check',
      order: check ?? plainCheck(hole),
      details: others,
      seconds: gaugingSeconds(checks),
      purpose: 'clean and gauge',
    }),
  ];
}
