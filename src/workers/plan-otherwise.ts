import { plannerFor } from '../core/job/plan-in-job';
import { alternatives, type Alternative, type PlannedJob } from '../core/rehearsal/alternatives';

export interface OtherwiseRequest extends PlannedJob {
  letters: string[];
}
export type OtherwiseMessage = { alternatives: Alternative[] } | { fault: string };

self.onmessage = ({ data: { letters, ...planned } }: MessageEvent<OtherwiseRequest>): void => {
  const say = (message: OtherwiseMessage): void => self.postMessage(message);
  try {
    say({ alternatives: alternatives(planned, plannerFor(planned.shop), letters) });
  } catch (error) {
    say({ fault: error instanceof Error ? error.message : String(error) });
  }
};
