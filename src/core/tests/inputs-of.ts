import type { Answer } from '../answer/answer';

/** What went into a figure, in one line: "drill 10 mm, point angle 118 deg". Numbers to four places. */
export const inputsOf = (a: Answer): string =>
  a.working.inputs
    .map(({ label, quantity: q }) => `${label} ${typeof q === 'string' ? q : `${+q.value.toFixed(4)} ${q.unit}`}`)
    .join(', ');
