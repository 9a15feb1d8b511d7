import { depth, mm, problem, type Problem } from '../answer/answer';
import { h7UpperMm, isH7 } from '../operation/choose-plain-drill';
import type { DrawnBore } from './resolved-hole';

const far = ({ through, fullMm }: DrawnBore): number => (through ? Infinity : fullMm);

/** A narrower bore that ends inside a wider one, and two of one size, widest first: nothing of the second is left. */
export const swallowedProblems = (bores: readonly DrawnBore[]): Problem[] =>
  bores.slice(1).flatMap((bore, i) => {
    const wider = bores[i];
    return far(bore) > far(wider) + 1e-9
      ? []
      : [
          problem(
            'bore-swallowed',
            'callout',
            wider.through
              ? 'The {bore} bore disappears in the {wider} one, which goes through.'
              : 'The {bore} bore ends inside the {wider} one, which is {deep} deep.',
            'Give the larger bore a smaller depth, or leave the smaller one out.',
            { bore: mm(bore.feature.diameterMm), wider: mm(wider.feature.diameterMm), deep: depth(wider.fullMm) },
          ),
        ];
  });

/** Fits for which no limits are in the list. */
export const fitProblems = (bores: readonly DrawnBore[]): Problem[] =>
  bores
    .filter(({ feature: f }) => isH7(f.fit) && h7UpperMm(f.diameterMm) === undefined)
    .map(({ feature: f }) =>
      problem(
        'fit-large',
        'callout',
        'The limits of {fit} at {size} are not in the list, which ends at {most}.',
        'Bore it and measure, to the limits on the drawing.',
        { fit: f.fit ?? '', size: mm(f.diameterMm), most: mm(120) },
      ),
    );
