import { caution, mm, ok, percent, problem, refuse, type Caution, type Problem, type Result } from '../answer/answer';
import { nameToBuy } from '../cutting/suited-drills';
import { ALL_DRILLS, drillName, isUsable, sizedDrill, type Drill } from '../drills/drill';
import { expectedHoleMm, typicalHoleMm } from '../drills/expected-hole';
import type { Context } from '../operation/context';
import type { ShopHabits } from '../shop/habits';
import { chooseTapDrill, type TapDrillChoice } from '../tap-drill/choose-tap-drill';
import { judgeDrill, sameSize, type TapDrillCandidate, type TapDrillQuestion } from '../tap-drill/tap-drill-candidate';
import { tapDrillCautions } from '../tap-drill/tap-drill-cautions';
import { taperTapDrill } from '../tap-drill/taper-tap-drill';
import { reasonablePercent, type PercentRange } from '../tap-drill/target-percent';
import { classLimits, looserClass, usualClass, type ClassLimits } from '../threads/class-limits';
import { isTapered, type Thread } from '../threads/thread';
import type { ThreadPart } from './hole-plan';
import type { HoleQuestion } from './question';
import type { ResolvedThread } from './resolved-hole';

function limitsFor(
  thread: Thread,
  className: string | undefined,
  forming: boolean,
  habits: ShopHabits,
): ClassLimits | undefined {
  if (isTapered(thread)) return undefined;
  const name = className ?? usualClass(thread);
  const looser = forming && habits.formed === 'looser' ? looserClass(thread, name) : undefined;
  const limits = classLimits(thread, looser ?? name);
  return limits.ok ? limits.value : undefined;
}

/** What is asked of the drills for a cut or a formed thread. */
function drillQuestion(
  q: HoleQuestion,
  { feature, lengthMm }: ResolvedThread,
  { asked: { start }, shop }: Context,
  forming: boolean,
): TapDrillQuestion {
  const { habits, learned } = shop;
  const { thread, className } = feature;
  const flat = !forming && habits.percentage === 'seventy-five' && !isTapered(thread) ? 75 : undefined;
  const percent = forming && q.tap !== 'form' ? undefined : q.targetPercent;
  return {
    thread,
    limits: limitsFor(thread, className, forming, habits),
    material: q.material,
    pool: q.pool,
    start,
    learned,
    forming,
    wantedPercent: percent ?? flat,
    depthMm: lengthMm,
    // Only a thickness that is known: an assumed plate is no reason for another drill.
    thicknessMm: q.thicknessMm,
  };
}

interface Chosen {
  used: TapDrillCandidate;
  because: ThreadPart['tapDrill']['because'];
  proposed?: Drill;
  /** What is to be said of it. */
  cautions: Caution[];
}

/** How far the pool's drill may lie from what the shop's own method gives, mm. Our judgement. */
const NEAR_METHOD_MM = 0.1;

/** The drill of the pool nearest to what the shop's own method gives. */
function drillByMethod(
  q: TapDrillQuestion,
  choice: TapDrillChoice,
  method: ShopHabits['tapDrill'],
): TapDrillCandidate | undefined {
  const wanted = choice.methods.find((s) => s.id === method)?.diameterMm;
  if (wanted === undefined) return undefined;
  const off = (d: Drill): number => Math.abs(d.diameterMm - wanted);
  const near = q.pool.drills
    .filter(isUsable)
    .reduce<Drill | undefined>((a, b) => (a && off(a) <= off(b) ? a : b), undefined);
  return near && off(near) <= NEAR_METHOD_MM ? judgeDrill(q, near) : undefined;
}

const byMethodNote = (choice: TapDrillChoice, used: TapDrillCandidate, method: ShopHabits['tapDrill']): Caution =>
  caution(
    'note',
    'shop-method',
    choice.choice?.drill === used.drill
      ? 'Chosen by this shop’s method: {method}. By percentage it is the same.'
      : 'Chosen by this shop’s method: {method}. By percentage it would be {drill}.',
    {
      method: choice.methods.find((s) => s.id === method)?.label ?? method,
      drill: choice.choice ? drillName(choice.choice.drill) : 'one to buy',
    },
  );

function missingNote(q: TapDrillQuestion, choice: TapDrillChoice, used: TapDrillCandidate): Caution[] {
  if (!choice.missing) return [];
  return [
    caution('note', 'drill-missing', '{wanted} is nearer but not in “{pool}”; {drill} is next best, at {percent}.', {
      wanted: drillName(choice.missing.drill),
      pool: q.pool.label,
      drill: drillName(used.drill),
      percent: percent(used.percentOnDrill ?? 0),
    }),
  ];
}

