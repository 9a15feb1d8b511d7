import { caution, depth, phrase, quantity, type Caution } from '../answer/answer';
import { tapReach } from '../tapping/tap-reach';
import type { Tap } from '../tapping/tap';
import type { TappingWay } from '../tapping/ways-of-tapping';
import { isTapered, type Thread } from '../threads/thread';
import { byHandwork } from './make-operation';
import type { Operation } from './operation';

/** What the taps of a hole follow from. Lengths in mm. */
export interface Tapping {
  thread: Thread;
  way: TappingWay;
  /** Where the thread begins and how long it is. */
  fromMm: number;
  lengthMm: number;
  /** Holes in all parts. */
  holes: number;
}

/** A tap goes as deep as the thread and its own chamfer: a usual one may not reach. */
function reachCautions({ thread, fromMm, lengthMm }: Tapping, tap: Tap): Caution[] {
  if (isTapered(thread)) return [];
  const deep = fromMm + lengthMm + tap.chamferThreads * thread.pitchMm;
  const reach = tapReach(thread).value;
  if (deep <= reach) return [];
  return [
    caution(
      'warn',
      'tap-reach',
      'This tap has to go {deep} below the face; one of the usual length reaches about {reach}. You need a long-shank tap, or open the thread from the face to clearance.',
      { deep: depth(deep), reach: depth(reach) },
    ),
  ];
}

const TAPER = caution(
  'note',
  'taper',
  'A tapered thread has no percentage, class limits or torque estimate here; ream with a taper reamer for an easier cut, and tap until the gauge sits flush.',
);

function tapDetails({ thread, way }: Tapping, place: number): Operation['details'] {
  if (place > 1) return [phrase('To the bottom, counting the turns.')];
  const turns = quantity(way.turns.value, 'turns');
  return [
    phrase('{way}. {wrench}', { way: way.label, wrench: way.wrench.text }),
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

/** The taps of a hole, one operation each, in the order used. */
export function tapOperations(t: Tapping): Operation[] {
  const { way, thread } = t;
  return way.taps.map((tap, i): Operation => {
    const place = i + 1;
    const op = byHandwork({
      key: `tap-${place}`,
      code: 'tap',
      order: phrase('Tap {thread}: {tap}, {threads} chamfer threads.', {
        thread: thread.designation,
        tap: tap.name,
        threads: tap.chamferThreads,
      }),
      details: tapDetails(t, place),
      seconds: way.secondsAll / t.holes / way.taps.length,
      what: 'tap',
      cautions: [
        ...(place === 1 ? way.cautions : []),
        ...(place === 1 && isTapered(thread) ? [TAPER] : []),
        ...reachCautions(t, tap),
      ],
    });
    return { ...op, tap: { tap, thread, place, of: way.taps.length } };
  });
}

/** An old thread to keep: gauged, chased only where the gauge asks for it, never tapped anew. */
export function oldThreadOperations(thread: Thread, check: Operation['order']): Operation[] {
  return [
    byHandwork({
      key: 'clean',
      code: 'note',
      order: phrase('Clean the old thread: brush out rust, paint and chips, and oil it.'),
      seconds: 60,
      what: 'clean the thread',
    }),
    byHandwork({ key: 'check', code: 'check', order: check, seconds: 25, what: 'clean and gauge' }),
    {
      ...byHandwork({
        key: 'chase',
        code: 'chase',
        order: phrase('Only where the gauge binds: chase {thread} by hand with a plug tap, then gauge again.', {
          thread: thread.designation,
        }),
        details: [
          phrase('Turn the tap backwards first until it drops into the old thread, then forward with two fingers.'),
          phrase('Stop where it starts to cut full metal: that is a new thread across the old one.'),
        ],
        seconds: 0,
        what: 'chase, where it is needed at all',
        cautions: [
          caution('note', 'old-thread', 'A power drive cuts a new thread across the old one: chase by hand only.'),
        ],
      }),
    },
  ];
}
