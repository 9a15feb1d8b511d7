import type { Phrase } from '../answer/answer';
import { checkOfTool, type Tool } from './tool';

/** The instrument of the crib that a reading names: by its name, the name that it sends, or what it measures as. */
export const toolNamed = (tools: readonly Tool[] | undefined, name: string): Tool | undefined =>
  tools?.find(
    (t) => t.name === name || t.instrument === name || t.name.toLowerCase().replace(/[^a-z0-9]+/g, '-') === name,
  );

/** What the crib knows against an instrument, by its name or the name that it sends: that it is off, and by how much. */
export function instrumentOff(tools: readonly Tool[] | undefined, name: string): Phrase | undefined {
  const tool = toolNamed(tools, name);
  const check = tool?.kind === 'measuring' ? checkOfTool(tool) : undefined;
  return check?.off ? check.said : undefined;
}
