import { depth, mm, phrase, quantity, type Phrase } from '../answer/answer';
import { drillName } from '../drills/drill';
import type { HolePlan } from '../hole/hole-plan';
import { isWorkHardening } from '../materials/material';
import { MAIN_KEY, type Operation } from '../operation/operation';
import type { Mistake } from './exercise';

/** What somebody keeps getting wrong in practice, said at the step of a hole where it could happen again. */
export interface Reminder {
  mistake: Mistake;
  says: Phrase;
  /** About safety: it is not switched off. */
  always: boolean;
}

type Rule = (op: Operation, plan: HolePlan) => Phrase | undefined;

const tapping = (op: Operation, { thread }: HolePlan) => op.tap && thread?.tapping.best.each[op.tap.place - 1];
const isMain = ({ key }: Operation): boolean => key === MAIN_KEY;
/** A place that a machine finds by its scales: nothing is scribed or punched. */
const byScales = ({ machine }: HolePlan): boolean => machine?.kind === 'mill' || machine?.kind === 'lathe';
const drills = ({ cut }: Operation): boolean => cut?.spec.family === 'drill';

/** When each mistake could happen again, and what is said then with the figures of this hole. */
const RULES: Partial<Record<Mistake, Rule>> = {
  chart: (op, { thread, material }) => {
    const chart = thread?.tapDrill.methods.find((m) => m.id === 'chart');
    const used = thread?.tapDrill.used.drill;
    if (!isMain(op) || !chart || !used || Math.abs(chart.drill.diameterMm - used.diameterMm) < 0.004) return undefined;
    return phrase('The printed chart says {chart}; in {metal} it is {drill}.', {
      chart: drillName(chart.drill),
      metal: material.label,
      drill: drillName(used),
    });
  },
  nominal: (op, { thread }) =>
    isMain(op) && thread
      ? phrase('The {drill} drill leaves about {hole}: pin the hole, not the drill.', {
          drill: drillName(thread.tapDrill.used.drill),
          hole: mm(Math.round(thread.tapDrill.hole.value * 100) / 100),
        })
      : undefined,
  'went-on': (op, plan) =>
    tapping(op, plan) && phrase('When it tightens, stop: back out, clear the chips, then go on.'),
  bottomed: (op, plan) => {
    const use = tapping(op, plan);
    // A tapered thread is stopped by its gauge, never by a count.
    return use?.load && !plan.thread?.at.through
      ? phrase('Count the turns: {turns}, then stop. The bottom gives no sign.', {
          turns: quantity(use.turns.value, 'turns'),
        })
      : undefined;
  },
  stop: ({ cut }) =>
    cut && !cut.spec.through && cut.spec.family === 'drill'
      ? phrase('The stop counts from where the point touches: {travel}, the point included.', {
          travel: depth(cut.stopMm),
        })
      : undefined,
  speed: ({ cut }) =>
    cut?.speed.ok
      ? phrase('Look at the speed that is set: {rpm}.', { rpm: quantity(cut.speed.value.rpm, 'rpm') })
      : undefined,
  pilot: (op, { operations }) => {
    const main = operations.find(isMain)?.cut?.spec.diameterMm;
    return op.code === 'pilot' && op.cut && main
      ? phrase('A pilot of {pilot}, no larger: before {drill} a wider one grabs.', {
          pilot: mm(op.cut.spec.diameterMm),
          drill: mm(main),
        })
      : undefined;
  },
  order: (op, { hole }) =>
    isMain(op) && hole.bores.some((b) => b.role === 'upper')
      ? phrase('The larger, shallower part comes before this one.')
      : undefined,
  division: ({ code }, plan) =>
    code === 'lay-out' && !byScales(plan)
      ? phrase('Touch the plate, zero it, and read the scale once more before each line.')
      : undefined,
  backlash: ({ code }, plan) =>
    code === 'lay-out' && byScales(plan)
      ? phrase('Half the tool and the shim count; come to every place from the same side.')
      : undefined,
  mark: ({ code }, plan) =>
    code === 'lay-out' && !byScales(plan) ? phrase('Look straight down before the firm blow.') : undefined,
  square: (op) =>
    op.tap?.place === 1 ? phrase('Look from two sides in the first two turns, with a square.') : undefined,
  chips: ({ code }) => (code === 'check' ? phrase('Brush the hole out before the gauge goes in.') : undefined),
  dry: (op, { material, dry }) =>
    (op.tap || drills(op)) && !dry && !material.runsDry
      ? phrase('Keep it wet: {fluid}.', { fluid: material.lubricant })
      : undefined,
  dwelt: (op, { material }) =>
    drills(op) && isWorkHardening(material)
      ? phrase('Get in, keep cutting, get out: where it rubs, {metal} hardens.', { metal: material.label })
      : undefined,
  ease: ({ cut }) =>
    cut?.spec.family === 'drill' && cut.breaksThroughMm !== undefined
      ? phrase('Ease off at {deep}, as the point comes through.', { deep: depth(cut.breaksThroughMm) })
      : undefined,
  tap: (op) =>
    op.tap
      ? phrase('Check which tap is in your hand: {tap}, {threads} chamfer threads.', {
          tap: op.tap.tap.name,
          threads: op.tap.tap.chamferThreads,
        })
      : undefined,
  unsafe: (op) =>
    drills(op) ? phrase('Before the switch: key out, gloves off, sleeves up, work clamped.') : undefined,
};

/** So many at one step at most, those about safety besides: more would not be read. */
const MOST = 2;

/**
 * What is recalled at a step.
 * @param wrong what somebody keeps getting wrong, the most often first
 */
export function remindersAt(op: Operation, plan: HolePlan, wrong: readonly Mistake[]): Reminder[] {
  const all = wrong.flatMap((mistake): Reminder[] => {
    const says = RULES[mistake]?.(op, plan);
    return says ? [{ mistake, says, always: mistake === 'unsafe' }] : [];
  });
  return [...all.filter((r) => r.always), ...all.filter((r) => !r.always).slice(0, MOST)];
}
