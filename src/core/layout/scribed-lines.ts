/** A tick set at a line of a layout sheet, or taken off. */
export interface LineTick {
  body: { line: string; ticked: boolean };
}

/** The lines that are ticked after everything that happened, in its order. */
export function scribedLines(ticks: readonly LineTick[]): ReadonlySet<string> {
  const lines = new Set<string>();
  for (const { body } of ticks)
    if (body.ticked) lines.add(body.line);
    else lines.delete(body.line);
  return lines;
}
