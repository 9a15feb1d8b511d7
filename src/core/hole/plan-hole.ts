import { CORE_VERSION, ok, phrase, refuse, type Phrase, type Result } from '../answer/answer';
import type { Machine } from '../cutting/machine';
import type { Drill } from '../drills/drill';
import type { StartMeans } from '../drills/expected-hole';
import type { Context, Setting } from '../operation/context';
import type { EditWork } from '../operation/edits';
import { MAIN_KEY } from '../operation/operation';
import type { ShopHabits } from '../shop/habits';
import { findDrill } from './find-drill';
import { holeCautions } from './hole-cautions';
import { holeOperations } from './hole-operations';
import type { HolePlan } from './hole-plan';
import { makeHole, type Made } from './make-hole';
import { reachProblems } from './out-of-reach';
import type { HoleQuestion } from './question';
import { resolveHole } from './resolve-hole';
import type { ResolvedHole } from './resolved-hole';

/** How a hole is started on a machine when nobody says: by hand, centre drill, or spot drill. */
export function usualStart(machine: Machine | undefined, habit: ShopHabits['start'] = 'by-machine'): StartMeans {
  if (machine?.kind === 'hand-drill') return 'hand';
  if (habit !== 'by-machine') return habit;
  return machine?.kind === 'mill' || machine?.kind === 'lathe' ? 'spot' : 'centre-drill';
}

const NO_MACHINE = phrase(
  'No machine given: assumed a drill press after a centre drill; the speed shown is the ideal.',
);

/** Thickness as an angled hole meets it, along its own axis, mm. */
const along = (thicknessMm: number | undefined, tiltDeg = 0): number | undefined =>
  thicknessMm === undefined ? undefined : thicknessMm / Math.cos((tiltDeg * Math.PI) / 180);

/** The context in which the operations of a hole are worked out. */
function contextOf(q: HoleQuestion, shop: Context['shop'], setting: Setting): Context {
  const { material, machine, pool, dry } = q;
  const start = q.start ?? usualStart(machine, shop.habits.start);
  return {
    asked: { material, machine, pool, start, dry },
    shop,
    setting,
  };
}

const assumptionsOf = (hole: ResolvedHole, { thread, toMake }: Made, machine: Machine | undefined): Phrase[] => [
  ...hole.callout.notes,
  ...hole.notes,
  ...(thread?.limits?.notes ?? []),
  ...(machine || !toMake ? [] : [NO_MACHINE]),
];

/**
 * The one plan of a hole, with a thread or without: what it is, and every operation with its figures and the user's
 * changes.
 * @param q what is asked
 * @param shop its habits and tools
 * @param setting what the part around the hole gives; what is asked goes before it
 * @returns the plan, or what makes the hole impossible, dangerous or unreadable, field by field. A plan may hold
 * operations whose speed can’t be set: the rest of it stands.
 */
export function planHole(
  q: HoleQuestion,
  shop: Context['shop'],
  setting: Setting = {},
  work?: EditWork,
): Result<HolePlan> {
  const asked: HoleQuestion = { ...q, thicknessMm: along(q.thicknessMm ?? setting.thicknessMm, setting.tiltDeg) };
  const around = contextOf(q, shop, setting);
  const find = (label: string): Drill | undefined => findDrill(label, q.pool);
  const resolved = resolveHole(asked, shop.habits);
  if (!resolved.ok) return resolved;
  const hole = resolved.value;
  const beyond = reachProblems(q, hole);
  if (beyond.length > 0) return refuse(...beyond);
  const ctx: Context = { ...around, setting: { ...setting, thicknessMm: hole.thicknessMm } };
  const label = work?.edits.overrides?.[MAIN_KEY]?.drill;
  const set = label !== undefined && hole.thread ? find(label) : undefined;
  const made = makeHole(set ? { ...asked, drill: set } : asked, hole, work?.edits.tool, ctx);
  if (!made.ok) return made;
  const { thread, outside } = made.value;
  const done = holeOperations(made.value, hole, work, ctx, { find, asked: q.drill, set });
  return ok({
    ...done,
    coreVersion: CORE_VERSION,
    callout: hole.callout,
    hole,
    material: q.material,
    machine: q.machine,
    start: ctx.asked.start,
    dry: q.dry,
    thread,
    outside,
    seconds: done.operations.reduce((sum, op) => sum + op.time.value, 0),
    assumptions: assumptionsOf(hole, made.value, q.machine),
    cautions: holeCautions(q, hole, made.value),
  });
}
