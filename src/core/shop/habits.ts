import type { SpeedMethod } from '../cutting/speed-methods';
import type { StepRule } from '../cutting/speed-step';
import type { PilotHabit } from '../drills/pilot-chain';
import type { StartMeans } from '../drills/expected-hole';
import type { TapNames } from '../tapping/tap';
import type { WayId } from '../tapping/ways';
import type { TappingHabits } from '../tapping/tapping-question';

/** How a shop does things where practice differs. */
export interface ShopHabits {
  tapDrill: 'percentage' | 'chart' | 'subtraction' | 'limits';
  percentage: 'by-material' | 'seventy-five';
  speed: SpeedMethod;
  stepRule: StepRule;
  pilot: PilotHabit;
  start: 'by-machine' | Extract<StartMeans, 'punch' | 'centre-drill' | 'spot'>;
  chamfer: 'before' | 'both';
  order: 'quicker' | 'hole-by-hole' | 'tool-by-tool';
  /** One hole of like ones goes through to the gauge first, or all are made and then gauged. */
  firstHole: 'through' | 'all';
  firstTap: TappingHabits['firstTap'];
  reversing: 'by-material' | 'quarter' | 'half' | 'one' | 'none';
  /** The way of driving taps that the shop takes wherever it can be done. */
  usualWay: 'by-hole' | WayId;
  powerTapping: 'computed' | 'never-blind';
  /** Tapping under power is tried above the part first. */
  airTrial: 'off' | 'on';
  tailstock: TappingHabits['tailstock'];
  notGoTurns: '1' | '1.5' | '2' | '3';
  tapNames: TapNames;
  engagement: 'computed' | 'one' | 'one-and-a-half';
  /** Formed threads may use the next looser grade for the minor diameter. */
  formed: 'same' | 'looser';
}

export const USUAL_HABITS: ShopHabits = {
  tapDrill: 'percentage',
  percentage: 'by-material',
  speed: 'formula',
  stepRule: 'auto',
  pilot: 'web',
  start: 'by-machine',
  chamfer: 'before',
  order: 'quicker',
  firstHole: 'through',
  firstTap: 'by-hole',
  reversing: 'by-material',
  usualWay: 'by-hole',
  powerTapping: 'computed',
  airTrial: 'off',
  tailstock: 'free',
  notGoTurns: '2',
  tapNames: 'taper-plug-bottoming',
  engagement: 'computed',
  formed: 'same',
};

/**
 * Revolutions forward that a shop's habit wants before turning back; undefined where the metal decides.
 * @example habitualBite('quarter') // 0.25
 */
export const habitualBite = (reversing: ShopHabits['reversing']): number | undefined =>
  ({ 'by-material': undefined, quarter: 0.25, half: 0.5, one: 1, none: 0 })[reversing];

/** The part of the habits that tapping depends on. */
export const tappingHabits = (habits: ShopHabits): TappingHabits => ({
  tapNames: habits.tapNames,
  firstTap: habits.firstTap,
  bite: habitualBite(habits.reversing),
  neverBlind: habits.powerTapping === 'never-blind',
  tailstock: habits.tailstock,
});

/** The way that the shop always takes; undefined where the hole decides. */
export const habitualWay = ({ usualWay }: Partial<Pick<ShopHabits, 'usualWay'>>): WayId | undefined =>
  usualWay === 'by-hole' ? undefined : usualWay;
