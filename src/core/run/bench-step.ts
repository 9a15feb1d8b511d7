import type { RunStep } from '../route/run-steps';
import type { FaceId } from '../layout/part';
import type { HoleAt } from './bench-record';

/** A step of the route, or one that has to be done once more. */
export interface BenchStep extends RunStep {
  /** Why it is done once more. */
  again?: string;
  /** A line that is scribed across the face: before its crossings are punched. */
  line?: ScribedLine;
  /** Its crossing is scribed by then: it is only punched. */
  isScribed?: true;
}

/** A line of the layout. */
export interface ScribedLine {
  face: FaceId;
  axis: 'x' | 'y';
  /** As the height gauge is set, mm. */
  mm: number;
  onFaceMm: number;
  /** From where it counts: said with the first line of each side. */
  from: string;
  isFirst: boolean;
  serves: string;
  /** Its name in the records. */
  tick: string;
}

/** The hole that a step works on; undefined for a clamping and for what is done to the whole part. */
export const stepHole = ({ item, part }: RunStep): HoleAt | undefined =>
  item && item.featureId !== '' ? { featureId: item.featureId, holeNumber: item.hole, part } : undefined;

/** A step that a record asks for once more. */
export const onceMore = (step: RunStep, recordId: string, why: string): BenchStep => ({
  ...step,
  key: `${step.key}~${recordId}`,
  again: why,
  newTool: true,
  newSpeed: step.item?.rpm !== undefined,
});
