import type { Answer } from '../answer/answer';
import { planned } from '../tests/bench-shop';
import { tapShop } from '../tests/bench-taps';
import { fromShown, show, type Display } from '../units/show';

/** Every figure with a working that a plan holds, however deep. */
function answersIn(value: unknown, seen = new Set<unknown>()): Answer[] {
  if (typeof value !== 'object' || value === null || seen.has(value)) return [];
  seen.add(value);
  const own = 'working' in value ? [value as Answer] : [];
  return [...own, ...Object.values(value).flatMap((v) => answersIn(v, seen))];
}

const FORMS: Parameters<typeof planned>[0][] = [
  { callout: 'M8 x 16 DEEP', thickness: '40' },
  { callout: 'M10 THRU CBORE ø18 x 4', thickness: '20', machine: 'mill', way: 'reversing-spindle' },
  { callout: 'ø8 H7 REAM THRU', thickness: '20' },
  { callout: '1/4-20 UNC x 1/2 DEEP', thickness: '1 in', material: 'stainless-austenitic', machine: 'lathe' },
  { callout: 'M5 x 8 DEEP', thickness: '20', material: 'aluminium-wrought-6000', tap: 'form' },
  { callout: 'M10 x 30 OUTSIDE', machine: 'lathe' },
  { callout: '1/8 NPT', thickness: '20' },
];

// Who works a figure out again from what stands there has to come to it: nothing is rounded by more than a twentieth.
test.each(['mm', 'inch'] as const)('what goes into a figure reads as what it is, in %s', (display: Display) => {
  const far = new Set<string>();
  for (const form of FORMS)
    for (const { working } of answersIn(planned(form, { at: tapShop() })))
      for (const { label, quantity: q } of working.inputs) {
        if (typeof q === 'string' || !Number.isFinite(q.value) || q.unit === 'turns') continue;
        const shown = fromShown(Number(show(q, display).number), q.unit, display);
        // Nobody reads a length closer than half a thousandth of a millimetre, or half a tenth of a thousandth of an inch.
        const least = q.unit === 'mm' ? (display === 'mm' ? 0.0005 : 0.00127) : 1e-9;
        if (Math.abs(shown - q.value) > 0.05 * Math.abs(q.value) + least)
          far.add(`${working.rule}, ${label}: ${q.value} ${q.unit} reads ${show(q, display).number}`);
      }
  expect([...far]).toEqual([]);
});
