import type { Quantity } from '@/core/answer/answer';
import { show, type Display } from '@/core/units/show';

/** A quantity with its unit small beside it. */
export function Figure({ quantity, display }: { quantity: Quantity; display: Display }) {
  const { number, unit } = show(quantity, display);
  return (
    <span className="whitespace-nowrap">
      {number}
      {unit === '°' ? '°' : unit && <span className="ml-[0.2em] text-[0.72em] font-normal">{unit}</span>}
    </span>
  );
}
