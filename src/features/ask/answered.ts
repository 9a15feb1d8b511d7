import type { Problem } from '@/core/answer/answer';
import type { AskForm } from '@/core/hole/form';
import type { HolePlan } from '@/core/hole/hole-plan';
import type { SpokenQuestion } from '@/core/hole/spoken-question';

export interface Asked {
  plan?: HolePlan;
  /** By field of the question; empty when the question stands. */
  problems: Problem[];
  /** A worked sample hole is shown, as nothing is asked yet. */
  sample?: boolean;
}

export interface Heard {
  said: SpokenQuestion;
  /** What the question becomes. */
  part: Partial<AskForm>;
}

/** What a question comes to. */
export interface Answered {
  /** The callout that it is of, as it was typed. */
  of: string;
  heard?: Heard;
  asked: Asked;
}
