import type { ChipSign } from '@/core/cutting/chips-adviser';

const BRIGHT = '#dfe6fb';
const BLUE = '#5b7fd6';
/** A curl of chip as it comes up a flute. */
const CURL = 'M0 0c9 -3 13 -12 6 -17c-8 -5 -16 3 -10 10c5 6 16 3 20 -5';

/** What the chips look like: two even curls, needles, long strings, blue. */
export function Chips({ sign, x, y }: { sign: ChipSign | undefined; x: number; y: number }) {
  if (!sign || sign === 'rubs') return null;
  if (sign === 'needles')
    return (
      <g stroke={BRIGHT} strokeWidth="1.6" aria-hidden>
        {Array.from({ length: 12 }, (_, i) => (
          <path key={i} d={`M${x - 60 + i * 11} ${y - 4 - ((i * 7) % 11)}l${i % 2 === 0 ? 5 : -4} ${-3 - (i % 3)}`} />
        ))}
      </g>
    );
  if (sign === 'strings')
    return (
      <path
        d={`M${x - 8} ${y}c-70 -14 -20 -46 20 -26s70 -16 26 -26s-80 20 -30 34s84 -6 74 -30`}
        fill="none"
        stroke={BRIGHT}
        strokeWidth="2.4"
        aria-hidden
      />
    );
  return (
    <g fill="none" stroke={sign === 'blue' ? BLUE : BRIGHT} strokeWidth="3" aria-hidden>
      <path d={CURL} transform={`translate(${x - 46} ${y})`} />
      <path d={CURL} transform={`translate(${x + 46} ${y}) scale(-1 1)`} />
    </g>
  );
}
