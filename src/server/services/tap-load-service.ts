import { sixPlaces } from '@/core/units/six-places';
import type { TapLoadRequest, TapLoadResponse } from '@/contracts/tap-load';
import { CORE_VERSION } from '@/core/answer/answer';
import { expectedHoleMm } from '@/core/drills/expected-hole';
import { findDrill } from '@/core/hole/find-drill';
import type { Shop } from '@/core/shop/shop';
import { expectedMinor, formingVerdict } from '@/core/tap-drill/forming';
import { usualFlutes } from '@/core/tapping/tap';
import { tapLoad } from '@/core/tapping/tap-load';
import { causeOf } from '@/core/tapping/tap-risk';
import { toothLoadLimit, type TappingConditions } from '@/core/tapping/tapping-torque';
import { isTapered, type Thread } from '@/core/threads/thread';
import { threadNamed } from '@/core/threads/thread-named';
import { tell } from '@/core/units/show';
import { workingItem } from './answer-document';
import { Refusal } from '../refusal';

const refuse = (field: string, code: string, detail: string, remedy: string): Refusal =>
  new Refusal(422, 'Not a hole that this can judge', detail, [{ field, code, detail, remedy }]);

const CHAMFER = { straight: 4, 'spiral-point': 4, 'spiral-flute': 2.5, form: 2.5 } as const;

function threadOf(text: string): Thread {
  const thread = threadNamed(text);
  if (!thread)
    throw refuse('thread', 'thread-unknown', `“${text}” is not one thread.`, 'Write it as on a drawing: M8, 1/4-20.');
  if (isTapered(thread))
    throw refuse('thread', 'thread-tapered', 'A tapered thread has no torque estimate.', 'Tap it by the gauge.');
  return thread;
}

/** Diameter before tapping, mm: as measured, or predicted from its drill. */
function boreMm({ holeMm, drill }: TapLoadRequest, shop: Shop, material: Shop['materials'][number]): number {
  if ((holeMm === undefined) === (drill === undefined))
    throw refuse('drill', 'drill-or-hole', 'Give a drill or holeMm, one of them.', 'For example "drill": "6.8".');
  if (holeMm !== undefined) return holeMm;
  const found = findDrill(drill ?? '', shop.pools[0]);
  if (!found) throw refuse('drill', 'drill-unknown', `There is no drill “${drill}”.`, 'Write 6.8, 17/64, #7 or F.');
  return expectedHoleMm({ drill: found, start: 'centre-drill', material }).mean;
}

/** The load of one tap in one hole, by the same functions that every answer uses. @throws Refusal 422 */
export function tapLoadOf(q: TapLoadRequest, shop: Shop): TapLoadResponse {
  const thread = threadOf(q.thread);
  const material = shop.materials.find((m) => m.id === q.materialId);
  if (!material)
    throw refuse('materialId', 'material-unknown', `There is no material “${q.materialId}”.`, 'See /api/v1/materials.');
  const forming = q.geometry === 'form';
  const verdict = formingVerdict(thread, material);
  if (forming && !verdict.allowed)
    throw refuse('geometry', verdict.code, tell(verdict.reason, q.units), 'Cut this thread.');
  const bore = boreMm(q, shop, material);
  const minorMm = forming ? expectedMinor({ thread, material }, bore).mean : bore;
  if (minorMm >= thread.majorMm || minorMm <= 0.5 * thread.majorMm)
    throw refuse(
      'drill',
      'hole-size',
      `A hole of ${bore.toFixed(2)} mm leaves no sensible ${thread.designation} thread.`,
      'Use a hole between half the major diameter and the whole.',
    );
  const conditions: TappingConditions = {
    thread,
    material,
    tap: {
      name: 'the tap',
      geometry: q.geometry,
      chamferThreads: q.chamferThreads ?? CHAMFER[q.geometry],
      flutes: q.flutes ?? usualFlutes(q.geometry, thread.majorMm),
      steel: q.steel,
      wear: q.wear,
    },
    minorMm,
    depthMm: q.depthMm,
    through: q.kind === 'through',
    reversing: q.geometry === 'straight' && q.byHand,
    fluid: q.fluid,
    thicknessMm: q.kind === 'through' ? (q.thicknessMm ?? q.depthMm) : undefined,
    byHand: q.byHand,
    freehand: q.byHand && !q.guided,
  };
  const load = tapLoad(conditions);
  return {
    coreVersion: CORE_VERSION,
    holeMm: sixPlaces(minorMm),
    torqueNm: sixPlaces(load.torque.value),
    breakingNm: sixPlaces(load.breaking.value),
    safety: sixPlaces(load.safety),
    level: load.level,
    cause: causeOf(conditions),
    toothLoadMm: sixPlaces(load.toothLoadMm),
    toothLoadLimitMm: toothLoadLimit(material),
    working: [workingItem('torqueNm', load.torque, q.units), workingItem('breakingNm', load.breaking, q.units)],
  };
}
