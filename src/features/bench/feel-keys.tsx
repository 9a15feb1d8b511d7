import { TAP_FEELS } from '@/core/run/bench-record';
import type { HolePlan } from '@/core/hole/hole-plan';
import type { Operation } from '@/core/operation/operation';
import { WAY_FACTS } from '@/core/tapping/ways';
import type { Told } from './use-step-in-view';

/** Revolutions that a spindle is counted to run on. */
const RAN_ON = [0.5, 1, 2, 3];

interface Props {
  plan: HolePlan;
  op: Operation;
  done: (told: Told) => void;
}

/** How the tap turned, or how far its spindle ran on: one touch says it and goes on. The big key goes on without. */
export function FeelKeys({ plan, op, done }: Props) {
  const rpm = op.tap?.drive?.rpm;
  const best = plan.thread?.tapping.best;
  if (!best) return null;
  const keys: [string, Told][] =
    rpm === undefined || WAY_FACTS[best.id].byHand
      ? TAP_FEELS.map((feel) => [feel, { feel }])
      : RAN_ON.map((revolutions) => [
          `${revolutions} ${revolutions === 1 ? 'turn' : 'turns'} on`,
          { coast: { revolutions, rpm } },
        ]);
  return (
    <div
      role="group"
      aria-label={rpm === undefined ? 'Done, it felt' : 'Done, it ran on'}
      className="flex gap-2 max-sm:order-first max-sm:w-full"
    >
      {keys.map(([name, told]) => (
        <button
          key={name}
          type="button"
          className="bench-key min-w-16 px-2 max-sm:flex-1 sm:min-h-[84px]"
          onClick={() => done(told)}
        >
          {name}
        </button>
      ))}
    </div>
  );
}
