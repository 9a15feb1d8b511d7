'use client';

import { useState } from 'react';
import type { JobChange } from '@/core/rehearsal/alternatives';
import type { Proposal } from '@/core/rehearsal/proposals';
import type { JobInHand } from '../../job-store/use-job';
import type { RouteSettings } from '@/contracts/route';

/** A change of the job that was made from a proposal, with the one that undoes it. */
export interface Taken {
  proposal: Pick<Proposal, 'id' | 'says'> & Partial<Omit<Proposal, 'id' | 'says' | 'change'>>;
  back: JobChange;
}

type Decide = (change: (settings: RouteSettings) => RouteSettings) => void;

/** Makes the changes that a rehearsal proposes, and undoes them. */
export function useTaken({ job, editLaid }: JobInHand, settings: RouteSettings, decide: Decide) {
  const [taken, setTaken] = useState<readonly Taken[]>([]);
  const make = (change: JobChange): void => {
    if (change.kind === 'question')
      editLaid((laid) => ({
        ...laid,
        holes: laid.holes.map((h) =>
          h.id === change.featureId ? { ...h, question: { ...h.question, ...change.set } } : h,
        ),
      }));
    else if (change.kind === 'first') decide((s) => ({ ...s, first: { ...s.first, [change.key]: change.first } }));
    else decide(({ spare: _, ...s }) => (change.blanks > 0 ? { ...s, spare: change.blanks } : s));
  };
  /** The change that brings back what there is now. */
  const backOf = (change: JobChange): JobChange => {
    if (change.kind === 'first') return { ...change, first: settings.first?.[change.key] ?? !change.first };
    if (change.kind === 'spare') return { kind: 'spare', blanks: settings.spare ?? 0 };
    const question = job.holes.find((h) => h.id === change.featureId)?.question;
    const before = Object.keys(change.set).map((field) => [field, question?.[field as keyof typeof question]]);
    return { ...change, set: Object.fromEntries(before) as (typeof change)['set'] };
  };
  return {
    taken,
    take: (proposal: Taken['proposal'] & { change: JobChange }): void => {
      setTaken((all) => [...all, { proposal, back: backOf(proposal.change) }]);
      make(proposal.change);
    },
    undo: (one: Taken): void => {
      setTaken((all) => all.filter((t) => t !== one));
      make(one.back);
    },
  };
}
