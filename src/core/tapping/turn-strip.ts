import type { Learned } from '../answer/estimate';
import type { Machine } from '../cutting/machine';
import { highestRpm, lowestRpm } from '../cutting/machine';
import type { Material } from '../materials/material';
import type { Thread } from '../threads/thread';
import { expectedCoast, turnsToStop } from './stopping-room';
import { lastTurn, type TapUse } from './turning';
import { USED_OF_TURNS_LEFT, type WayOfTapping } from './way-of-tapping';
import { RUN_IN_TURNS, WAY_FACTS } from './ways';

/** One speed of a machine against the room at the bottom. */
export interface SpeedLeft {
  rpm: number;
  label: string;
  /** Turns until the spindle stands after it is switched off. */
  neededTurns: number;
  /** From the last safe turn to the bottom, s. */
  secondsLeft: number;
  /** Stops with room to spare. */
  stops: boolean;
}

/** Every turn of one tap, from the first bite to the bottom. */
export interface TurnStrip {
  /** Turns until the full thread is deep enough; through, until the chamfer is out. */
  total: number;
  /** The last turn that this tap can take: it may not reach. */
  last: number;
  /** Turn after which the first full thread is cut. */
  chamfer: number;
  /** Turns at which it is turned back to break the chip. */
  reversals: number[];
  /** Turns at which it is backed out, cleaned and oiled. */
  clearOuts: number[];
  /** Turn at which its tip meets the bottom; undefined through. */
  hardStop?: number;
  /** Under power: turns to let it run, turn at which it is switched off, and every speed of the machine. */
  power?: { rpm: number; runIn?: number; switchOff?: number; speeds: SpeedLeft[] };
}

/** Depth in diameters at which chips are first cleared, and then again. Our judgement. */
const CLEAR_D = { stringy: [1, 0.75], long: [1.5, 1], short: [2, 1.5], powder: [2, 1.5] } as const;

const every = (first: number, step: number, before: number): number[] =>
  step <= 0 || !Number.isFinite(step)
    ? []
    : Array.from({ length: Math.max(0, Math.ceil((before - 1e-9 - first) / step)) }, (_, i) => first + i * step);

function clearOutsOf({ tap }: TapUse, thread: Thread, material: Material, total: number): number[] {
  if (tap.geometry === 'form' || tap.geometry === 'spiral-point') return [];
  const turnsPerD = thread.majorMm / thread.pitchMm;
  const [first, then] = CLEAR_D[material.chips];
  return every(first * turnsPerD + tap.chamferThreads, then * turnsPerD, total);
}

function speedsOf(machine: Machine, roomTurns: number, learned: Learned | undefined): SpeedLeft[] {
  const { speeds } = machine;
  const steps =
    speeds.kind === 'steps'
      ? speeds.steps
      : [lowestRpm(machine), (lowestRpm(machine) + highestRpm(machine)) / 2, highestRpm(machine)].map((rpm) => ({
          rpm,
          label: '',
        }));
  const coast = expectedCoast(machine, learned);
  return [...steps]
    .sort((a, b) => a.rpm - b.rpm)
    .map(({ rpm, label }) => {
      const neededTurns = turnsToStop(rpm, coast);
      return {
        rpm,
        label,
        neededTurns,
        secondsLeft: (60 * roomTurns) / rpm,
        stops: neededTurns <= USED_OF_TURNS_LEFT * roomTurns,
      };
    });
}

/** Where a spindle is switched off: with the turns that it needs in hand, and never later than the last safe turn. */
const switchOff = (bottom: number, last: number, { stopping }: WayOfTapping): number =>
  Math.max(0, Math.min(last, bottom - (stopping?.turnsNeeded ?? 0) / USED_OF_TURNS_LEFT));

/**
 * The turns of one tap of a way: bites, clear-outs, the last safe turn, the bottom; under power where to switch off.
 * Not for tapered threads, which are stopped by the gauge.
 */
export function turnStrip(
  way: WayOfTapping,
  use: TapUse,
  thread: Thread,
  material: Material,
  machine?: Machine,
  learned?: Learned,
): TurnStrip {
  const total = use.turns.value;
  const last = lastTurn(use, thread);
  const roomTurns = way.depth ? way.depth.chipRoomMm / thread.pitchMm : undefined;
  const facts = WAY_FACTS[way.id];
  const power =
    facts.spindle && machine && way.rpm !== undefined
      ? {
          rpm: way.rpm,
          ...(facts.byHand ? { runIn: RUN_IN_TURNS } : {}),
          ...(roomTurns === undefined || facts.byHand || way.id === 'reversing-head'
            ? {}
            : { switchOff: switchOff(total + roomTurns, last, way) }),
          speeds:
            roomTurns === undefined
              ? []
              : speedsOf(machine, facts.byHand ? total + roomTurns - RUN_IN_TURNS : roomTurns, learned),
        }
      : undefined;
  return {
    total,
    last,
    chamfer: Math.min(use.tap.chamferThreads, total),
    reversals: use.biteTurns > 0 ? every(use.biteTurns, use.biteTurns, total) : [],
    clearOuts: facts.byHand ? clearOutsOf(use, thread, material, total) : [],
    hardStop: roomTurns === undefined ? undefined : total + roomTurns,
    power,
  };
}
