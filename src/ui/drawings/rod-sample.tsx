import type { Section } from '@/core/hole/section';
import { showText, tell, type Display } from '@/core/units/show';

const W = 330;
const H = 408;
const TOP = 60;
const CX = 103;

interface Props {
  section: Section & { rod: NonNullable<Section['rod']> };
  display: Display;
}

/** A threaded rod from the side at true scale: chamfer, thread, the blank behind it. */
export default function RodSample({ section, display }: Props) {
  const { majorMm, minorMm, pitchMm, lengthMm, chamferMm } = section.rod;
  const s = Math.min((H - TOP - 60) / (lengthMm * 1.35), 150 / majorMm);
  const y = (mm: number): number => TOP + mm * s;
  const half = pitchMm / 2;
  const side = (sign: 1 | -1): string => {
    const points = [`${CX + (sign * chamferMm * s) / 2},${TOP}`];
    const lead = (majorMm - chamferMm) / 2;
    for (let i = 0, at = sign === 1 ? lead : lead + half / 2; at <= lengthMm && i < 800; i++, at += half)
      points.push(`${CX + (sign * (i % 2 === 0 ? majorMm : minorMm) * s) / 2},${y(at)}`);
    points.push(
      `${CX + (sign * majorMm * s) / 2},${y(lengthMm + pitchMm)}`,
      `${CX + (sign * majorMm * s) / 2},${y(lengthMm * 1.3)}`,
    );
    return points.join(' ');
  };
  const left = side(-1).split(' ').reverse().join(' ');
  const says = section.levels.map(
    (l) => `${tell(l.name, display)} ${l.mm > 0 ? showText({ value: l.mm, unit: 'mm', places: 1 }, display) : ''}`,
  );
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      role="img"
      aria-label={`Threaded rod ${section.title}: ${says.join(', ')}`}
      className="h-full w-full"
    >
      <polygon points={`${side(1)} ${left}`} fill="#2a4c9e" stroke="#eef2ff" strokeWidth="1.3" />
      <path d={`M${CX},${TOP - 12} V${y(lengthMm * 1.3) + 14}`} stroke="#b9c8ef" strokeDasharray="12 3 3 3" />
      <path d={`M${CX + (majorMm * s) / 2 + 4},${y(lengthMm)} H215`} stroke="#eef2ff" />
      <text x="220" y={y(lengthMm) + 1} fill="#eef2ff" fontSize="19" fontWeight="700">
        {showText({ value: lengthMm, unit: 'mm', places: 1 }, display)}
      </text>
      <text x="220" y={y(lengthMm) + 17} fill="#d5def7" fontSize="13" className="font-cond">
        full thread
      </text>
      <path d={`M${CX + (chamferMm * s) / 2 + 4},${TOP} H215`} stroke="#eef2ff" />
      <text x="220" y={TOP + 5} fill="#eef2ff" fontSize="16" fontWeight="700">
        {`${showText({ value: chamferMm, unit: 'mm', places: 1 }, display)} × 45°`}
      </text>
      <text x="10" y="18" fill="#eef2ff" fontSize="17" fontWeight="600" className="font-cond">
        {section.title}
      </text>
      <text x="10" y="35" fill="#d5def7" fontSize="13" className="font-cond">
        {section.subtitle}, true scale
      </text>
    </svg>
  );
}
