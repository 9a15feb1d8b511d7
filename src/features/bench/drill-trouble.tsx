import { quantity } from '@/core/answer/answer';
import { adviseFromChips, type ChipSign } from '@/core/cutting/chips-adviser';
import type { HolePlan } from '@/core/hole/hole-plan';
import type { Operation } from '@/core/operation/operation';
import type { RemedyChange, RemedyScope } from '@/core/run/bench-record';
import { showText, tell, type Display } from '@/core/units/show';
import { RemedyKeys } from './remedy-keys';

interface Props {
  sign: ChipSign;
  plan: HolePlan;
  opKey: string;
  cut: NonNullable<Operation['cut']>;
  display: Display;
  onSaid: () => void;
  onRemedy: (label: string, change: RemedyChange, scope: RemedyScope) => void;
  onClose: () => void;
}

/** What a drill shows: the reason, what to do about it now, and what to change of speed and feed. */
export function DrillTrouble({ sign, plan, opKey, cut, display, onSaid, onRemedy, onClose }: Props) {
  const rpm = cut.speed.ok ? cut.speed.value.rpm : cut.ideal.value;
  const advice = adviseFromChips(
    sign,
    { rpm, feed: cut.feed.value, idealRpm: cut.ideal.value },
    plan.material,
    plan.machine,
  );
  const over = {
    ...(advice.speed.ok && advice.moved.speed !== 0 ? { rpm: advice.speed.value.rpm } : {}),
    ...(advice.moved.feed !== 0 ? { feed: Number(advice.feed.toFixed(3)) } : {}),
  };
  const label = [
    over.rpm === undefined ? '' : showText(quantity(over.rpm, 'rpm'), display),
    over.feed === undefined ? '' : `feed ${showText(quantity(over.feed, 'mm/rev'), display)}`,
  ].filter(Boolean);
  const reason = tell(advice.reason, display);
  return (
    <div className="text-[24px] leading-snug max-sm:text-[20px]">
      <p className="font-bold">{reason}</p>
      <p>{tell(advice.look, display)}</p>
      {label.length > 0 && (
        <RemedyKeys
          label={label.join(', ')}
          onApply={(scope) => {
            onSaid();
            onRemedy(reason, { overrides: { [opKey]: over } }, scope);
          }}
        />
      )}
      <button
        type="button"
        className="bench-key mt-2"
        onClick={() => {
          onSaid();
          onClose();
        }}
      >
        Record it, go on
      </button>
    </div>
  );
}
