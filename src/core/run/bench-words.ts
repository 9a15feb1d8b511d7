import { mm, phrase, type Phrase } from '../answer/answer';
import { drillName } from '../drills/drill';
import { KINDS } from '../operation/kinds';
import type { Operation } from '../operation/operation';
import type { WorkItem } from '../route/work-item';

/** What an operation is called within a sentence. */
export const verbOf = (code: WorkItem['code']): string =>
  code === 'cut-between' ? 'cut' : KINDS[code].verb.toLowerCase();

/** What is done, in as few words as can be read from across the shop: Drill 8.5 mm, Tap M10. */
export function headline(item: WorkItem, op: Operation | undefined): Phrase {
  if (item.code === 'cut-between') return item.order;
  const { verb } = KINDS[item.code];
  if (item.code === 'start') return phrase('{verb}', { verb });
  const drill = op?.cut?.spec.drill;
  if (drill) return phrase('{verb} {name}', { verb, name: drillName(drill) });
  if (op?.cut) return phrase('{verb} {size}', { verb, size: mm(op.cut.spec.diameterMm) });
  if (op?.tap) return phrase('{verb} {thread}', { verb, thread: op.tap.thread.designation });
  return phrase('{verb}', { verb });
}

/** Where the tool of an operation lies; undefined where the crib does not say. */
export const whereOf = (op: Operation | undefined): string | undefined =>
  op?.cut?.spec.tool.tool?.where ||
  op?.cut?.spec.drill?.where ||
  (op?.tap && 'where' in op.tap.tap ? String(op.tap.tap.where) : '') ||
  undefined;
