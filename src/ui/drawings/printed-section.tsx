import { drawnDepth, mouthDepth, type Section } from '@/core/hole/section';
import { showText, tell, type Display } from '@/core/units/show';
import { spreadLabels } from './spread-labels';

const W = 190;
const H = 150;
const CORE = { left: 2, right: 92, top: 8, bottom: 140 };
const CX = (CORE.left + CORE.right) / 2;

interface Props {
  section: Section;
  display: Display;
  /** The core alone, where its depths stand beside it. */
  bare?: boolean;
}

/** The section of a hole in ink: bores, thread, tip, back and the depths to set, for paper. */
export function PrintedSection({ section, display, bare }: Props) {
  const { bores, thread, mouth, thicknessMm } = section;
  const levels = bare ? [] : section.levels;
  const shown = drawnDepth(section);
  const reach = Math.max(1, ...section.levels.map((l) => shown(l.mm)));
  const widest = Math.max(3, ...bores.map((b) => b.diameterMm), mouth?.diameterMm ?? 0, thread?.majorMm ?? 0);
  const s = Math.min((CORE.bottom - CORE.top) / reach, (CORE.right - CORE.left) / (widest * 1.5));
  const y = (mm: number): number => CORE.top + shown(mm) * s;
  const back = y(thicknessMm ?? reach * 1.1);
  const clip = (at: number): number => Math.min(at, back);
  const labels = spreadLabels(
    levels.map((l) => y(l.mm)),
    17,
    CORE.top + 4,
    H - 6,
  );
  const wall = (b: Section['bores'][number], side: number): string =>
    `M${CX + (side * b.diameterMm * s) / 2},${CORE.top} V${clip(y(b.fullMm))} L${CX},${clip(y(b.fullMm + b.tipMm))}`;
  return (
    <svg
      viewBox={`0 0 ${bare ? CORE.right + 2 : W} ${H}`}
      role="img"
      aria-label={`Section, ${section.title}`}
      className="w-full"
    >
      <g fill="none" stroke="black" strokeWidth="1.1">
        <path d={`M${CORE.left},${CORE.top} H${CORE.right} M${CORE.left},${back} H${CORE.right}`} />
        <path
          d={`M${CORE.left},${CORE.top} V${back} M${CORE.right},${CORE.top} V${back}`}
          strokeDasharray="4 2"
          strokeWidth="0.6"
        />
        {bores.flatMap((b) => [1, -1].map((side) => <path key={`${b.diameterMm} ${side}`} d={wall(b, side)} />))}
        {thread &&
          [1, -1].map((side) => (
            <path
              key={side}
              d={`M${CX + (side * thread.majorMm * s) / 2},${y(thread.fromMm)} V${clip(y(thread.endMm))} h${-side * 4}`}
              strokeWidth="0.8"
              strokeDasharray="3 1.5"
            />
          ))}
        {mouth && (
          <path
            d={[1, -1]
              .map(
                (side) =>
                  `M${CX + (side * mouth.diameterMm * s) / 2},${CORE.top} L${CX + (side * (bores.at(-1)?.diameterMm ?? 0) * s) / 2},${y(mouthDepth(mouth, bores.at(-1)?.diameterMm ?? 0))}`,
              )
              .join('')}
          />
        )}
        <path d={`M${CX},${CORE.top - 6} V${Math.min(back, H - 4)}`} strokeWidth="0.5" strokeDasharray="8 2 2 2" />
        {levels.map((level, i) => (
          <path
            key={level.name.text}
            d={`M${CORE.right - 4},${clip(y(level.mm))} h8 L${CORE.right + 10},${labels[i]} h3`}
            strokeWidth="0.5"
          />
        ))}
      </g>
      {levels.map((level, i) => (
        <text key={level.name.text} x={CORE.right + 15} y={labels[i] + 3} fontSize="10.5">
          <tspan fontWeight="700">{showText({ value: level.setMm ?? level.mm, unit: 'mm', places: 1 }, display)}</tspan>
          <tspan x={CORE.right + 15} dy="8" fontSize="7">
            {tell(level.name, display)}
          </tspan>
        </text>
      ))}
    </svg>
  );
}
