import { depth, mm, phrase, quantity, type Phrase } from '../answer/answer';
import { tiltOf } from '../gauging/squareness';
import type { HolePlan } from '../hole/hole-plan';
import { KINDS } from '../operation/kinds';
import type { Operation } from '../operation/operation';
import type { Observation } from '../run/observations';

/** One thing of a hole: what was planned, beside what came of it. */
export interface BesidePlan {
  label: string;
  planned?: Phrase;
  measured?: Phrase;
  /** It did not pass. */
  isBad?: boolean;
  who?: string;
  recordId: string;
}

const seconds = (s: number): Phrase => phrase('{time}', { time: quantity(Math.round(s), 's') });

/** What was set for an operation: speed, stop and withdrawals, and its time. */
function planned(op: Operation | undefined, usualS: number): Phrase {
  const { cut } = op ?? {};
  const time = quantity(Math.round(usualS), 's');
  if (!cut?.speed.ok)
    return op?.tap?.drive ? phrase('{rpm}; {time}', { rpm: quantity(op.tap.drive.rpm, 'rpm'), time }) : seconds(usualS);
  const { rpm, label } = cut.speed.value;
  const set = { rpm: quantity(rpm, 'rpm'), label, stop: depth(cut.stopMm), time };
  return cut.pecks.length > 0
    ? phrase('{rpm}, {label}; stop {stop}; withdrawals {count}; {time}', { ...set, count: cut.pecks.length })
    : phrase('{rpm}, {label}; stop {stop}; {time}', set);
}

/** What was gauged, beside what it had to be. */
function gaugedBeside(plan: HolePlan, o: Observation): BesidePlan[] {
  if (o.observed.what !== 'gauged') return [];
  const { check, values, verdict } = o.observed;
  const { thread } = plan;
  const row = (label: string, planned: Phrase | undefined, measured: Phrase): BesidePlan[] => [
    { label, planned, measured, isBad: verdict === 'bad', who: o.who, recordId: o.recordId },
  ];
  switch (check) {
    case 'minor': {
      const limits = thread?.limits;
      const read =
        values.out === undefined
          ? phrase('{in} enters', { in: mm(values.in) })
          : phrase('{in} enters, {out} does not', { in: mm(values.in), out: mm(values.out) });
      const hole = thread && phrase('predicted {hole}', { hole: mm(thread.tapDrill.used.finishedMinorMm) });
      const class_ =
        limits &&
        phrase('predicted {hole}; {name} {min} to {max}', {
          hole: mm(thread.tapDrill.used.finishedMinorMm),
          name: limits.className,
          min: mm(limits.minorMinMm),
          max: mm(limits.minorMaxMm),
        });
      return row('Minor diameter, by pins', class_ ?? hole, read);
    }
    case 'size':
      return row(
        'Diameter',
        phrase('{size}', { size: mm(plan.hole.bores[0]?.feature.diameterMm ?? 0) }),
        phrase('{size}', { size: mm(values.size) }),
      );
    case 'go':
      return row(
        'Go gauge',
        thread && phrase('{turns}', { turns: quantity(thread.at.lengthMm / thread.thread.pitchMm, 'turns') }),
        phrase('{turns}', { turns: quantity(values.turns, 'turns') }),
      );
    case 'not-go':
      return row('Not-go gauge', undefined, phrase('{turns}', { turns: quantity(values.turns, 'turns') }));
    case 'square':
      return row(
        'Lean',
        phrase('0 is square'),
        phrase('{lean}', {
          lean: quantity(tiltOf({ frontMm: values.front, sideMm: values.side, heightMm: values.height }).value, 'deg'),
        }),
      );
    default:
      return row(
        check === 'mating' ? 'Mating part' : check.charAt(0).toUpperCase() + check.slice(1),
        undefined,
        verdict === 'good' ? phrase('passes') : phrase('does not pass'),
      );
  }
}

/** What was made, beside what was planned for it. */
function madeBeside(plan: HolePlan, o: Observation): BesidePlan[] {
  const { observed, who, recordId } = o;
  if (observed.what === 'broken') {
    const at =
      observed.turns === undefined
        ? phrase('broke')
        : phrase('broke after {turns}', { turns: quantity(observed.turns, 'turns') });
    return [{ label: observed.tap, measured: at, isBad: true, who, recordId }];
  }
  if (observed.what !== 'made') return [];
  const op = plan.operations.find((p) => p.code === observed.operation);
  const label = op?.cut?.spec.tool.name ?? (op?.tap ? op.tap.tap.name : KINDS[op?.code ?? 'note'].verb);
  const rows: BesidePlan[] = [
    {
      label: op?.cut?.spec.tool.name || op?.tap ? `${KINDS[op.code].verb}, ${label}` : label,
      planned: planned(op, observed.usualS),
      ...(observed.seconds === undefined ? {} : { measured: seconds(observed.seconds) }),
      who,
      recordId,
    },
  ];
  if (observed.feel) rows.push({ label: 'Felt', measured: phrase('{feel}', { feel: observed.feel }), who, recordId });
  const use = plan.thread?.tapping.best.each.at(-1);
  for (const { figure, value } of o.figures) {
    if (figure === 'torque' && use?.load)
      rows.push({
        label: 'Torque',
        planned: phrase('{torque}', {
          torque: quantity(use.load.torque.value / (use.conditions.measured?.mean ?? 1), 'Nm'),
        }),
        measured: phrase('{torque}', {
          torque: quantity((value * use.load.torque.value) / (use.conditions.measured?.mean ?? 1), 'Nm'),
        }),
        recordId,
      });
    if (figure === 'turns' && use)
      rows.push({
        label: 'Turns',
        planned: phrase('{turns}', { turns: use.turns }),
        measured: phrase('{turns}', { turns: quantity(value * use.turns.value, 'turns') }),
        recordId,
      });
  }
  return rows;
}

/** A hole from callout to gauge: planned beside measured, in the order in which it was made. */
export const besidePlan = (plan: HolePlan, observed: readonly Observation[]): BesidePlan[] =>
  observed.flatMap((o) => (o.observed.what === 'gauged' ? gaugedBeside(plan, o) : madeBeside(plan, o)));
