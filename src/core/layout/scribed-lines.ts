import { countLaid, nothingLaid } from './laid-progress';

/** A tick set at a line of a layout sheet, or taken off. */
export interface LineTick {
  body: { line: string; ticked: boolean };
}

/** The lines that are ticked after everything that happened, in its order. */
export function scribedLines(ticks: readonly LineTick[]): ReadonlySet<string> {
  const laid = nothingLaid();
  for (const { body } of ticks) countLaid(laid, { kind: 'layout-tick', body });
  return laid.lines;
}
