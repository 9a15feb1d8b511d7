import { caution, percent, phrase, quantity, type Caution, type Phrase, type Problem } from '../answer/answer';
import { isHard, isWorkHardening, type Material } from '../materials/material';
import { highestRpm, isHandHeld, lowestRpm, type Machine } from './machine';

export type StepRule = 'auto' | 'nearest' | 'below';

export interface SpeedChoice {
  rpm: number;
  /** What to set: belt rows, gear, or where to hold a variable speed. */
  label: string;
  percentOfIdeal: number;
  rule: 'nearest' | 'below' | 'set';
  reason: Phrase;
  cautions: Caution[];
}

/** Under 40 and over 130 percent of the ideal a speed is doubtful; over 200 percent the tool burns. */
export const SAFE_PERCENT = { low: 40, high: 130, refuse: 200 } as const;

/**
 * The speed to set on a machine for an ideal one: next below for hard or work-hardening metal and by hand,
 * nearest (by ratio) otherwise.
 * @param wantedRpm a speed that the user sets instead; the machine's nearest is taken
 * @returns the choice, or a problem when even the slowest speed is more than twice the ideal
 */
export function chooseSpeed(
  machine: Machine,
  ideal: number,
  material: Material,
  stepRule: StepRule = 'auto',
  wantedRpm?: number,
): SpeedChoice | Problem {
  const lowest = lowestRpm(machine);
  if ((lowest / ideal) * 100 > SAFE_PERCENT.refuse)
    return {
      code: 'speed-unreachable',
      field: 'machine',
      ...phrase('The {machine} cannot turn slowly enough: its slowest is {lowest}, the drill wants {ideal}.', {
        machine: machine.name,
        lowest: quantity(lowest, 'rpm'),
        ideal: quantity(ideal, 'rpm'),
      }),
      remedy: phrase('Use a slower machine, or a gear or belt reduction; do not run the drill at this speed.'),
    };
  const below =
    stepRule === 'below' ||
    (stepRule === 'auto' && (isHard(material) || isWorkHardening(material) || isHandHeld(machine)));
  const { rpm, label, rule } =
    wantedRpm === undefined
      ? pick(machine, ideal, below)
      : { ...pick(machine, wantedRpm, false), rule: 'set' as const };
  const percentOfIdeal = (rpm / ideal) * 100;
  const values = {
    percent: percent(percentOfIdeal),
    ideal: quantity(ideal, 'rpm'),
    machine: machine.name,
    limit: quantity(rpm >= ideal ? lowest : highestRpm(machine), 'rpm'),
  };
  const cautions: Caution[] = [];
  if (percentOfIdeal > SAFE_PERCENT.high)
    cautions.push(
      caution(
        'warn',
        'speed-high',
        rpm > lowest
          ? 'This is {percent} of the ideal {ideal}: the lips burn. The {machine} has slower speeds.'
          : 'This is {percent} of the ideal and the slowest that the {machine} has ({limit}): plenty of fluid, short bites, firm feed, or a slower machine.',
        values,
      ),
    );
  if (percentOfIdeal < SAFE_PERCENT.low)
    cautions.push(
      caution(
        'warn',
        'speed-low',
        rpm < highestRpm(machine)
          ? 'This is only {percent} of the ideal {ideal}: slow, and it grabs sooner. The {machine} has faster speeds.'
          : 'This is only {percent} of the ideal; the {machine} ends at {limit}. It cuts slowly: feed lightly, as the feed is per turn.',
        values,
      ),
    );
  return { rpm, label, percentOfIdeal, rule, reason: REASON[rule], cautions };
}

const REASON = {
  set: phrase('The speed is set freely within the range.'),
  below: phrase(
    'Next step below: a hard or work-hardening metal, or a drill held by hand, forgives slow and not fast.',
  ),
  nearest: phrase('Nearest step by ratio.'),
} as const;

function pick(machine: Machine, ideal: number, below: boolean): Pick<SpeedChoice, 'rpm' | 'label' | 'rule'> {
  const { speeds } = machine;
  if (speeds.kind === 'range') {
    const rpm = Math.min(Math.max(ideal, speeds.minRpm), speeds.maxRpm);
    return { rpm: Math.round(rpm), label: 'variable', rule: 'set' };
  }
  const under = speeds.steps.filter((s) => s.rpm <= ideal);
  if (below && under.length > 0) return { ...under.reduce((a, b) => (b.rpm > a.rpm ? b : a)), rule: 'below' };
  const gap = (rpm: number): number => Math.abs(Math.log(rpm / ideal));
  return { ...speeds.steps.reduce((a, b) => (gap(b.rpm) < gap(a.rpm) ? b : a)), rule: below ? 'below' : 'nearest' };
}

/** The machine's next speed down (-1) or up (+1) from one in use; the same where it ends. A range moves by a fifth. */
export function nextStep(machine: Machine, rpm: number, by: -1 | 1): number {
  const { speeds } = machine;
  if (speeds.kind === 'range')
    return Math.min(speeds.maxRpm, Math.max(speeds.minRpm, Math.round(rpm * (by < 0 ? 0.8 : 1.2))));
  const sorted = speeds.steps.map((s) => s.rpm).sort((a, b) => a - b);
  const beyond = by < 0 ? sorted.filter((r) => r < rpm - 1e-6).pop() : sorted.find((r) => r > rpm + 1e-6);
  return beyond ?? rpm;
}
