import { caution, depth, phrase, quantity, type Caution, type Phrase } from '../answer/answer';
import type { Machine } from '../cutting/machine';
import type { TapUse } from '../tapping/turning';
import type { TappingWay } from '../tapping/ways-of-tapping';
import { isTapered, type Thread } from '../threads/thread';
import { CHECKS, gaugingSeconds } from './hand-times';
import type { TapStep } from './operation';
import { handStep, type Step } from './step';

/** What the taps of a hole follow from. Lengths in mm. */
export interface Tapping {
  thread: Thread;
  way: TappingWay;
  /** Where the thread begins and how long it is. */
  fromMm: number;
  lengthMm: number;
  /** Holes in all parts. */
  holes: number;
  leftHand?: boolean;
  machine?: Machine;
  /** A spindle turns it, and the shop tries that in air first. */
  trial?: boolean;
  /** The floor of the hole is flattened before tapping. */
  flat?: boolean;
}

/** A tap goes as deep as the thread and its own chamfer: it may not reach. */
function reachCautions({ thread }: Tapping, { tap, tipMm }: TapUse): Caution[] {
  if (isTapered(thread) || tipMm <= tap.reachMm) return [];
  return [
    caution(
      'warn',
      'tap-reach',
      'The tap has to go {deep} below the face; this one reaches about {reach}. You need a long-shank tap, or open the thread from the face to clearance; or two visits: what it reaches now, the rest after a later cut.',
      { deep: depth(tipMm), reach: depth(tap.reachMm) },
    ),
  ];
}

const TAPER = caution(
  'note',
  'taper',
  'A tapered thread has no percentage, class limits or torque estimate here; ream with a taper reamer for an easier cut, and tap until the gauge sits flush.',
);

const LEFT_HAND = phrase('Left-hand thread: turn anticlockwise, a spindle in reverse.');

/** All holes with one tap before the next: one change. */
const roughed = ({ holes, way }: Tapping, place: number): Phrase[] =>
  holes > 1 && way.taps.length > 1 && place < way.taps.length
    ? [phrase('All {holes} holes with this tap before the next: one change.', { holes })]
    : [];

function howFar(use: TapUse): Phrase[] {
  const { load } = use;
  return [
    phrase('To the bottom, {turns}, counting the turns.', { turns: quantity(use.turns.value, 'turns') }),
    ...(load ? [phrase('It takes about {torque}.', { torque: quantity(load.torque.value, 'Nm') })] : []),
  ];
}

function tapDetails(t: Tapping, place: number): Phrase[] {
  const left = t.leftHand ? [LEFT_HAND] : [];
  if (place > 1) return [...left, ...howFar(t.way.each[place - 1]), ...roughed(t, place)];
  return [...left, ...firstDetails(t), ...roughed(t, 1)];
}

function firstDetails({ thread, way }: Tapping): Phrase[] {
  const turns = quantity(way.turns.value, 'turns');
  return [
    phrase(`{way}. ${way.wrench.text}`, { ...way.wrench.values, way: way.label }),
    isTapered(thread)
      ? phrase('About {turns}: stop at the gauge, not at a depth.', { turns })
      : way.biteTurns > 0
        ? phrase('{bite} forward, back until the chip snaps; {turns} in all.', {
            bite: quantity(way.biteTurns, 'turns'),
            turns,
          })
        : phrase('{turns} in all, without reversing.', { turns }),
  ];
}

/** The speed at which a spindle turns the tap, as it is set on the machine; undefined where a wrench turns it. */
function driveOf({ way: { rpm }, machine }: Tapping): TapStep['drive'] {
  if (rpm === undefined || !machine) return undefined;
  const { speeds } = machine;
  const step = speeds.kind === 'steps' ? speeds.steps.find((s) => Math.abs(s.rpm - rpm) < 1e-6) : undefined;
  return { rpm, label: step?.label ?? 'variable' };
}

const speedDetail = (drive: TapStep['drive']): Phrase[] =>
  drive ? [phrase('{rpm}, {label}.', { rpm: quantity(drive.rpm, 'rpm'), label: drive.label })] : [];

/** The taps of a hole, one step each, in the order used. */
export function tapSteps(t: Tapping): Step[] {
  const { way, thread } = t;
  const flatten = t.flat ? [flattenFloor()] : [];
  const taps = way.each.map((use, i) => {
    const { tap } = use;
    const place = i + 1;
    return handStep({
      key: `tap-${place}`,
      kind: 'tap',
      order: phrase(
        tap.owned
          ? 'Tap {thread}: {tap}, {threads} chamfer threads.'
          : 'Tap {thread}: {tap}, {threads} chamfer threads (to buy).',
        {
          thread: thread.designation + (t.leftHand ? ' LH' : ''),
          tap: tap.name,
          threads: tap.chamferThreads,
        },
      ),
      details: [...tapDetails(t, place), ...speedDetail(driveOf(t))],
      seconds: way.secondsAll / t.holes / way.taps.length,
      purpose: 'tap',
      cautions: [
        ...(use === way.worst ? way.cautions : []),
        ...(place === 1 && isTapered(thread) ? [TAPER] : []),
        ...reachCautions(t, use),
      ],
      tap: { tap, thread, place, of: way.taps.length, drive: driveOf(t) },
    });
  });
  return [...flatten, ...(t.trial && way.rpm !== undefined ? [airTrial(way.label)] : []), ...taps];
}

/** Key of a trial in air. */
export const TRIAL_KEY = 'trial';

const airTrial = (way: string): Step =>
  handStep({
    key: TRIAL_KEY,
    kind: 'note',
    order: phrase('Try it in air above the part: run down, off, reverse, and watch where it stands.'),
    details: [phrase('{way}. Then once in scrap, where the machine or the tap is new to you.', { way })],
    seconds: 60,
    purpose: 'try it in air',
  });

const flattenFloor = (): Step =>
  handStep({
    key: 'flatten',
    kind: 'note',
    order: phrase('Flatten the floor with a flat-bottomed drill of the same size, no deeper than the stop.'),
    seconds: 40,
    purpose: 'flatten the floor',
  });

/** An old thread to keep: gauged, chased only where the gauge asks for it, never tapped anew. */
export function oldThreadSteps(thread: Thread, check: Phrase): Step[] {
  return [
    handStep({
      key: 'clean',
      kind: 'note',
      order: phrase('Clean the old thread: brush out rust, paint and chips, and oil it.'),
      seconds: 60,
      purpose: 'clean the thread',
    }),
    handStep({
      key: 'check',
      kind: 'check',
      order: check,
      seconds: gaugingSeconds(CHECKS.thread),
      purpose: 'clean and gauge',
    }),
    handStep({
      key: 'chase',
      kind: 'chase',
      order: phrase('Only if the gauge binds: chase {thread} by hand with a plug tap, then gauge again.', {
        thread: thread.designation,
      }),
      details: [
        phrase('Turn the tap backwards first until it drops into the old thread, then forward with two fingers.'),
        phrase('Stop where it starts to cut full metal: that is a new thread across the old one.'),
      ],
      seconds: 0,
      purpose: 'chase if needed',
      cautions: [
        caution('note', 'old-thread', 'A power drive cuts a new thread across the old one: chase by hand only.'),
      ],
    }),
  ];
}
