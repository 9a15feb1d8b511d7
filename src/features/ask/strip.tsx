'use client';

import { depth as toTenths, mm } from '@/core/answer/answer';
import { mainCut, type HolePlan, type ThreadPart } from '@/core/hole/hole-plan';
import { showText, type Display } from '@/core/units/show';
import { byWhat, LEVEL, LEVEL_ON_DYE } from '@/ui/taps/levels';

/** The taps, and how hard the hardest of them has to work. */
function TapCell({
  thread: {
    tapping: { best },
  },
}: {
  thread: ThreadPart;
}) {
  return (
    <div className="col-span-3 min-w-0 border-t border-dye-500 px-2.5 py-1.5">
      <dt className="sr-only">Tap</dt>
      <dd className="flex flex-wrap items-baseline gap-x-2 font-cond text-lg leading-6 font-semibold text-scribe">
        {best.taps.map((tap) => tap.name).join(', then ')}
        {best.load && (
          <span className={LEVEL_ON_DYE[best.load.level]}>
            {LEVEL[best.load.level]}, <span className="text-[15px] font-medium">{byWhat(best.load.safety)}</span>
          </span>
        )}
      </dd>
    </div>
  );
}

/** The figures that one walks away with, in sight while the rest is read; on a phone only. */
export function Strip({ plan, display }: { plan: HolePlan; display: Display }) {
  const cut = mainCut(plan);
  if (!cut) return null;
  const { spec, speed, stopMm } = cut;
  const cells: [string, string, string][] = [
    [
      'Drill',
      spec.tool.name,
      spec.drill?.series === 'metric' && display === 'mm' ? '' : showText(mm(spec.diameterMm), display),
    ],
    ['rev/min', speed.ok ? String(speed.value.rpm) : '—', speed.ok ? speed.value.label : 'other machine'],
    spec.through
      ? ['Depth', 'through', showText(toTenths(spec.fullMm), display)]
      : ['Stop', showText(toTenths(stopMm), display), 'from touch'],
  ];
  return (
    <dl
      aria-label="In short"
      className="dye sticky top-0 z-10 grid grid-cols-3 divide-x divide-dye-500 shadow-md md:hidden"
    >
      {cells.map(([label, figure, small]) => (
        <div key={label} className="min-w-0 px-2.5 py-1.5">
          <dt className="font-cond text-[15px] text-dye-200">{label}</dt>
          <dd className="truncate font-cond text-[25px] leading-7 font-semibold text-[#f0cd80]">
            {figure}
            <span className="block truncate text-[14px] leading-4 font-medium text-scribe">{small || ' '}</span>
          </dd>
        </div>
      ))}
      {plan.thread && <TapCell thread={plan.thread} />}
    </dl>
  );
}
