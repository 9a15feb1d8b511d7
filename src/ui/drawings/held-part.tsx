import type { MachineKind } from '@/core/cutting/machine';
import type { FaceShape } from '@/core/layout/part';

interface Props {
  /** None: at the bench. */
  machine?: MachineKind;
  shape?: FaceShape;
  tiltDeg?: number;
}

/** How each machine holds work, seen from the front: jaws, chuck, clamp, or the plate of the bench. */
const HOLDS: Record<MachineKind | 'bench', string[]> = {
  bench: ['M6,78 h148', 'M14,78 v8 M146,78 v8'],
  'drill-press': ['M6,80 h148', 'M30,80 v-26 h14 v26 M116,80 v-26 h14 v26'],
  mill: ['M6,80 h148', 'M24,80 v-34 h18 v34 M118,80 v-34 h18 v34', 'M136,62 h16'],
  lathe: ['M6,18 h26 v60 h-26 z', 'M32,34 h14 v10 h-14 M32,54 h14 v10 h-14'],
  'hand-drill': ['M6,80 h148', 'M26,80 v-40 h20 M134,80 v-40 h-20'],
};

/** The part as it is held in one set-up: wide as its face is, tilted where it is tilted. */
export function HeldPart({ machine, shape, tiltDeg = 0 }: Props) {
  const wide = !shape ? 60 : shape.kind === 'circle' ? 62 : Math.min(74, Math.max(26, 30 + shape.widthMm / 4));
  const lathe = machine === 'lathe';
  const [x, y, w, h] = lathe ? [46, 37, 74, 24] : [80 - wide / 2, machine ? 52 : 54, wide, machine ? 26 : 24];
  return (
    <svg viewBox="0 0 160 92" className="h-20 w-full" aria-hidden>
      <g fill="none" stroke="#b9c8ef" strokeWidth="1.8" strokeLinejoin="round">
        {HOLDS[machine ?? 'bench'].map((d) => (
          <path key={d} d={d} />
        ))}
      </g>
      <g transform={`rotate(${tiltDeg} 80 65)`}>
        <rect x={x} y={y} width={w} height={h} fill="#1f3f8f" stroke="#eef2ff" strokeWidth="2" />
      </g>
      {machine && (
        <path
          d={lathe ? 'M154,49 h-26 l-5,-4 v8 l5,-4' : 'M80,4 v30 l-4,5 h8 l-4,-5'}
          fill="none"
          stroke="#d3a23a"
          strokeWidth="2"
        />
      )}
    </svg>
  );
}
