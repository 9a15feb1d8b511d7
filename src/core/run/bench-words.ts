import { depth, mm, phrase, type Phrase } from '../answer/answer';
import { drillName } from '../drills/drill';
import { KINDS } from '../operation/kinds';
import { allCautions, type HolePlan } from '../hole/hole-plan';
import { isWorkHardening } from '../materials/material';
import { MAIN_KEY, type Operation, type TapStep } from '../operation/operation';
import { withdrawals } from '../operation/withdrawals';
import { powerMoments } from '../tapping/power-moments';
import { turnStrip } from '../tapping/turn-strip';
import { WAY_FACTS } from '../tapping/ways';
import type { WorkItem } from '../route/work-item';

/** What an operation is called within a sentence. */
export const verbOf = (code: WorkItem['code']): string =>
  code === 'cut-between' ? 'cut' : KINDS[code].verb.toLowerCase();

/** What is done, in as few words as can be read from across the shop: Drill 8.5 mm, Tap M10. */
export function headline(item: WorkItem, op: Operation | undefined): Phrase {
  if (item.code === 'cut-between') return item.order;
  const { verb } = KINDS[item.code];
  if (op?.purpose) return phrase(op.purpose.charAt(0).toUpperCase() + op.purpose.slice(1));
  if (item.code === 'start') return phrase('{verb}', { verb });
  const drill = op?.cut?.spec.drill;
  if (drill) return phrase('{verb} {name}', { verb, name: drillName(drill) });
  if (op?.cut) return phrase('{verb} {size}', { verb, size: mm(op.cut.spec.diameterMm) });
  if (op?.tap) return phrase('{verb} {thread}', { verb, thread: op.tap.thread.designation });
  return phrase('{verb}', { verb });
}

/** Before a tap that a wrench turns, and in its first two turns, while it can still be set square. */
function feelOfTap({ place }: TapStep, { thread, dry, material, machine }: HolePlan): Phrase[] {
  const best = thread?.tapping.best;
  const use = best?.each[place - 1];
  if (!best || !use) return [];
  if (WAY_FACTS[best.id].spindle && thread.limits)
    return powerMoments(best.id, turnStrip(best, use, thread.thread, material, machine));
  if (place > 1 || !WAY_FACTS[best.id].byHand) return [];
  const before = dry || material.runsDry ? 'Flutes clean.' : 'Flutes clean, then oil.';
  return [phrase(`${before} After turn 1 and turn 2: square from two sides, or lean it back.`)];
}

/**
 * What the hand does while it cuts: out at these readings of the stop, never dwell, ease where it comes through, and what to
 * do when it catches there; of a tap, its first turns.
 */
export function feelOf({ key, cut, tap, purpose, details }: Operation, plan: HolePlan): Phrase[] {
  if (tap) return [...feelOfTap(tap, plan), ...allCautions(plan).filter((c) => c.code === 'tap-life')];
  if (purpose) return details;
  if (!cut || cut.spec.family !== 'drill') return [];
  const { material } = plan;
  const { breaksThroughMm: through } = cut;
  const out = withdrawals(cut);
  const hole = key === MAIN_KEY ? plan.thread?.tapDrill.hole : undefined;
  return [
    ...(out ? [out] : []),
    ...(isWorkHardening(material) ? [phrase('Never dwell: keep it cutting.')] : []),
    ...(through === undefined
      ? []
      : [
          phrase('Ease at {at}; if it catches there, back it a moment, then on.', {
            at: depth(Math.max(0, through - EASE_BEFORE_MM)),
          }),
        ]),
    ...(hole && hole.n > 0 ? [phrase('Hole {hole}, from {n} of your own.', { hole: mm(hole.value), n: hole.n })] : []),
  ];
}
/** The feed is eased this much before the point comes through, mm. Our judgement. */
const EASE_BEFORE_MM = 1;

/** Where the tool of an operation lies; undefined where the crib does not say. */
export const whereOf = (op: Operation | undefined): string | undefined =>
  op?.cut?.spec.tool.tool?.where ||
  op?.cut?.spec.drill?.where ||
  (op?.tap && 'where' in op.tap.tap ? String(op.tap.tap.where) : '') ||
  undefined;
