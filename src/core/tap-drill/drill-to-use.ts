import { mm, ok, percent, problem, refuse, type Caution, type Problem, type Result } from '../answer/answer';
import { ALL_DRILLS, drillName, isUsable, sizedDrill, type Drill } from '../drills/drill';
import { drillThatLeft } from '../drills/expected-hole';
import type { TapDrillChoice } from './choose-tap-drill';
import { isThin, notesOf, type DrillMethod, type UsedDrill } from './drill-notes';
import { judgeDrill, sameSize, type TapDrillCandidate, type TapDrillQuestion } from './tap-drill-candidate';
import { reasonablePercent } from './target-percent';

/** What somebody or something says of the drill, beside the best by percentage. Lengths in mm. */
export interface SaidOfDrill {
  /** Asked for by the user. */
  asked?: Drill;
  /** Diameter of the drill that the drawing gives. */
  drawnMm?: number;
  /** How the shop chooses. */
  method: DrillMethod;
  /** Diameter of a plain hole that is there already. */
  existingMm?: number;
  /** The thread goes through the part. */
  through: boolean;
}

/** The drill of a thread, and why. */
export interface DrillToUse extends Pick<UsedDrill, 'used' | 'because' | 'serves'> {
  /** What would be used if nobody asked for another. */
  proposed?: Drill;
  cautions: Caution[];
}

/** How far the pool's drill may lie from what the shop's own method gives, mm. Our judgement. */
const NEAR_METHOD_MM = 0.1;

/** The drill of the pool nearest to what the shop's own method gives. */
function drillByMethod(
  { pool }: TapDrillQuestion,
  { methods }: TapDrillChoice,
  method: DrillMethod,
): Drill | undefined {
  const wanted = methods.find((s) => s.id === method)?.diameterMm;
  if (wanted === undefined) return undefined;
  const off = (d: Drill): number => Math.abs(d.diameterMm - wanted);
  const near = pool.drills
    .filter(isUsable)
    .reduce<Drill | undefined>((a, b) => (a && off(a) <= off(b) ? a : b), undefined);
  return near && off(near) <= NEAR_METHOD_MM ? near : undefined;
}

/** The drawing's own drill: the pool's of its size, else one that is made. */
function drawnDrill({ pool }: TapDrillQuestion, diameterMm: number): Drill {
  const size = sizedDrill(diameterMm);
  const same = (d: Drill): boolean => sameSize(d, size);
  return pool.drills.find((d) => isUsable(d) && same(d)) ?? ALL_DRILLS.find(same) ?? size;
}

type Named = 'asked' | 'drawn' | 'method' | 'existing';

/** Every drill that is named, judged. */
function judgedOf(
  q: TapDrillQuestion,
  choice: TapDrillChoice,
  { asked, drawnMm, method, existingMm, through }: SaidOfDrill,
): Partial<Record<Named, TapDrillCandidate>> {
  const taps = existingMm !== undefined && through && existingMm < q.thread.majorMm;
  const named: Partial<Record<Named, Drill>> = {
    asked,
    drawn: drawnMm === undefined || asked || q.taper ? undefined : drawnDrill(q, drawnMm),
    method: method === 'percentage' ? undefined : drillByMethod(q, choice, method),
    existing: taps ? drillThatLeft(existingMm, q, q.learned) : undefined,
  };
  return Object.fromEntries(
    Object.entries(named).flatMap(([name, drill]) => (drill ? [[name, judgeDrill(q, drill)]] : [])),
  );
}

/** Percent beyond what is reasonable that an asked-for drill may still leave. */
const ASKED_LEEWAY = { under: 5, over: 10 } as const;

function unreasonable({ thread }: TapDrillQuestion, judged: TapDrillCandidate | undefined): Problem[] {
  if (!judged) return [];
  const { drill, percentOnDrill: p } = judged;
  const { low, high } = reasonablePercent(thread);
  if (p === undefined || (p >= low - ASKED_LEEWAY.under && p <= high + ASKED_LEEWAY.over)) return [];
  return [
    problem(
      'percent-unreasonable',
      'drill',
      '{drill} leaves {percent} of thread, which is out of range.',
      'Use a drill nearer to the one proposed.',
      { drill: drillName(drill), percent: percent(p) },
    ),
  ];
}

const noDrill = ({ thread, limits, taper }: TapDrillQuestion): Problem =>
  taper
    ? problem(
        'no-drill',
        'drills',
        'No twist drill is made for {thread}: its hole is {size}.',
        'Bore it to size, or open a smaller hole with a taper reamer.',
        { thread: thread.designation, size: mm(taper.diameterMm) },
      )
    : problem(
        'no-drill',
        'drills',
        'No drill made leaves {thread} inside class {name} this way.',
        'Use another class or percentage, or guide the drill better and ream.',
        { name: limits?.className ?? '', thread: thread.designation },
      );

/** The drill to use: the one that is wanted, the one of the shop's method, the best of the pool, or the one to buy. */
function picked(
  { choice, missing }: TapDrillChoice,
  wanted: TapDrillCandidate | undefined,
  byMethod: TapDrillCandidate | undefined,
  said: SaidOfDrill,
): UsedDrill | undefined {
  if (wanted) return { used: wanted, because: said.asked ? 'asked' : 'drawn', serves: false };
  if (byMethod) return { used: byMethod, because: 'chosen', serves: false, method: said.method };
  if (choice) return { used: choice, because: 'chosen', serves: false };
  return missing && { used: missing, because: 'to-buy', serves: false };
}

/** What a drill must still find of metal around an existing hole, mm. */
const LEAST_CUT_MM = 0.05;

/** An existing hole that leaves the drill nothing to cut. */
export const existingLarge = (existingMm: number, drill: Drill): Problem[] =>
  existingMm <= drill.diameterMm - LEAST_CUT_MM
    ? []
    : [
        problem(
          'existing-large',
          'existing',
          'The existing hole, {existing}, leaves the {drill} drill nothing to cut.',
          'Use a drill that cleans it up, a larger thread, or an insert.',
          { existing: mm(existingMm), drill: drillName(drill) },
        ),
      ];

/** Finds the drill to use for a thread, or the existing hole that needs none. */
export function drillToUse(q: TapDrillQuestion, choice: TapDrillChoice, said: SaidOfDrill): Result<DrillToUse> {
  const { asked, drawn, method, existing } = judgedOf(q, choice, said);
  const wrong = unreasonable(q, asked ?? drawn);
  if (asked && wrong.length > 0) return refuse(...wrong);
  const obeyed = drawn && drawn.verdict !== 'outside' && wrong.length === 0 ? drawn : undefined;
  const pick = picked(choice, asked ?? obeyed, method, said);
  if (!pick) return refuse(noDrill(q));
  const serves = existing && (existing.verdict !== 'outside' || isThin(existing));
  const use: UsedDrill = serves ? { ...pick, used: { ...existing, owned: true }, serves } : { ...pick, drawn };
  const large = serves || said.existingMm === undefined ? [] : existingLarge(said.existingMm, use.used.drill);
  if (large.length > 0) return refuse(...large);
  return ok({
    used: use.used,
    because: use.because,
    serves: use.serves,
    proposed: (method ?? choice.choice ?? choice.missing)?.drill,
    cautions: notesOf(q, choice, use),
  });
}
