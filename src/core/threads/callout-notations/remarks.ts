import { MEASURE, SIZE, sticky, type CalloutCursor } from '../callout-cursor';

const THREADS_DEEP = sticky(String.raw`(?:x\s*)?(\d{1,2})\s*(?:full\s+)?(?:threads|thds)\b(?:\s*deep)?`);
const TOLERANCE = sticky(String.raw`(?:±|\+\s*\/?\s*-|\+)\s*${MEASURE}(?:\s*\/?\s*-\s*${MEASURE})?`);
const CIRCLE = sticky(
  String.raw`(?:on\s+(?:an?\s+)?)?(?:ø?\s*${MEASURE}\s*)?(?:b\.?\s?c\.?\b|bcd\b|pcd\b|bolt\s+circle)\.?(?:\s*ø?\s*${MEASURE})?`,
);
const BOTH = sticky(String.raw`(?:in\s+|on\s+|at\s+)?both\s+(ends|walls|sides|faces)\b`);
const PLATED = sticky(String.raw`(?:before|after|prior\s+to)?\s*plat(?:ed|e|ing)\b`);
const OTHER_INCH = sticky(
  String.raw`(?:${SIZE})\s*(?:"|in\b)?\s*-\s*\d{1,2}\s*-?\s*(acme|stub\s+acme|buttress|unj[cf]?)`,
);

/** Threads of forms that have no figures here, and what to do about each. */
const OTHERS: readonly [RegExp, name: string, remedy: string][] = [
  [/acme/, 'Acme thread', 'Single-point it, or use its own set of taps, to the limits on the drawing.'],
  [/buttress/, 'Buttress thread', 'Single-point it to the limits on the drawing.'],
  [/unj/, 'UNJ thread', 'Its minor diameter is larger than of UN: drill and pin it to the limits on the drawing.'],
];

/** What a drawing says besides sizes and depths: taken note of, or refused by its name. */
export function readRemark(c: CalloutCursor): boolean {
  const other = c.take(OTHER_INCH);
  if (other) {
    const [, name, remedy] = OTHERS.find(([form]) => form.test(other[1])) ?? OTHERS[0];
    return c.stop('form-unknown', other, `${name} has no figures here.`, remedy);
  }
  const feature = c.last();
  if (!feature) return false;
  const counted = feature.kind === 'thread' && feature.extent === undefined ? c.take(THREADS_DEEP) : undefined;
  if (counted && feature.kind === 'thread') {
    feature.extent = { kind: 'depth', mm: Number(counted[1]) * feature.thread.pitchMm };
    c.note('{count} threads are {deep} deep.', {
      count: Number(counted[1]),
      deep: { value: feature.extent.mm, unit: 'mm', places: 1 },
    });
    return true;
  }
  const tolerance = feature.kind === 'thread' ? undefined : c.take(TOLERANCE);
  if (tolerance) {
    c.note('The tolerance {typed} is not planned for: measure it against the drawing.', { typed: tolerance[0].trim() });
    return true;
  }
  if (c.take(CIRCLE)) {
    c.note('The bolt circle is laid out on the plate: give the feature a circle there.');
    return true;
  }
  const both = c.take(BOTH);
  if (both) {
    c.note(`On both ${both[1]}: this is one of them; give the other a feature of its own.`);
    return true;
  }
  if (c.take(PLATED)) {
    c.note(
      'Plated: the hole and thread are made larger first, to the limits on the drawing; those here are without plating.',
    );
    return true;
  }
  return false;
}
