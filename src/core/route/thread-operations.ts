import { mm, phrase, quantity } from '../answer/answer';
import type { HolePlan } from '../ask/hole-plan';
import type { FeatureContext } from './feature-context';
import { holeOperations } from './hole-operations';
import { handTime } from './make-operation';
import { finishing } from './plain-operations';
import type { Operation } from './operation';

function tapOperations({ thread, tapping }: Omit<HolePlan, 'steps'>, holes: number): Operation[] {
  const way = tapping.best;
  return way.taps.map((tap, i): Operation => ({
    key: `tap-${i + 1}`,
    code: 'tap',
    order: phrase('Tap {thread}: {tap}, {threads} chamfer threads.', {
      thread: thread.designation,
      tap: tap.name,
      threads: tap.chamferThreads,
    }),
    details:
      i > 0
        ? [phrase('To the bottom, counting the turns.')]
        : [
            phrase('{way}. {wrench}', { way: way.label, wrench: way.wrench.text }),
            way.biteTurns > 0
              ? phrase('{bite} forward, back until the chip snaps; {turns} in all.', {
                  bite: quantity(way.biteTurns, 'turns'),
                  turns: quantity(way.turns.value, 'turns'),
                })
              : phrase('{turns} in all, without reversing.', { turns: quantity(way.turns.value, 'turns') }),
          ],
    time: handTime(way.secondsAll / holes / way.taps.length, 'tap'),
    cautions: [],
  }));
}

/** The operations of a tapped hole from layout to gauge. */
export function threadOperations(plan: Omit<HolePlan, 'steps'>, ctx: FeatureContext, holes: number): Operation[] {
  const { limits } = plan;
  return [
    ...holeOperations(ctx),
    ...tapOperations(plan, holes),
    ...finishing(
      ctx,
      limits
        ? phrase(
            'Clean, then check: go gauge the full length, not-go at most {notGo} turns; minor diameter {min} to {max} with pins.',
            {
              notGo: ctx.habits.notGoTurns,
              min: mm(limits.minorMinMm),
              max: mm(limits.minorMaxMm),
            },
          )
        : phrase('Clean, then check with the plug gauge: flush within one turn.'),
    ),
  ];
}
