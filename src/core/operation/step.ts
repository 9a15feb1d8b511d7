import { depth, mm, phrase, type Caution, type Phrase } from '../answer/answer';
import { drillName, pointAngleOf, type Drill } from '../drills/drill';
import type { ToolUse } from '../shop/tool';
import type { CutOverride } from './cut';
import { MAIN_KEY, type CutSpec, type OperationCode, type TapStep, type ToolChoice } from './operation';
import { tipOf, travelMmOf } from './travel';

interface StepBase {
  /** Stays the same from plan to plan as long as the operation does. */
  key: string;
  kind: OperationCode;
  /** What is to be read and watched whatever its figures are. */
  details: Phrase[];
  cautions: Caution[];
  /** Added by the user, not by the plan. */
  inserted?: boolean;
}

/** Work of a tool in a spindle: its figures follow from what it is to do. */
export interface CutStep extends StepBase {
  by: 'cut';
  spec: CutSpec;
  /** In words of its own; a drill's order follows from what it is to do. */
  order?: Phrase;
  /** It opens a hole that was there before the job. */
  opens?: boolean;
  choices?: ToolChoice[];
  /** What the plan would do, where the user set something else. */
  changed?: { planned: CutSpec; over: CutOverride };
}

/** Work of the hands, a tap's included, or that only sets up. */
export interface HandStep extends StepBase {
  by: 'hand';
  order: Phrase;
  /** For one hole. */
  seconds: number;
  /** What the time is for, in an infinitive. */
  purpose: string;
  /** What it is done with, where its kind does not say. */
  tool?: ToolUse;
  tap?: TapStep;
}

/** What is to be done in one operation, as plain data: no figure of it is worked out yet. */
export type Step = CutStep | HandStep;

type Open<T extends Step> = Omit<T, 'by' | 'details' | 'cautions'> & Partial<Pick<T, 'details' | 'cautions'>>;

export const cutStep = (step: Open<CutStep>): CutStep => ({ by: 'cut', details: [], cautions: [], ...step });
export const handStep = (step: Open<HandStep>): HandStep => ({ by: 'hand', details: [], cautions: [], ...step });

/** What a step's tool is to do; undefined for work of the hands. */
export const specOf = (step: Step): CutSpec | undefined => (step.by === 'cut' ? step.spec : undefined);

/** The step that makes the main bore; undefined where it was left out, or nothing is drilled. */
export const mainStep = (steps: readonly Step[]): Step | undefined => steps.find((s) => s.key === MAIN_KEY);

/** What a drill is to do. Lengths in mm. */
export const drillSpec = (
  drill: Drill,
  owned: boolean,
  at: Omit<CutSpec, 'family' | 'tool' | 'drill' | 'diameterMm' | 'pointAngleDeg'>,
): CutSpec => ({
  family: 'drill',
  tool: { name: drillName(drill), owned },
  drill,
  diameterMm: drill.diameterMm,
  pointAngleDeg: pointAngleOf(drill),
  ...at,
});

const TO_DEPTH = '{drill} to {full}; set the stop at {total} from touch.';
const COUNTERDRILL =
  'Counterdrill {drill}, {full} deep to the corner; set the stop at {total} from touch. Its cone stays.';
const OPEN = 'Open to {drill}, {full} deep first; set the stop at {total} from touch.';
/** The imperative of a drill, through and blind, by kind of step. */
type DrillOrder = 'pilot' | 'open' | 'counterdrill' | 'deepen' | 'existing' | 'drill';
const DRILL_ORDERS: Record<DrillOrder, readonly [through: string, toDepth: string]> = {
  pilot: ['Pilot with {drill}, through.', 'Pilot with {drill} to {full}; stop at {total} from touch.'],
  open: [OPEN, OPEN],
  counterdrill: [COUNTERDRILL, COUNTERDRILL],
  deepen: [
    'From its floor drill on with {drill}, through; the tip passes {tip} beyond the back.',
    'From its floor drill on with {drill} to {full}; set the stop at {total} from touch of the face.',
  ],
  existing: ['Open the hole of {from} with {drill}, through.', `Open the hole of {from} with ${TO_DEPTH}`],
  drill: ['Drill {drill} through; the tip passes {tip} beyond the back.', `Drill ${TO_DEPTH}`],
};

const drillOrderOf = ({ kind, inserted, opens }: CutStep): DrillOrder => {
  if (opens) return 'existing';
  if (inserted) return 'drill';
  return kind in DRILL_ORDERS ? (kind as DrillOrder) : 'drill';
};

/**
 * The imperative of a step: what, how deep, where the stop holds.
 * @param stopMm what the machine's stop is set to; the bare travel where no machine is known
 */
export function orderOf(step: Step, stopMm?: number): Phrase {
  if (step.order || step.by === 'hand') return step.order as Phrase;
  const { spec } = step;
  const tipMm = tipOf(spec);
  return phrase(DRILL_ORDERS[drillOrderOf(step)][spec.through ? 0 : 1], {
    drill: spec.tool.name,
    full: depth(spec.fullMm),
    total: depth(stopMm ?? travelMmOf(spec, tipMm)),
    ...(step.opens ? { from: mm(spec.inHoleMm) } : { tip: depth(tipMm) }),
  });
}
