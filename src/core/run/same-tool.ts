import { KINDS } from '../operation/kinds';
import type { Route } from '../route/route';

/** Features that share a tool which gives them their size, by feature: a drill, a reamer, a tap. */
export function featuresByTool({ setUps }: Pick<Route, 'setUps'>): Map<string, Set<string>> {
  const byTool = new Map<string, Set<string>>();
  for (const { visits } of setUps)
    for (const { items } of visits)
      for (const { code, tool, featureId } of items) {
        if (code === 'cut-between' || !['bore', 'size', 'thread'].includes(KINDS[code].removes)) continue;
        byTool.set(tool, (byTool.get(tool) ?? new Set()).add(featureId));
      }
  const found = new Map<string, Set<string>>();
  for (const features of byTool.values())
    for (const id of features) found.set(id, new Set([...(found.get(id) ?? []), ...features]));
  return found;
}
