'use client';

import { useState } from 'react';
import { nameOfSetUp } from '@/core/route/batch';
import { partsOf, type Route } from '@/core/route/route';
import { useWidth } from '@/ui/drawings/use-width';

interface Props {
  route: Route;
  chosen?: string;
  onChoose: (visit: string) => void;
}

const H = 118;
const BAND = { top: 26, height: 44 };
const SHADES = ['#d3a23a', '#b9c8ef', '#eef2ff', '#7f9be0'];
const minutes = (s: number): string => (s < 90 ? `${Math.round(s)} s` : `${(s / 60).toFixed(0)} min`);

/** Where each set-up and visit stands along the time of all parts, s. */
function bandsOf({ setUps, quantity: all }: Route) {
  const starts = setUps.map((_, i) => setUps.slice(0, i).reduce((sum, s) => sum + s.seconds, 0));
  return setUps.map((s, n) => {
    const quantity = partsOf(s, all);
    const over = s.mode === 'operation' && quantity > 1;
    const times = s.mode === 'part' && s.visits.length > 1 ? quantity : 1;
    const widths = s.visits.map((v) => ({
      change: v.changeS * times,
      work: v.workS * quantity + (over ? quantity * s.clampS : 0),
    }));
    const visits = s.visits.map((visit, i) => {
      const before = widths.slice(0, i).reduce((sum, w) => sum + w.change + w.work, 0);
      const changeAt = starts[n] + (over ? 0 : quantity * s.clampS) + before;
      return { visit, i, changeAt, ...widths[i], workAt: changeAt + widths[i].change };
    });
    return { s, left: starts[n], visits };
  });
}

/** Visits to tools along time, the changes between them, set-ups as bands; all parts. */
export function RouteRibbon({ route, chosen, onChoose }: Props) {
  const [zoom, setZoom] = useState(1);
  const [frame, width] = useWidth<HTMLDivElement>(1200);
  const W = Math.max(620, width) * zoom;
  const scale = W / Math.max(1, route.seconds);
  const bands = bandsOf(route);
  const marks = [60, 300, 600, 1800, 3600, 7200, 14400].find((n) => n * scale >= 70) ?? 28800;
  return (
    <section aria-label="Route along time" className="dye">
      <div className="flex items-center justify-end gap-2 px-3 pt-2">
        <span className="mr-auto font-cond text-lg">{minutes(route.seconds)} for all parts</span>
        {[
          ['−', 0.5],
          ['+', 2],
        ].map(([sign, by]) => (
          <button
            key={sign}
            type="button"
            className="h-9 w-11 rounded-sm border border-dye-200 font-cond text-lg"
            aria-label={sign === '+' ? 'Zoom in' : 'Zoom out'}
            onClick={() => setZoom((z) => Math.min(32, Math.max(1, z * Number(by))))}
          >
            {sign}
          </button>
        ))}
      </div>
      <div
        ref={frame}
        className="relative overflow-x-auto"
        tabIndex={0}
        role="group"
        aria-label="Ribbon, scrolls sideways"
      >
        <svg viewBox={`0 0 ${W} ${H}`} width={W} height={H} className="block font-cond">
          {bands.map(({ s, left, visits }) => (
            <g key={s.key}>
              <rect
                x={left * scale}
                y={BAND.top - 6}
                width={Math.max(1, s.seconds * scale - 2)}
                height={BAND.height + 12}
                fill="#14275e"
                stroke="#b9c8ef"
              />
              <svg x={left * scale + 4} y="0" width={Math.max(1, s.seconds * scale - 8)} height="20">
                <text y="15" fill="#eef2ff" fontSize="15" fontWeight="600">
                  {nameOfSetUp(s)}
                </text>
              </svg>
              {visits.map(({ visit, i, changeAt, change, workAt, work }) => (
                <g
                  key={visit.key}
                  onClick={() => onChoose(visit.key)}
                  className="cursor-pointer"
                  role="button"
                  tabIndex={-1}
                  aria-label={`${visit.tool}, ${minutes(work)}`}
                >
                  <rect
                    x={changeAt * scale}
                    y={BAND.top + 14}
                    width={Math.max(0.5, change * scale)}
                    height={BAND.height - 28}
                    fill="#5a6fae"
                  />
                  <rect
                    x={workAt * scale}
                    y={BAND.top}
                    width={Math.max(1, work * scale - 1)}
                    height={BAND.height}
                    fill={SHADES[i % SHADES.length]}
                    stroke={chosen === visit.key ? '#ffffff' : 'none'}
                    strokeWidth="4"
                  />
                  {work * scale > 46 && (
                    <svg x={workAt * scale + 3} y={BAND.top} width={Math.max(1, work * scale - 6)} height={BAND.height}>
                      <text y="27" fill="#0a1432" fontSize="14" fontWeight="600">
                        {visit.tool}
                      </text>
                    </svg>
                  )}
                </g>
              ))}
            </g>
          ))}
          {Array.from({ length: Math.floor(route.seconds / marks) }, (_, i) => (i + 1) * marks).map((t) => (
            <g key={t}>
              <path d={`M${t * scale},${BAND.top + BAND.height + 10} v7`} stroke="#d5def7" />
              <text x={t * scale} y={BAND.top + BAND.height + 32} fill="#d5def7" fontSize="14" textAnchor="middle">
                {minutes(t)}
              </text>
            </g>
          ))}
        </svg>
      </div>
    </section>
  );
}
