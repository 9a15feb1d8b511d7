import {
  caution,
  ok,
  percent,
  phrase,
  problem,
  quantity,
  refuse,
  type Caution,
  type Phrase,
  type Result,
} from '../answer/answer';
import { isHard, isWorkHardening, type Material } from '../materials/material';
import { highestRpm, isHandHeld, lowestRpm, type Machine, type SpeedStep } from './machine';

export type StepRule = 'auto' | 'nearest' | 'below';

export interface SpeedChoice {
  rpm: number;
  /** What to set: belt rows, gear, or where to hold a variable speed. */
  label: string;
  percentOfIdeal: number;
  rule: 'nearest' | 'below' | 'trigger' | 'power' | 'set';
  reason: Phrase;
  cautions: Caution[];
}

/** Under 40 and over 130 percent of the ideal a speed is doubtful; over 200 percent the tool burns. Trade rule. */
export const SAFE_PERCENT = { low: 40, high: 130, refuse: 200 } as const;

const REASON: Record<SpeedChoice['rule'], Phrase> = {
  set: phrase('The speed is set freely within the range.'),
  below: phrase(
    'Next step below: a hard or work-hardening metal, or a drill held by hand, forgives slow and not fast.',
  ),
  nearest: phrase('Nearest step by ratio.'),
  trigger: phrase('The lowest gear that reaches the ideal; the trigger does the rest.'),
  power: phrase('A slower step: the motor has no more power.'),
};

type Setting = Pick<SpeedChoice, 'rpm' | 'label' | 'rule'>;

/** The trigger of a hand drill covers everything up to its gear's speed, in steps that a finger can hold. */
const TRIGGER_RPM = 50;

/** A trigger is held steadily from half of its travel on. Trade rule. */
const HALF_TRAVEL = 0.5;

/** Slowest that a machine can be held at, rev/min: of a hand drill what the trigger can be held at. */
const slowestHeld = (machine: Machine): number =>
  machine.speeds.kind === 'steps' && isHandHeld(machine) ? TRIGGER_RPM : lowestRpm(machine);

function triggerSetting(gears: readonly SpeedStep[], rpm: number): Setting {
  const rising = [...gears].sort((a, b) => a.rpm - b.rpm);
  // The lowest gear that reaches it with the trigger at half of its travel or more; else the one below, held full.
  const reaches = rising.find((g) => g.rpm >= rpm) ?? rising[rising.length - 1];
  const lower = rising.findLast((g) => g.rpm < rpm);
  const gear = lower && rpm < HALF_TRAVEL * reaches.rpm ? lower : reaches;
  const held = Math.min(gear.rpm, Math.max(TRIGGER_RPM, Math.round(rpm / TRIGGER_RPM) * TRIGGER_RPM));
  const share = Math.round((10 * held) / gear.rpm) * 10;
  return { rpm: held, label: share >= 100 ? gear.label : `${gear.label}, trigger about ${share} %`, rule: 'trigger' };
}

function settingFor(machine: Machine, rpm: number, below: boolean, burns = false): Setting {
  const { speeds } = machine;
  if (speeds.kind === 'range') {
    const within = Math.min(Math.max(rpm, speeds.minRpm), speeds.maxRpm);
    return { rpm: Math.round(within), label: 'variable', rule: 'set' };
  }
  if (isHandHeld(machine)) return triggerSetting(speeds.steps, rpm);
  const under = speeds.steps.filter((s) => s.rpm <= rpm);
  if (below && under.length > 0)
    return stepAs(
      under.reduce((a, b) => (b.rpm > a.rpm ? b : a)),
      'below',
    );
  const gap = (step: SpeedStep): number => Math.abs(Math.log(step.rpm / rpm));
  // In steel and iron never a step that burns the lips while there is a slower one.
  const cool = speeds.steps.filter((s) => s.rpm <= (rpm * SAFE_PERCENT.high) / 100);
  const steps = burns && cool.length > 0 ? cool : speeds.steps;
  return stepAs(
    steps.reduce((a, b) => (gap(b) < gap(a) ? b : a)),
    below ? 'below' : 'nearest',
  );
}

const stepAs = ({ rpm, label }: SpeedStep, rule: Setting['rule']): Setting => ({ rpm, label, rule });

