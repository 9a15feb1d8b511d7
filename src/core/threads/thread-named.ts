import { readCallout } from './read-callout';
import type { Thread } from './thread';

/** The thread that a text names as on a drawing, `M8`, `1/4-20`, `2 BA`; undefined where it names none, or more than one. */
export function threadNamed(text: string): Thread | undefined {
  const read = readCallout(text);
  if (!read.ok || read.value.features.length !== 1) return undefined;
  const [feature] = read.value.features;
  return feature.kind === 'thread' ? feature.thread : undefined;
}
