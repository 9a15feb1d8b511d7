import { quantity, type Answer, type Source } from '../answer/answer';
import type { CutFamily } from './operation';

/** Speed and feed of a tool as shares of those of a drill of its diameter. */
interface AgainstDrill {
  speed: number;
  feed: number;
  /** What the factor is called in a working, and what it stands for. */
  name: string;
  label: string;
  source: Source;
}

const OURS: Source = { kind: 'model', name: 'our judgement for this tool' };
const REAMING: Source = { kind: 'trade rule', name: 'reaming at half the speed and twice the feed' };

const AGAINST_DRILL: Record<Exclude<CutFamily, 'drill'>, AgainstDrill> = {
  centre: { speed: 0.8, feed: 0.4, name: 'centre drill', label: 'centre drill, slender tip', source: OURS },
  spot: { speed: 0.8, feed: 0.5, name: 'spot drill', label: 'spot drill, full width at once', source: OURS },
  step: { speed: 0.6, feed: 0.5, name: 'step drill', label: 'step drill, its widest step', source: OURS },
  annular: { speed: 0.7, feed: 0.35, name: 'annular cutter', label: 'annular cutter', source: OURS },
  saw: { speed: 0.4, feed: 0.25, name: 'hole saw', label: 'hole saw', source: OURS },
  ream: { speed: 0.5, feed: 2, name: 'reaming', label: 'reaming: half the speed, twice the feed', source: REAMING },
  counterbore: { speed: 0.4, feed: 0.5, name: 'counterbore', label: 'counterbore, wide cut', source: OURS },
  countersink: { speed: 0.35, feed: 0.6, name: 'countersink', label: 'countersink, wide cut', source: OURS },
};

/** A figure of a drill (speed or feed) as it is for a tool of this family; a drill's own is returned as it is. */
export function forTool(of: Answer, family: CutFamily, what: 'speed' | 'feed'): Answer {
  if (family === 'drill') return of;
  const { name, label, source, [what]: share } = AGAINST_DRILL[family];
  return {
    ...of,
    value: of.value * share,
    working: {
      ...of.working,
      formula: `${of.working.formula} × ${name}`,
      inputs: [...of.working.inputs, { label, quantity: quantity(share, 'ratio') }],
      source,
    },
  };
}
