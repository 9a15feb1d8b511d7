import type { HolePlan } from '../hole/hole-plan';
import { isToolUsable, type Tool } from '../shop/tool';
import type { CheckKind } from './checks-of';
import { threadGaugeFor } from '../shop/thread-gauge-for';

/** The set of pins that spans a size, mm; none for a size that is not known. */
const pinsFor = (tools: readonly Tool[], sizeMm = Infinity): Tool | undefined =>
  tools.find(
    (t) => t.kind === 'gauge-pin' && (t.smallMm ?? 0) <= sizeMm && (t.diameterMm ?? 0) >= sizeMm && isToolUsable(t),
  );

/** What of the crib gauges this, where nothing else was named; undefined where the crib has nothing for it. */
export function instrumentFor(tools: readonly Tool[], kind: CheckKind, plan: HolePlan): Tool | undefined {
  if (kind === 'go' || kind === 'not-go') return plan.thread && threadGaugeFor(tools, plan.thread.thread);
  if (kind === 'minor') return pinsFor(tools, plan.thread?.limits?.minorMinMm);
  if (kind === 'size') return pinsFor(tools, plan.hole.bores[0]?.feature.diameterMm);
  return kind === 'depth' ? tools.find((t) => t.instrument === 'depth-gauge' && isToolUsable(t)) : undefined;
}

/** An instrument as a sheet names it: Plug gauge M6 6H, no. 14, checked 2026-10-02. */
export const instrumentName = ({ name, number, checkedOn }: Pick<Tool, 'name' | 'number' | 'checkedOn'>): string =>
  [name, ...(number ? [`no. ${number}`] : []), ...(checkedOn ? [`checked ${checkedOn}`] : [])].join(', ');
