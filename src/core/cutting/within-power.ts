import { caution, ok, problem, quantity, refuse, type Caution, type Result } from '../answer/answer';
import type { Material } from '../materials/material';
import { spindlePower } from './drilling-torque';
import type { Machine } from './machine';
import { asChoice, SAFE_PERCENT, slowerSpeeds, type SpeedChoice } from './speed-step';

/** Share of the motor's rating that reaches the tool through belts and gears. Our judgement. */
const REACHES_TOOL = 0.75;
/** The feed is eased to half before a slower step is chosen, and to a quarter at most: under it a drill rubs. Our judgement. */
const FEED_SHARES = [0.5, 0.25] as const;

export interface PowerQuestion {
  machine: Machine | undefined;
  material: Material;
  idealRpm: number;
  speed: SpeedChoice;
  /** Feed of the plan, mm/rev. */
  feed: number;
  /** Torque at this feed, Nm. */
  torqueNm: number;
  /** What the user has set stays; only the other is changed. */
  fixed: { speed: boolean; feed: boolean };
}

export interface PowerFit {
  speed: SpeedChoice;
  /** mm/rev */
  feed: number;
  cautions: Caution[];
}

/** Power at the spindle that a motor leaves for the cut, W. */
export const powerAtTool = (machine: Machine): number | undefined =>
  machine.powerW === undefined ? undefined : machine.powerW * REACHES_TOOL;

/**
 * Speed and feed that the motor can drive: the feed eased first, then slower steps, down to {@link SAFE_PERCENT} of the
 * ideal and a quarter of the feed. Power is torque × speed; torque grows with feed to the power of 1 − mc. Model.
 * @returns what to set, or the problem that this machine cannot make the cut
 */
export function withinPower(q: PowerQuestion): Result<PowerFit> {
  const { machine, material, speed, feed, torqueNm, fixed } = q;
  const hasW = machine && powerAtTool(machine);
  if (!machine || hasW === undefined) return ok({ speed, feed, cautions: [] });
  const shareAt = (rpm: number): number => (hasW / (1000 * spindlePower(torqueNm, rpm))) ** (1 / (1 - material.mc));
  if (shareAt(speed.rpm) >= 1) return ok({ speed, feed, cautions: [] });
  const wantedW = 1000 * spindlePower(torqueNm, speed.rpm);
  const values = { wanted: quantity(wantedW, 'W'), has: quantity(hasW, 'W'), machine: machine.name };
  const slower = fixed.speed ? [] : slowerSpeeds(machine, speed.rpm, (q.idealRpm * SAFE_PERCENT.low) / 100);
  const settings = [speed, ...slower];
  const enough = fixed.feed ? [1] : FEED_SHARES;
  for (const least of enough) {
    const found = settings.find((s) => shareAt(s.rpm) >= least);
    if (!found) continue;
    const eased = feed * Math.min(1, shareAt(found.rpm));
    return ok({
      speed: found === speed ? speed : asChoice(machine, found, q.idealRpm),
      feed: eased,
      cautions: [
        caution(
          'note',
          'power',
          'At its usual speed and feed this cut needs about {wanted}; the {machine} has about {has} at the spindle: {rpm} and {feed} stay within it.',
          { ...values, rpm: quantity(found.rpm, 'rpm'), feed: quantity(eased, 'mm/rev') },
        ),
      ],
    });
  }
  return refuse(
    problem(
      'power',
      'machine',
      'This cut needs about {wanted}, and even slowed down and fed lightly that is more than the {has} that the {machine} has at the spindle.',
      'Use a stronger machine, open the hole in more steps, or cut it as a ring.',
      values,
    ),
  );
}
