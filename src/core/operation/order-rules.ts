import { depth, mm, phrase, type Phrase } from '../answer/answer';
import { usualTapFigures } from '../tapping/tap-lengths.table';
import { isBoring, KINDS } from './kinds';
import type { TapStep } from './operation';
import { mainStep, specOf, type Step } from './step';

/** Why an order of operations is bad: `stop` cannot be done at all, `warn` can and should not. */
export interface OrderFault {
  level: 'warn' | 'stop';
  /** The operation that stands wrongly, and the one that it stands wrongly to. */
  key: string;
  against: string;
  why: Phrase;
}

type Rule = (step: Step, later: Step) => [level: OrderFault['level'], why: Phrase] | undefined;

const isBore = (step: Step): boolean => isBoring(step.kind) && step.by === 'cut';
const isMouth = (step: Step): boolean => KINDS[step.kind].removes === 'mouth';

const tapOf = (step: Step): TapStep | undefined => (step.by === 'hand' ? step.tap : undefined);

/** Share of a tap's length that reaches below the face it is held over. Our judgement. */
const REACHED_SHARE = 0.6;

/** Each looks at two steps, `step` done before `later`, and says what is wrong with that. */
const RULES: Rule[] = [
  (step, later) =>
    later.kind === 'lay-out' && step.kind !== 'note'
      ? ['stop', phrase('Find the place first: otherwise the hole is wherever the drill goes in.')]
      : undefined,
  (step, later) =>
    isBore(step) && later.kind === 'start'
      ? ['warn', phrase('A start after the drill guides nothing: the drill has already wandered.')]
      : undefined,
  (step, later) => {
    const [a, b] = [specOf(step), specOf(later)];
    if (!isBore(step) || !isBore(later) || !a || !b) return undefined;
    if (b.diameterMm <= a.diameterMm + 1e-6 && b.fullMm <= a.fullMm + 1e-6)
      return [
        'stop',
        phrase('{small} after {large} and no deeper has nothing left to cut.', {
          small: mm(b.diameterMm),
          large: mm(a.diameterMm),
        }),
      ];
    if (step.kind !== 'pilot' && b.diameterMm > a.diameterMm && b.fullMm < a.fullMm)
      return [
        'warn',
        phrase(
          '{large} after {small} runs in a hole over half its size: it grabs, binds and chips its lips. Larger and shallower first.',
          {
            large: mm(b.diameterMm),
            small: mm(a.diameterMm),
          },
        ),
      ];
    return undefined;
  },
  (step, later) =>
    step.kind === 'tap' && isBore(later)
      ? [
          'stop',
          phrase('There is no hole to tap before {size} is drilled.', { size: mm(specOf(later)?.diameterMm ?? 0) }),
        ]
      : undefined,
  (step, later) => {
    const [bore, ream] = [specOf(step), specOf(later)];
    if (later.kind !== 'ream' || !isBore(step) || !bore || !ream) return undefined;
    return bore.diameterMm >= ream.diameterMm - 1e-6 && bore.fullMm >= ream.fullMm - 1e-6
      ? [
          'stop',
          phrase('A reamer of {size} has nothing left to cut in a hole of {hole}.', {
            size: mm(ream.diameterMm),
            hole: mm(bore.diameterMm),
          }),
        ]
      : undefined;
  },
  (step, later) =>
    step.kind === 'ream' && isBore(later)
      ? ['stop', phrase('A reamer only follows: without its hole it cannot enter.')]
      : undefined,
  (step, later) =>
    (step.kind === 'counterbore' || step.kind === 'countersink') && later.kind === 'drill'
      ? [
          'stop',
          phrase('The pilot of the {tool} has no hole to run in before the drill: it walks across the face.', {
            tool: step.kind,
          }),
        ]
      : undefined,
  (step, later) =>
    step.kind === 'tap' && (later.kind === 'chamfer' || later.kind === 'countersink')
      ? [
          'warn',
          phrase(
            'Tapped before the mouth is opened, the first thread is pushed up as a burr; countersunk afterwards, it is bruised shut.',
          ),
        ]
      : undefined,
  (step, later) => {
    const tap = tapOf(later);
    const sunk = specOf(step);
    if (step.kind !== 'counterbore' || !tap || !sunk) return undefined;
    return sunk.fullMm > REACHED_SHARE * usualTapFigures(tap.thread).overallMm
      ? [
          'stop',
          phrase('From the floor of a counterbore {deep} deep the tap does not reach.', { deep: depth(sunk.fullMm) }),
        ]
      : undefined;
  },
  (step, later) => {
    const [tap, next] = [tapOf(step), tapOf(later)];
    return tap && next && tap.place > next.place
      ? ['warn', phrase('The shorter chamfer first loads few teeth with the whole cut: that is how taps break.')]
      : undefined;
  },
  (step, later) =>
    step.kind === 'tap' && later.kind === 'counterbore'
      ? ['warn', phrase('A counterbore after the tap drags its pilot through the thread: counterbore first.')]
      : undefined,
  (step, later) =>
    step.kind === 'deburr' && (isBore(later) || later.kind === 'tap' || isMouth(later))
      ? ['warn', phrase('Cutting after deburring raises a new burr.')]
      : undefined,
  (step, later) =>
    step.kind === 'check' && !['note', 'deburr', 'chase'].includes(later.kind)
      ? ['warn', phrase('Checked before it is finished.')]
      : undefined,
];

/** Everything wrong with an order, in the order of the work. */
export function orderFaults(steps: readonly Step[]): OrderFault[] {
  const faults: OrderFault[] = [];
  steps.forEach((step, i) =>
    steps.slice(i + 1).forEach((later) => {
      for (const rule of RULES) {
        const found = rule(step, later);
        if (found) faults.push({ level: found[0], key: later.key, against: step.key, why: found[1] });
      }
    }),
  );
  return faults;
}

/** How far a drill wanders that follows its own chisel edge, mm. Our judgement. */
const WANDER_MM = 0.5;

/** What leaving a step out costs; undefined where nothing is lost that matters. */
export function dropFault(step: Step, rest: readonly Step[]): OrderFault | undefined {
  const { dropped } = KINDS[step.kind];
  if (!dropped) return undefined;
  const others = dropped.whereOthersStay !== undefined && rest.some(({ kind }) => kind === step.kind);
  const main = mainStep(rest);
  const drill = mm((main && specOf(main)?.diameterMm) ?? 0);
  return {
    level: others ? 'warn' : dropped.level,
    key: step.key,
    against: step.key,
    why: phrase(others ? (dropped.whereOthersStay ?? '') : dropped.why, { drill, wander: depth(WANDER_MM) }),
  };
}
