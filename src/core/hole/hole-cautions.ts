import { caution, depth, type Caution } from '../answer/answer';
import type { ThreadPart } from './hole-plan';
import { sizeOf, type Made } from './make-hole';
import type { HoleQuestion } from './question';
import type { ResolvedHole } from './resolved-hole';
import { safetyCautions } from './safety-cautions';
import { isSheet } from './thread-cautions';

/** Under this many diameters across the stock the hole lies near its edges. Trade rule. */
const STOCK_D = 3;
/** A wall beside a hole that gives way as it is cut, in diameters. Our judgement. */
const SPLITS_D = 0.5;

function edgeNear({ stockWidthMm }: HoleQuestion, sizeMm: number): Caution[] {
  if (stockWidthMm === undefined || stockWidthMm >= STOCK_D * sizeMm) return [];
  const wallMm = (stockWidthMm - sizeMm) / 2;
  const splits = wallMm < SPLITS_D * sizeMm ? ', and it bulges or splits' : '';
  return [
    caution(
      'warn',
      'edge-near',
      `The stock is {width} across: {wall} is left on each side of the hole${splits}. {want} across is usual.`,
      { width: depth(stockWidthMm), wall: depth(wallMm), want: depth(STOCK_D * sizeMm) },
    ),
  ];
}

/** From here on a thread is long, in diameters, if it is also well over what holds the bolt. Trade rule. */
const LONG = { diameters: 2.5, overNeeded: 1.5 } as const;

function threadLength(part: ThreadPart | undefined): Caution[] {
  if (!part?.engagement) return [];
  const { needed, oneDiameterMm } = part.engagement;
  const { lengthMm } = part.at;
  const enoughMm = Math.max(needed.value, oneDiameterMm);
  const long = lengthMm > LONG.diameters * part.thread.majorMm && lengthMm > LONG.overNeeded * enoughMm;
  return [
    // A sheet is told of its threads.
    ...(isSheet(part.at) ? [] : needed.cautions),
    ...(long
      ? [
          caution(
            'note',
            'thread-long',
            '{depth} of thread is as drawn; {needed} hold the bolt. If the drawing allows, open the rest to clearance, which also guides the tap.',
            { depth: depth(lengthMm), needed: depth(enoughMm) },
          ),
        ]
      : []),
  ];
}

/** What is to be watched of a hole as a whole; what is about one operation stands there. */
export const holeCautions = (q: HoleQuestion, hole: ResolvedHole, made: Made): Caution[] => [
  ...(made.toMake ? edgeNear(q, sizeOf(made)) : []),
  ...threadLength(made.thread),
  ...safetyCautions(q.material, q.machine, hole.through),
];
