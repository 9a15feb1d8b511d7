import type { Job } from '@/contracts/job';
import { quantity, type Phrase } from '@/core/answer/answer';
import type { PulleyTrain } from '@/core/cutting/machine';
import type { HolePlan } from '@/core/hole/hole-plan';
import { feelOf, headline, whereOf } from '@/core/run/bench-words';
import type { BenchStep } from '@/core/run/bench-step';
import type { Operation } from '@/core/operation/operation';
import type { WorkItem } from '@/core/route/work-item';
import { toolOf } from '@/core/route/work-of-job';
import { lastTurn } from '@/core/tapping/turning';
import { WAY_FACTS } from '@/core/tapping/ways';
import { showText, tell, turnsText, type Display } from '@/core/units/show';

interface FigureOf {
  label: string;
  figure: string;
  below?: string;
  /** Stands again right below on a phone. */
  notOnPhone?: true;
}

/** The numbers to set: speed, turns, stop, breakthrough, the place where it is found by scales. */
function figuresOf(
  { item, newSpeed }: BenchStep,
  op: Operation | undefined,
  plan: HolePlan | undefined,
  placed: boolean,
  display: Display,
): FigureOf[] {
  const { cut, tap } = op ?? {};
  const best = tap && plan?.thread?.tapping.best;
  const use = best && WAY_FACTS[best.id].byHand ? best.each[tap.place - 1] : undefined;
  const turns = use && plan?.thread && lastTurn(use, plan.thread.thread);
  const rpm = cut?.speed.ok ? cut.speed.value.rpm : best && WAY_FACTS[best.id].spindle ? best.rpm : undefined;
  const tenths = (mm: number): string => showText({ ...quantity(mm, 'mm'), places: 1 }, display);
  const byScales =
    item?.code === 'lay-out' || (plan?.machine?.kind === 'mill' && (cut ?? tap ?? item?.code === 'start'));
  return [
    ...(rpm === undefined
      ? []
      : [
          {
            label: newSpeed ? 'rev/min, change it' : 'rev/min',
            figure: rpm.toFixed(0),
            ...(cut?.speed.ok ? { below: cut.speed.value.label } : tap?.drive ? { below: tap.drive.label } : {}),
          },
        ]),
    ...(turns !== undefined && Number.isFinite(turns)
      ? [
          {
            label: best?.depth ? 'turns, last safe' : 'turns, then through',
            figure: turnsText(turns, true),
            notOnPhone: true as const,
          },
        ]
      : []),
    ...(best?.clutch ? [{ label: 'clutch', figure: showText(best.clutch, display) }] : []),
    ...(cut && !cut.spec.through ? [{ label: 'stop, from touch', figure: tenths(cut.stopMm) }] : []),
    ...(cut?.spec.through && cut.spec.family === 'drill' ? [{ label: 'stop', figure: 'off' }] : []),
    ...(cut?.breaksThroughMm === undefined ? [] : [{ label: 'comes through at', figure: tenths(cut.breaksThroughMm) }]),
    ...(item && placed && byScales
      ? (['x', 'y'] as const).map((axis) => ({
          label: `${axis.toUpperCase()} from the datum`,
          figure: showText({ ...quantity(item[axis], 'mm'), places: 2 }, display),
        }))
      : []),
  ];
}

/** What the bench says of one operation: equal for two holes that are made the same way. */
export interface WorkSaid {
  danger: string[];
  /** Why it is done once more. */
  again?: string;
  headline: string;
  /** Whether the tool is changed for it. */
  isChange: boolean;
  /** What and where it lies. */
  tool: string;
  order: string;
  /** What the hand does while it cuts: when to come out, where to ease. */
  feel?: string;
  figures: FigureOf[];
  /** Rows of the belts, where the machine has pulleys that are known. */
  belts?: { pulleys: PulleyTrain; rows: readonly string[] };
  fluid?: string;
}

function beltsFor(plan: HolePlan | undefined, rpm: number | undefined): WorkSaid['belts'] {
  const { machine } = plan ?? {};
  if (!machine?.pulleys || machine.speeds.kind !== 'steps') return undefined;
  const rows = machine.speeds.steps.find((s) => s.rpm === rpm)?.rows;
  return rows && { pulleys: machine.pulleys, rows };
}

interface Saying {
  step: BenchStep;
  item: WorkItem;
  job: Pick<Job, 'holes'>;
  /** How its hole is made by now. */
  plan?: HolePlan;
  display: Display;
}

const tellAll = (said: readonly Phrase[], display: Display): string => said.map((p) => tell(p, display)).join(' ');

/** What the bench says of an operation on a hole, in the reader's units; of the hole’s plan where it can be made. */
export function sayWork({ step, item, job, plan, display }: Saying): WorkSaid {
  const op = plan?.operations.find((o) => o.key === item.opKey);
  const { cut, tap } = op ?? {};
  const best = tap && plan?.thread?.tapping.best;
  const { tool, inCrib } = op ? toolOf(op) : item;
  const where = whereOf(op);
  const placed = job.holes.find((h) => h.id === item.featureId)?.place !== undefined;
  const feel = op && plan ? tellAll(feelOf(op, plan), display) : '';
  return {
    danger: (op?.cautions ?? []).filter((c) => c.level !== 'note').map((c) => tell(c, display)),
    again: step.again,
    headline: step.isScribed ? 'Punch' : tell(headline(item, op), display),
    isChange: step.newTool,
    tool: `${tool}${where ? `, ${where}` : ''}${inCrib ? '' : ' (to buy)'}`,
    // Headline and figures say what a drill is to do: the line is for the hand.
    order: step.isScribed
      ? 'Prick-punch at the crossing, look from two sides, then one firm blow.'
      : cut && feel
        ? ''
        : best
          ? `${best.label}. ${WAY_FACTS[best.id].byHand ? tell(best.wrench, display) : ''}`
          : tell(op?.order ?? item.order, display),
    feel,
    figures: figuresOf(step, op, plan, placed, display),
    belts: beltsFor(plan, cut?.speed.ok ? cut.speed.value.rpm : undefined),
    fluid: (cut ?? tap) && plan && !plan.dry && !plan.material.runsDry ? plan.material.lubricant : undefined,
  };
}
