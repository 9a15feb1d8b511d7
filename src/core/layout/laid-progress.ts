/** What is recorded of the layout of a part: a tick at a line of a sheet, or a mark at a hole. */
export type LaidRecord =
  | { kind: 'layout-tick'; body: { line: string; ticked: boolean } }
  | { kind: 'punch-mark'; featureId: string; holeNumber: number; body: { withdrawn?: true } };

/** What is scribed and punched so far. */
export interface LaidProgress {
  lines: Set<string>;
  holes: Set<string>;
}

export const nothingLaid = (): LaidProgress => ({ lines: new Set(), holes: new Set() });

/** Counts one more record, the next in the order in which they happened: the last of a line or a hole is what stands. */
export function countLaid({ lines, holes }: LaidProgress, record: LaidRecord): void {
  if (record.kind === 'layout-tick') {
    if (record.body.ticked) lines.add(record.body.line);
    else lines.delete(record.body.line);
    return;
  }
  const hole = `${record.featureId} ${record.holeNumber}`;
  if (record.body.withdrawn) holes.delete(hole);
  else holes.add(hole);
}
