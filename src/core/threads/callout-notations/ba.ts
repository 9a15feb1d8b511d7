import { sticky, type CalloutCursor } from '../callout-cursor';
import { threadBySize } from '../find-thread';

const BA = sticky(String.raw`(?:no\.?\s*)?(\d{1,2})\s*-?\s*ba\b|ba\s*(\d{1,2})\b`);

/** `2 BA`, `BA 2`, `No. 2 BA`. */
export function readBa(c: CalloutCursor): boolean {
  const match = c.take(BA);
  if (!match) return false;
  const thread = threadBySize('BA', match[1] ?? match[2]);
  if (!thread)
    return c.stop('size', match, 'That is not a BA size.', 'BA sizes 0 to 16 are known.', {}, [
      '0 BA',
      '2 BA',
      '16 BA',
    ]);
  return c.addThread(thread, match);
}
