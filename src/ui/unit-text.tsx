import type { Phrase, Quantity } from '@/core/answer/answer';
import { exactFraction, show, tell, type Display } from '@/core/units/show';

/** A quantity with its unit; in inch display an exact fraction stands beside the decimal. */
export function Figure({
  quantity,
  display,
  fraction = false,
}: {
  quantity: Quantity;
  display: Display;
  fraction?: boolean;
}) {
  const { number, unit } = show(quantity, display);
  const exact = fraction && display === 'inch' && quantity.unit === 'mm' ? exactFraction(quantity.value) : undefined;
  return (
    <span className="whitespace-nowrap">
      {number}
      {unit === '°' ? '°' : unit && <span className="ml-[0.2em] text-[0.72em] font-normal">{unit}</span>}
      {exact && <span className="ml-1 text-[0.72em] font-normal">({exact})</span>}
    </span>
  );
}

/** A sentence of the core in the reader's units. */
export function Said({ phrase, display }: { phrase: Phrase; display: Display }) {
  return <>{tell(phrase, display)}</>;
}
