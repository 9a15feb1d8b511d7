import { sixPlaces } from '@/core/units/six-places';
import { z } from 'zod';
import { DRILL_SETS } from '@/core/drills/drill-sets';
import { drillName, pointAngleOf } from '@/core/drills/drill';
import { classLimits } from '@/core/threads/class-limits';
import { THREADS } from '@/core/threads/standards';
import { fullDepthMm, isTapered } from '@/core/threads/thread';
import { mmToInch } from '@/core/units/length';
import type { Shop } from '@/core/shop/shop';

const SERIES = [...new Set(THREADS.map((t) => t.series))] as [string, ...string[]];

export const threadQuery = z.strictObject({
  series: z.enum(SERIES).optional(),
  q: z.string().max(60).optional().describe('Part of the designation'),
});
export const drillQuery = z.strictObject({ set: z.string().max(80).optional().describe('Id of one set, or crib') });

/** Threads with the limits of their usual class. */
export function threadList({ series, q }: z.infer<typeof threadQuery>) {
  const part = q?.toLowerCase().replace(/\s/g, '');
  return THREADS.filter(
    (t) =>
      (series === undefined || t.series === series) &&
      (part === undefined || t.designation.toLowerCase().replace(/\s/g, '').includes(part)),
  ).map((t) => {
    const limits = isTapered(t) ? undefined : classLimits(t);
    const l = limits?.ok ? limits.value : undefined;
    return {
      designation: t.designation,
      series: t.series,
      form: t.form,
      standard: t.standard,
      majorDiameterMm: sixPlaces(t.majorMm),
      pitchMm: sixPlaces(t.pitchMm),
      threadsPerInch: t.system === 'inch' ? sixPlaces(1 / mmToInch(t.pitchMm)) : null,
      fullThreadDepthMm: sixPlaces(fullDepthMm(t)),
      class: l?.className ?? null,
      minorDiameterMinMm: l ? sixPlaces(l.minorMinMm) : null,
      minorDiameterMaxMm: l ? sixPlaces(l.minorMaxMm) : null,
      pitchDiameterMinMm: l ? sixPlaces(l.pitchDiameterMinMm) : null,
      pitchDiameterMaxMm: l?.pitchDiameterMaxMm === undefined ? null : sixPlaces(l.pitchDiameterMaxMm),
    };
  });
}

/** Drill sets, the crib among them, with their drills. */
export function drillList(shop: Shop, set: string | undefined) {
  const pools = shop.pools.length > 0 ? shop.pools : DRILL_SETS;
  return pools
    .filter((p) => set === undefined || p.id === set)
    .map((p) => ({
      id: p.id,
      label: p.label,
      drills: p.drills.map((d) => ({
        label: d.label,
        name: drillName(d),
        series: d.series,
        diameterMm: sixPlaces(d.diameterMm),
        diameterIn: sixPlaces(mmToInch(d.diameterMm)),
        pointAngleDeg: pointAngleOf(d),
        material: d.material ?? 'hss',
        condition: d.condition ?? null,
      })),
    }));
}

/** Query parameters as a plain object; a parameter given twice keeps its last value. */
export const queryOf = (request: Request): Record<string, string> =>
  Object.fromEntries(new URL(request.url).searchParams.entries());
