'use client';

import type { ReactNode } from 'react';
import type { Drill } from '@/core/drills/drill';
import type { HolePlan } from '@/core/hole/hole-plan';
import type { Display } from '@/core/units/show';

interface BlockProps {
  label: string;
  figure: ReactNode;
  beside?: ReactNode;
  children?: ReactNode;
  className?: string;
}

/** One of the answers, at the drawing: what it is, its figure, and what stands behind it. */
export function Block({ label, figure, beside, children, className }: BlockProps) {
  return (
    <div className={`min-w-0 ${className ?? ''}`}>
      <h2 className="font-cond text-lg font-semibold text-dye-200">{label}</h2>
      <div className="flex flex-wrap items-baseline gap-x-3 font-cond text-[34px] leading-10 font-semibold text-[#f0cd80]">
        {figure}
        <span className="text-lg font-medium text-scribe">{beside}</span>
      </div>
      <div className="text-[15px] leading-snug text-[#d5def7]">{children}</div>
    </div>
  );
}

export interface PanelActions {
  onPick: (drill: string) => void;
  /** Undefined where the drills are not the crib's. */
  onMissing?: (drill: Drill) => void;
  onProposed?: () => void;
}

export interface ToolProps {
  plan: HolePlan;
  display: Display;
  actions: PanelActions;
}

/** What can be done with the drill of an answer. */
export function DrillKeys({ drill, owned, actions }: { drill: Drill; owned: boolean; actions: PanelActions }) {
  const { onMissing, onProposed } = actions;
  return (
    <span className="mt-1 flex flex-wrap gap-x-4">
      {onMissing && owned && (
        <button type="button" className="dye-link" onClick={() => onMissing(drill)}>
          I don’t have this drill
        </button>
      )}
      {onProposed && (
        <button type="button" className="dye-link" onClick={onProposed}>
          Back to the proposed drill
        </button>
      )}
    </span>
  );
}
