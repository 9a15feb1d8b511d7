import { readCallout } from '../threads/read-callout';
import { writeCallout } from '../threads/write-callout';
import type { LengthUnit } from '../units/length';
import type { Display } from '../units/show';
import type { AskForm } from './form';

const BARE = /^[\s+\d.,/-]+$/;
const LENGTHS = ['depth', 'thickness', 'width', 'existing', 'behind'] as const;

/** A callout whose bare lengths would mean another size in other units, with its units written. */
function explicit(callout: string, from: LengthUnit, to: LengthUnit): string {
  const [before, after] = [readCallout(callout, from), readCallout(callout, to)];
  if (!before.ok || (after.ok && isEqual(before.value.features, after.value.features))) return callout;
  return writeCallout(before.value);
}

const lengthUnit = (units: Display): LengthUnit => (units === 'inch' ? 'in' : 'mm');
const isEqual = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** The form in other units: bare lengths keep their meaning by getting the unit they were typed in. */
export function inUnits<F extends AskForm>(form: F, units: Display): F {
  if (units === form.units) return form;
  const callout = explicit(form.callout, lengthUnit(form.units), lengthUnit(units));
  const next: F = { ...form, callout, units };
  for (const field of LENGTHS)
    if (form[field].trim() !== '' && BARE.test(form[field]) && !form[field].includes('/'))
      next[field] = `${form[field].trim()} ${form.units === 'mm' ? 'mm' : 'in'}`;
  return next;
}
