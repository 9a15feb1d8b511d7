/** Characters that nothing typed holds and no column keeps whole: all controls but the tab and the ends of lines. */
// eslint-disable-next-line no-control-regex
export const CONTROL = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u009f]/;
const CONTROLS = new RegExp(CONTROL, 'g');

/** Text as it is kept: half of a pair becomes U+FFFD, and letters with marks are written the one way (NFC). */
export const repaired = (text: string): string => text.toWellFormed().normalize('NFC');

/** Text as it is kept, without what no field takes: for what is read from a file or an instrument, and shown before it is kept. */
export const cleaned = (text: string): string => repaired(text).replace(CONTROLS, '');

const INHERITED = new Set(Object.getOwnPropertyNames(Object.prototype));
/** Whether a text may name a row or a field: what every object has by itself would find that instead. */
export const isName = (text: string): boolean => !INHERITED.has(text);