function toBuy(q: TapDrillQuestion, choice: TapDrillChoice, used: TapDrillCandidate): Caution {
  // In tough metal a drill under the printed chart’s is inside the class and seizes the tap all the same.
  if (choice.candidates.some((c) => c.verdict !== 'outside'))
    return caution(
      'warn',
      'drill-to-buy',
      'In this metal no smaller than the printed chart says, and “{pool}” has none that is inside the class: you need {drill}.',
      { pool: q.pool.label, drill: nameToBuy(used.drill) },
    );
  return caution('warn', 'drill-to-buy', 'Nothing in “{pool}” is inside the class: you need {drill}.{instead}', {
    pool: q.pool.label,
    drill: nameToBuy(used.drill),
    instead: choice.closestOutside
      ? ` The closest there, ${drillName(choice.closestOutside.drill)}, leaves the thread out of class.`
      : '',
  });
}

/** Percent beyond what is reasonable that an asked-for drill may still leave. */
const ASKED_LEEWAY = { under: 5, over: 10 } as const;

function unreasonable({ thread }: TapDrillQuestion, { drill, percentOnDrill: p }: TapDrillCandidate): Problem[] {
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

/** The drill that the drawing gives, where nobody asks for another: obeyed where the thread comes out, else overruled aloud. */
function drawnDrill(
  q: TapDrillQuestion,
  choice: TapDrillChoice,
  { drawn }: ResolvedThread,
  asked: Drill | undefined,
): { obeyed?: TapDrillCandidate; cautions: Caution[] } {
  if (!drawn || asked || isTapered(q.thread)) return { cautions: [] };
  const size = sizedDrill(drawn.diameterMm);
  const drill =
    q.pool.drills.find((d) => isUsable(d) && sameSize(d, size)) ?? ALL_DRILLS.find((d) => sameSize(d, size));
  const judged = judgeDrill(q, drill ?? size);
  const other = choice.choice?.drill;
  const values = {
    drawn: drillName(judged.drill),
    other: other ? drillName(other) : 'another',
    percent: percent(judged.percentOnDrill ?? 0),
  };
  if (judged.verdict === 'outside' || unreasonable(q, judged).length > 0)
    return {
      cautions: [
        caution(
          'warn',
          'drawn-drill',
          'The drawing gives a {drawn} drill: {percent}, out of class here. {other} is used; ask who drew it.',
          values,
        ),
      ],
    };
  return {
    obeyed: judged,
    cautions:
      other && !sameSize(other, judged.drill)
        ? [caution('note', 'drawn-drill', 'Drill as on the drawing; by percentage it would be {other}.', values)]
        : [],
  };
}

/** A percentage further off than this is not the one asked for. Our judgement. */
const ASKED_WITHIN = 6;

/** The percentage asked for, where the class allows no drill near it. */
function askedPercent(
  { wantedPercent, limits }: TapDrillQuestion,
  { drill, percentOnDrill }: TapDrillCandidate,
): Caution[] {
  if (wantedPercent === undefined || percentOnDrill === undefined || !limits) return [];
  if (Math.abs(percentOnDrill - wantedPercent) <= ASKED_WITHIN) return [];
  return [
    caution(
      'note',
      'percent-asked',
      '{asked} was asked for: {drill} leaves {percent}, and no drill nearer to it is inside {name}.',
      {
        asked: percent(wantedPercent),
        drill: drillName(drill),
        percent: percent(Math.round(percentOnDrill)),
        name: limits.className,
      },
    ),
  ];
}

/** The drill to use: the one asked for, the one of the shop's method, the best of the pool, or the one to buy. */
function chooseDrill(
  q: TapDrillQuestion,
  choice: TapDrillChoice,
  asked: Drill | undefined,
  method: ShopHabits['tapDrill'],
): Result<Chosen> {
  const byMethod = method === 'percentage' ? undefined : drillByMethod(q, choice, method);
  const proposed = (byMethod ?? choice.choice ?? choice.missing)?.drill;
  const said = (used: TapDrillCandidate): Caution[] => tapDrillCautions(q, used, choice.range);
  if (asked) {
    const used = judgeDrill(q, asked);
    const wrong = unreasonable(q, used);
    if (wrong.length > 0) return refuse(...wrong);
    const cautions = [...missingNote(q, choice, used), ...said(used)];
    return ok({ used, because: 'asked', proposed, cautions });
  }
  if (byMethod) {
    const cautions = [...missingNote(q, choice, byMethod), ...said(byMethod), byMethodNote(choice, byMethod, method)];
    return ok({ used: byMethod, because: 'chosen', proposed, cautions });
  }
  const { choice: best, missing } = choice;
  if (best) {
    const cautions = [...missingNote(q, choice, best), ...askedPercent(q, best), ...said(best)];
    return ok({ used: best, because: 'chosen', proposed, cautions });
  }
  if (missing) return ok({ used: missing, because: 'to-buy', proposed, cautions: [toBuy(q, choice, missing)] });
  if (!q.limits)
    return refuse(
      problem(
        'no-drill',
        'drills',
        'No twist drill is made for {thread}: its hole is {size}.',
        'Bore it to size, or open a smaller hole with a taper reamer.',
        { thread: q.thread.designation, size: mm(taperTapDrill(q.thread).diameterMm) },
      ),
    );
  return refuse(
    problem(
      'no-drill',
      'drills',
      'No drill made leaves {thread} inside class {name} this way.',
      'Use another class or percentage, or guide the drill better and ream.',
      { name: q.limits.className, thread: q.thread.designation },
    ),
  );
}

/**
 * The existing hole as the tapped hole's own, where it goes through and is inside the class or on its border:
 * judged by the drill that would have left it.
 */
function existingServes(q: TapDrillQuestion, existingMm: number, through: boolean): TapDrillCandidate | undefined {
  if (!through || existingMm >= q.thread.majorMm) return undefined;
  const label = `${+existingMm.toFixed(2)}`;
  const over = expectedHoleMm({ ...q, drill: sizedDrill(existingMm) }, q.learned).mean - existingMm;
  const judged = judgeDrill(q, sizedDrill(existingMm - over, label));
  return judged.verdict !== 'outside' || isThin(judged) ? { ...judged, owned: true } : undefined;
}

/** A thread of less than this holds nothing. Our judgement. */
const LEAST_THIN_PERCENT = 30;
/** A hole too large for its class that still leaves a thread: less than it should hold, but more than nothing. */
const isThin = ({ verdict, beyondMm, percentOnHole = 0 }: TapDrillCandidate): boolean =>
  verdict === 'outside' && beyondMm > 0 && percentOnHole >= LEAST_THIN_PERCENT;

/** What an existing hole leaves of a thread, where that is less than its class asks for. */
function servingCautions(q: TapDrillQuestion, serving: TapDrillCandidate, range: PercentRange): Caution[] {
  if (!isThin(serving)) return tapDrillCautions(q, serving, range);
  return [
    caution(
      'warn',
      'existing-thin',
      'The existing hole leaves {percent} of thread, out of class {name}: light duty at most. A larger thread or an insert holds more.',
      { percent: percent(Math.round(serving.percentOnHole ?? 0)), name: q.limits?.className ?? '' },
    ),
  ];
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

/** Closer than this nobody measures, mm. */
const TELLING_MM = 0.005;

/** That the shop’s own holes choose another drill than is typical, with both. */
function learnedNote(q: TapDrillQuestion, { used, because }: Chosen): Caution[] {
  if (because !== 'chosen' || !q.learned) return [];
  const was = chooseTapDrill({ ...q, learned: undefined }).choice?.drill;
  if (!was || sameSize(was, used.drill)) return [];
  const hole = { drill: was, start: q.start, material: q.material };
  const { mean, n } = expectedHoleMm(hole, q.learned);
  const over = mean - typicalHoleMm(hole).mean;
  const names = { was: drillName(was), is: drillName(used.drill) };
  if (n === 0 || Math.abs(over) < TELLING_MM)
    return [caution('note', 'drill-learned', '{was} by typical figures; {is} by your own holes.', names)];
  return [
    over > 0
      ? caution(
          'note',
          'drill-learned',
          '{was} by typical figures, now {is}: in {n} of your own holes {was} cut {over} larger than usual.',
          { ...names, n, over: mm(over) },
        )
      : caution(
          'note',
          'drill-learned',
          '{was} by typical figures, now {is}: in {n} of your own holes {was} cut {over} smaller than usual.',
          { ...names, n, over: mm(-over) },
        ),
  ];
}

/** The drill of a thread: what was asked of the drills, and what came of it. */
export interface ThreadDrill {
  question: TapDrillQuestion;
  /** The same for a formed thread. */
  forming: TapDrillQuestion;
  choice: TapDrillChoice;
  used: TapDrillCandidate;
  because: Chosen['because'];
  proposed?: Drill;
  /** The existing hole does as it is: nothing is drilled. */
  serves: boolean;
  cautions: Caution[];
}

/** Finds the drill for a thread, or the existing hole that needs none. */
export function drillForThread(q: HoleQuestion, at: ResolvedThread, ctx: Context): Result<ThreadDrill> {
  const { habits } = ctx.shop;
  const forming = drillQuestion(q, at, ctx, true);
  const question = q.tap === 'form' ? forming : drillQuestion(q, at, ctx, false);
  const choice = chooseTapDrill(question);
  const drawn = drawnDrill(question, choice, at, q.drill);
  const wanted = q.drill ?? drawn.obeyed?.drill;
  const chosen = chooseDrill(question, choice, wanted, q.tap === 'form' ? 'percentage' : habits.tapDrill);
  if (!chosen.ok) return chosen;
  const { proposed, used } = chosen.value;
  const because = drawn.obeyed ? 'drawn' : chosen.value.because;
  const cautions = [...chosen.value.cautions, ...drawn.cautions, ...learnedNote(question, chosen.value)];
  const found = { question, forming, choice, because, proposed };
  const existingMm = q.existing?.kind === 'plain' ? q.existing.diameterMm : undefined;
  if (existingMm === undefined) return ok({ ...found, used, serves: false, cautions });
  const serving = existingServes(question, existingMm, at.through);
  if (serving)
    return ok({ ...found, used: serving, serves: true, cautions: servingCautions(question, serving, choice.range) });
  const large = existingLarge(existingMm, used.drill);
  return large.length > 0 ? refuse(...large) : ok({ ...found, used, serves: false, cautions });
}
