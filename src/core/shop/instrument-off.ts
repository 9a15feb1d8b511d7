import type { Phrase } from '../answer/answer';
import { checkOfTool, type Tool } from './tool';

/** What the crib knows against an instrument, by its name or the name that it sends: that it is off, and by how much. */
export function instrumentOff(tools: readonly Tool[] | undefined, name: string): Phrase | undefined {
  const tool = tools?.find(
    (t) =>
      t.kind === 'measuring' && (t.instrument === name || t.name.toLowerCase().replace(/[^a-z0-9]+/g, '-') === name),
  );
  const check = tool && checkOfTool(tool);
  return check?.off ? check.said : undefined;
}
