import { threadNamed } from '@/core/threads/thread-named';
import { usualOwnTap } from '@/core/tapping/own-tap';
import type { TapRole } from '@/core/tapping/tap';
import type { taps } from '../schema';

type Row = typeof taps.$inferInsert;

/** A tap of usual figures. */
function tap(name: string, role: TapRole, more: Partial<Row> = {}): Row {
  const thread = threadNamed(name);
  if (!thread) throw new Error(`No thread “${name}”.`);
  const id = `tap-${thread.designation.toLowerCase().replace(/[^a-z0-9]+/g, '-')}-${role}`;
  return { ...usualOwnTap(id, thread, role), where: 'tap drawer', ...more };
}

const handSet = (name: string): Row[] => [tap(name, 'taper'), tap(name, 'plug'), tap(name, 'bottoming')];
const OF_THE_MILL: Partial<Row> = { where: 'mill drawer' };

const METRIC = ['M3', 'M4', 'M5', 'M6', 'M8', 'M10', 'M12'];
const INCH = ['1/4-20', '5/16-18', '3/8-16', '1/2-13'];
const BA = ['0 BA', '2 BA', '4 BA', '6 BA'];

/** Marks on single taps: worn, broken, so many holes done. */
const MARKS: Record<string, Partial<Row>> = {
  'tap-m5x0-8-plug': { condition: 'worn', holesDone: 610 },
  'tap-m8x1-25-taper': { holesDone: 240 },
  'tap-m8x1-25-plug': { holesDone: 310 },
  'tap-m12x1-75-taper': { condition: 'worn', holesDone: 480 },
  'tap-m6x1-spiral-flute': { holesDone: 130 },
  'tap-1-2-13-unc-plug': { condition: 'broken', holesDone: 95 },
};
/** One thread hangs without its bottoming tap. */
const GONE = 'tap-m10x1-5-bottoming';

/** What hangs in the tap rack of the observatory. */
export const SAMPLE_TAPS: Row[] = [
  ...[...METRIC, ...INCH].flatMap(handSet),
  ...BA.map((name) => tap(name, 'plug', { steel: 'carbon', ground: false, where: 'old oak box' })),
  ...['M3', 'M4', 'M5', 'M6', 'M8'].map((name) =>
    tap(name, 'spiral-point', { ...OF_THE_MILL, surface: 'steam-oxide' }),
  ),
  ...['M4', 'M5', 'M6'].map((name) => tap(name, 'spiral-flute', OF_THE_MILL)),
  ...['M2.5', 'M5'].map((name) => tap(name, 'form', { ...OF_THE_MILL, surface: 'coated' })),
]
  .filter((t) => t.id !== GONE)
  .map((t) => ({ ...t, ...MARKS[t.id] }));