function speedCautions(machine: Machine, rpm: number, ideal: number): Caution[] {
  const percentOfIdeal = (rpm / ideal) * 100;
  if (percentOfIdeal >= SAFE_PERCENT.low && percentOfIdeal <= SAFE_PERCENT.high) return [];
  const lowest = slowestHeld(machine);
  const values = {
    percent: percent(percentOfIdeal),
    ideal: quantity(ideal, 'rpm'),
    machine: machine.name,
    limit: quantity(rpm >= ideal ? lowest : highestRpm(machine), 'rpm'),
  };
  if (percentOfIdeal > SAFE_PERCENT.high)
    return [
      caution(
        'warn',
        'speed-high',
        rpm > lowest
          ? 'This is {percent} of the ideal {ideal}: the lips will burn. The {machine} has slower speeds.'
          : 'This is {percent} of the ideal and the slowest that the {machine} has ({limit}): plenty of fluid, short bites, firm feed, or a slower machine.',
        values,
      ),
    ];
  return [
    caution(
      'warn',
      'speed-low',
      rpm < highestRpm(machine)
        ? 'This is only {percent} of the ideal {ideal}: slow, and it grabs sooner. The {machine} has faster speeds.'
        : 'This is only {percent} of the ideal; the {machine} tops out at {limit}. It cuts slowly: feed lightly, as the feed is per turn.',
      values,
    ),
  ];
}

/** A step under this share of the ideal, percent, is so slow that its reason belongs beside it. Our judgement. */
const SAID_UNDER_PERCENT = 85;

/** Whether a speed is well under the ideal for a reason that one has to be told. */
export const isSlowFor = ({ rule, percentOfIdeal }: SpeedChoice): boolean =>
  rule === 'power' || (rule === 'below' && percentOfIdeal < SAID_UNDER_PERCENT);

/** A speed of a machine as a choice: what share of the ideal it is, and what to say of that. */
export function asChoice(machine: Machine, setting: Setting, ideal: number): SpeedChoice {
  return {
    ...setting,
    percentOfIdeal: (setting.rpm / ideal) * 100,
    reason: REASON[setting.rule],
    cautions: speedCautions(machine, setting.rpm, ideal),
  };
}

/** Metals in which a drill that turns too fast loses its lips; in soft ones it does no harm. */
const burnsLips = ({ group }: Material): boolean => group === 'steel' || group === 'iron' || group === 'stainless';

/**
 * The speed to set on a machine for an ideal one, rev/min: next below for hard or work-hardening metal and by hand,
 * nearest (by ratio) otherwise; on a hand drill the lowest gear that reaches it, and the trigger.
 * @param wantedRpm a speed that the user sets instead; the machine's nearest is used
 * @returns the choice, or a problem when even the slowest speed is more than twice the ideal
 */
export function chooseSpeed(
  machine: Machine,
  ideal: number,
  material: Material,
  stepRule: StepRule = 'auto',
  wantedRpm?: number,
): Result<SpeedChoice> {
  const lowest = slowestHeld(machine);
  if ((lowest / ideal) * 100 > SAFE_PERCENT.refuse)
    return refuse(
      problem(
        'speed-unreachable',
        'machine',
        'The {machine} cannot turn slowly enough: its slowest is {lowest}, the drill needs {ideal}.',
        'Use a slower machine, or a gear or belt reduction; do not run the drill at this speed.',
        { machine: machine.name, lowest: quantity(lowest, 'rpm'), ideal: quantity(ideal, 'rpm') },
      ),
    );
  const below =
    stepRule === 'below' ||
    (stepRule === 'auto' && (isHard(material) || isWorkHardening(material) || isHandHeld(machine)));
  const setting: Setting =
    wantedRpm === undefined
      ? settingFor(machine, ideal, below, burnsLips(material))
      : { ...settingFor(machine, wantedRpm, false), rule: 'set' };
  return ok(asChoice(machine, setting, ideal));
}

/** Speeds of a machine below one in use, rev/min, the next one first; a range is left by tenths. */
export function slowerSpeeds(machine: Machine, rpm: number, least: number): Setting[] {
  const { speeds } = machine;
  if (speeds.kind === 'steps' && !isHandHeld(machine))
    return speeds.steps
      .filter((s) => s.rpm < rpm - 1e-6 && s.rpm >= least)
      .sort((a, b) => b.rpm - a.rpm)
      .map((s) => stepAs(s, 'power'));
  const floor = Math.max(least, speeds.kind === 'range' ? speeds.minRpm : 0);
  return [0.9, 0.8, 0.7, 0.6, 0.5, 0.4]
    .map((share) => Math.round(share * rpm))
    .filter((slower) => slower >= floor)
    .map((slower) => ({ ...settingFor(machine, slower, false), rule: 'power' }));
}

/** The machine's next speed down (-1) or up (+1) from one in use; the same where it ends. A range or trigger moves by a fifth. */
export function nextStep(machine: Machine, rpm: number, by: -1 | 1): number {
  const { speeds } = machine;
  if (speeds.kind === 'range' || isHandHeld(machine))
    return Math.min(highestRpm(machine), Math.max(slowestHeld(machine), Math.round(rpm * (by < 0 ? 0.8 : 1.2))));
  const sorted = speeds.steps.map((s) => s.rpm).sort((a, b) => a - b);
  const beyond = by < 0 ? sorted.filter((r) => r < rpm - 1e-6).pop() : sorted.find((r) => r > rpm + 1e-6);
  return beyond ?? rpm;
}
