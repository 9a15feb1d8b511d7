import { useState } from 'react';
import { mm, type Drawn } from '@/core/answer/answer';
import { showText, type Display } from '@/core/units/show';
import { shareWithin } from '@/core/units/normal-share';
import { LiveFrame } from './live-frame';

type Props = Omit<Extract<Drawn, { kind: 'class' }>, 'kind'> & { display: Display };

const FLOOR = 110;
const TALL = 80;
const POINTS = 80;

/** What a drill a little smaller or larger would leave: its spread over the class, and how many of such holes come out inside. */
export function LiveClass({ drillMm, holeMm, sigmaMm, minMm, maxMm, typical, ownMm, display }: Props) {
  const [drill, setDrill] = useState(drillMm);
  const mean = holeMm + drill - drillMm;
  const wide = maxMm - minMm;
  const [from, to] = [minMm - wide, maxMm + wide];
  const x = (value: number): number => ((value - from) / (to - from)) * 320;
  const share = shareWithin(mean, sigmaMm, minMm, maxMm);
  const shift = drill - drillMm;
  const bell = (middle: number, sigma: number): string =>
    Array.from({ length: POINTS + 1 }, (_, i) => {
      const at = middle + (i / POINTS - 0.5) * 6 * sigma;
      return `${x(at)},${FLOOR - TALL * Math.exp(-((at - middle) ** 2) / (2 * sigma ** 2))}`;
    }).join(' ');
  const tells = share > 0.7 ? 'inside' : mean < minMm ? 'tight: the tap binds' : mean > maxMm ? 'loose' : 'a toss-up';
  return (
    <LiveFrame
      label={`drill ${showText(mm(drill), display)}`}
      value={drill}
      min={drillMm - wide}
      max={drillMm + wide}
      step={wide / 100}
      onChange={setDrill}
      says={`${(100 * share).toFixed(0)} % of such holes lie in the class: ${tells}.`}
    >
      <rect x={x(minMm)} y="20" width={x(maxMm) - x(minMm)} height={FLOOR - 20} fill="#4063b8" stroke="#eef2ff" />
      <polygon points={bell(mean, sigmaMm)} fill="#d3a23a" fillOpacity="0.75" stroke="#f0cd80" />
      {typical && (
        <>
          <polyline
            points={bell(typical.holeMm + shift, typical.sigmaMm)}
            fill="none"
            stroke="#eef2ff"
            strokeDasharray="5 4"
          />
          <text x="6" y="18" fill="#eef2ff" fontSize="14" className="font-cond">
            - - typical
          </text>
        </>
      )}
      {ownMm !== undefined && (
        <>
          <path d={`M${x(ownMm + shift)} ${FLOOR}V44`} stroke="#f0cd80" strokeWidth="2" />
          <text x="6" y="36" fill="#f0cd80" fontSize="14" className="font-cond">
            | mean of yours
          </text>
        </>
      )}
      <path d={`M0 ${FLOOR}H320`} stroke="#eef2ff" />
      {[minMm, maxMm].map((limit) => (
        <text
          key={limit}
          x={x(limit)}
          y={FLOOR + 18}
          textAnchor="middle"
          fill="#d5def7"
          fontSize="14"
          className="font-cond"
        >
          {showText(mm(limit), display)}
        </text>
      ))}
    </LiveFrame>
  );
}
