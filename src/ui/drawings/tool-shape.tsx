import type { OperationCode } from '@/core/operation/operation';

const SHANK = 'M9,0 h8 v16 h-8 z';
/** Outlines in a box of 26 by 66, the tip down. */
const SHAPES: Partial<Record<OperationCode | 'cut-between', string[]>> = {
  'lay-out': ['M12,0 h2 v50 l-1,14 l-1,-14 z', 'M8,10 h10'],
  start: ['M7,0 h12 v34 l-4,8 h-4 l-4,-8 z', 'M11,42 h4 v10 l-2,6 l-2,-6 z'],
  tap: [
    SHANK,
    'M8,16 h10 v6 l2,3 l-2,3 l2,3 l-2,3 l2,3 l-2,3 l2,3 l-3,14 h-8 l-3,-14 l2,-3 l-2,-3 l2,-3 l-2,-3 l2,-3 l-2,-3 z',
  ],
  ream: [SHANK, 'M7,18 h12 v40 l-2,6 h-8 l-2,-6 z', 'M11,18 v46 M15,18 v46'],
  counterbore: [SHANK, 'M3,22 h20 v26 h-20 z', 'M10,48 h6 v14 h-6 z'],
  countersink: [SHANK, 'M3,22 h20 v14 l-10,20 l-10,-20 z'],
  annular: [SHANK, 'M2,20 h22 v40 h-4 v-30 h-14 v30 h-4 z'],
  saw: [SHANK, 'M2,24 h22 v32 l-3,4 l-3,-4 l-3,4 l-3,-4 l-3,4 l-3,-4 l-4,4 z'],
  'step-drill': ['M10,0 h6 v14 h-6 z', 'M4,14 h18 v10 h-3 v10 h-3 v12 h-2 l-1,8 l-1,-8 h-2 v-12 h-3 v-10 h-3 z'],
  deburr: ['M8,0 h10 v34 h-10 z', 'M12,34 h3 v14 l6,8 h-4 l-5,-8 z'],
  check: ['M8,0 h10 v28 h-10 z', 'M7,28 h12 v32 h-12 z', 'M7,34 h12 M7,40 h12 M7,46 h12 M7,52 h12'],
  note: ['M6,10 h14 v40 h-14 z', 'M9,18 h8 M9,26 h8 M9,34 h8'],
  'cut-between': ['M2,20 h22 v16 h-22 z', 'M4,36 l2,5 l2,-5 l2,5 l2,-5 l2,5 l2,-5 l2,5 l2,-5'],
};
const DRILL = [SHANK, 'M8,16 h10 v38 l-5,10 l-5,-10 z', 'M8,30 q5,8 10,0 M8,44 q5,8 10,0'];
const ALIKE: Partial<Record<OperationCode | 'cut-between', OperationCode>> = { chase: 'tap', chamfer: 'countersink' };

interface Props {
  code: OperationCode | 'cut-between';
  className?: string;
}

/** A tool in outline, its tip down: what is in the spindle or the hand. */
export function ToolShape({ code, className }: Props) {
  const paths = SHAPES[ALIKE[code] ?? code] ?? DRILL;
  return (
    <svg viewBox="0 0 26 66" className={className} aria-hidden>
      <g fill="none" stroke="currentColor" strokeWidth="1.6" strokeLinejoin="round">
        {paths.map((d) => (
          <path key={d} d={d} />
        ))}
      </g>
    </svg>
  );
}
