import { useState } from 'react';
import { mm } from '@/core/answer/answer';
import { chiselEdge } from '@/core/drills/drill-point';
import { PILOT_OF_EDGE, PILOT_SHARE } from '@/core/operation/cut-cautions';
import { showText, type Display } from '@/core/units/show';
import { LiveFrame } from './live-frame';

const CENTRE = { x: 160, y: 74 };
const RADIUS = 66;

/** The end of a drill over pilots of other sizes: what the pilot spares, and what it leaves to the corners. */
export default function LivePilot({ display, drillMm = 12 }: { display: Display; drillMm?: number }) {
  const edge = chiselEdge(drillMm);
  const [pilot, setPilot] = useState(edge);
  const s = RADIUS / (drillMm / 2);
  const says =
    pilot > PILOT_SHARE * drillMm
      ? 'Only the corners cut: they bite, chip and pull the drill in.'
      : pilot < PILOT_OF_EDGE * edge
        ? 'The chisel edge still pushes on metal: the pilot helps little.'
        : 'The chisel edge runs free and the lips are guided: right.';
  return (
    <LiveFrame
      label={`pilot ${showText(mm(pilot), display)}`}
      value={pilot}
      min={0.5}
      max={0.9 * drillMm}
      step={0.1}
      onChange={setPilot}
      says={`Under a ${showText(mm(drillMm), display)} drill. ${says}`}
    >
      <circle cx={CENTRE.x} cy={CENTRE.y} r={RADIUS} fill="#2a4c9e" stroke="#eef2ff" />
      <circle cx={CENTRE.x} cy={CENTRE.y} r={(pilot / 2) * s} fill="#0a1432" stroke="#f0cd80" strokeWidth="2" />
      <path
        d={`M${CENTRE.x - (edge / 2) * s * 0.6} ${CENTRE.y + (edge / 2) * s * 0.8}L${CENTRE.x + (edge / 2) * s * 0.6} ${CENTRE.y - (edge / 2) * s * 0.8}`}
        stroke="#eef2ff"
        strokeWidth="3"
      />
      <path
        d={`M${CENTRE.x - (edge / 2) * s * 0.6} ${CENTRE.y + (edge / 2) * s * 0.8}L${CENTRE.x - RADIUS * 0.98} ${CENTRE.y + 8}M${CENTRE.x + (edge / 2) * s * 0.6} ${CENTRE.y - (edge / 2) * s * 0.8}L${CENTRE.x + RADIUS * 0.98} ${CENTRE.y - 8}`}
        stroke="#eef2ff"
        strokeWidth="1.5"
      />
    </LiveFrame>
  );
}
