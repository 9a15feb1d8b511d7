import type { Machine } from '../cutting/machine';
import { expected, type Learned, type Spread } from '../answer/estimate';
import { answer, secondsIn, phrase, quantity, type Answer } from '../answer/answer';

export const REACTION_S = 0.5;

/** How far a spindle runs on: revolutions, and the speed at which they were measured where known. */
export interface Coast {
  revolutions: number;
  atRpm?: number;
}

/** One sigma of coasting as a share of it. Our judgement. */
const COAST_SHARE = 0.15;

/** How far a machine's spindle is said to run on, revolutions at the speed at which that was measured. */
export const typicalCoast = ({ coastRevolutions }: Machine): Spread => ({
  mean: coastRevolutions,
  sigma: COAST_SHARE * coastRevolutions,
});

/** A run that was counted from one speed, as it would be at the speed of the machine's own figure: it grows with its square. */
export const coastAtMeasured = ({ coastAtRpm }: Machine, run: { revolutions: number; rpm: number }): number =>
  coastAtRpm ? run.revolutions * (coastAtRpm / run.rpm) ** 2 : run.revolutions;

/** How far a machine's spindle runs on: as it was typed, until its runs were counted. */
export const expectedCoast = (machine: Machine, learned?: Learned): Coast => ({
  revolutions: expected('coast', typicalCoast(machine), () => [machine.id], learned).mean,
  atRpm: machine.coastAtRpm,
});

/**
 * Turns from the decision to stop until the spindle stands, at a speed in rpm. Coasting grows with its square.
 * @example turnsToStop(60, { revolutions: 1.5 }) // 60 × 0.5 ÷ 60 + 1.5 = 2
 */
export const turnsToStop = (rpm: number, coast: Coast): number =>
  (rpm * REACTION_S) / 60 + coast.revolutions * (coast.atRpm ? (rpm / coast.atRpm) ** 2 : 1);

/**
 * Highest speed, rpm, at which the spindle stops within the turns left. Zero when coasting alone uses them up.
 * @param turnsLeft turns from throwing the switch to the bottom
 * @example highestTappingRpm(4, { revolutions: 1.5 }).value // 60 × (4 − 1.5) ÷ 0.5 = 300
 */
export function highestTappingRpm(turnsLeft: number, coast: Coast): Answer {
  const value = coast.atRpm
    ? solve(turnsLeft, coast.revolutions, coast.atRpm)
    : Math.max(0, (60 * (turnsLeft - coast.revolutions)) / REACTION_S);
  return answer(value, 'rpm', {
    rule: 'Stopping room',
    formula: coast.atRpm
      ? 'turns left = speed × reaction ÷ 60 + coast × (speed ÷ speed measured)²'
      : '60 × (turns left − coast) ÷ reaction',
    inputs: [
      ['turns left', quantity(turnsLeft, 'turns')],
      ['coasting', quantity(coast.revolutions, 'turns')],
      ...(coast.atRpm
        ? ([['measured at', quantity(coast.atRpm, 'rpm')]] as [string, { value: number; unit: 'rpm' }][])
        : []),
      ['reaction', secondsIn(REACTION_S)],
    ],
    source: { kind: 'model', name: 'reaction and coasting' },
    assumptions: [phrase('For a person watching; a depth stop that trips the spindle needs less.')],
  });
}

function solve(turnsLeft: number, revolutions: number, atRpm: number): number {
  const a = revolutions / atRpm ** 2;
  const b = REACTION_S / 60;
  if (turnsLeft <= 0) return 0;
  return a === 0 ? turnsLeft / b : (-b + Math.sqrt(b * b + 4 * a * turnsLeft)) / (2 * a);
}
