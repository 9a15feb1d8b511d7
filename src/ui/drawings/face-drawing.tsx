import type { FaceSketch, SketchedHole } from '@/core/job/face-sketch';

interface Props {
  sketch: FaceSketch;
  /** Letters beside the first hole of each feature. */
  letters?: boolean;
  /** Place in the list of the hole that stands out. */
  lit?: number;
  /** Holes that are made are filled. */
  isMade?: (hole: SketchedHole) => boolean;
  /** From this one on in the list holes are being laid out: they stand out. */
  newFrom?: number;
  /** A line across the face at a height, mm from the lower left or the centre. */
  line?: { axis: 'x' | 'y'; at: number };
  /** Outlines in black, for paper. */
  ink?: boolean;
  className?: string;
}

/** A face of a part as if dyed, with its holes: small, to know a job by. */
export function FaceDrawing({
  sketch: { shape, holes, face },
  letters,
  lit,
  isMade,
  newFrom = Infinity,
  line: across,
  ink,
  className,
}: Props) {
  const round = shape.kind === 'circle';
  const [w, h] = round ? [shape.diameterMm, shape.diameterMm] : [shape.widthMm, shape.heightMm];
  const [left, bottom] = round ? [-w / 2, -h / 2] : [0, 0];
  const pad = Math.max(w, h) * 0.04;
  const line = Math.max(w, h) / 90;
  const text = Math.max(w, h) / 14;
  const colours = ink
    ? { fill: 'none', stroke: 'black', hole: 'none', line: line / 2 }
    : { fill: '#1f3f8f', stroke: '#eef2ff', hole: '#0a1432', line };
  const first = (i: number): boolean => i === 0 || holes[i - 1].letter !== holes[i].letter;
  return (
    <svg
      viewBox={`${left - pad} ${-(bottom + h) - pad} ${w + 2 * pad} ${h + 2 * pad}`}
      preserveAspectRatio="xMidYMid meet"
      role="img"
      aria-label={`The ${face} face with ${holes.length} holes${isMade ? `, ${holes.filter(isMade).length} made` : ''}`}
      className={className}
    >
      {round ? (
        <circle r={w / 2} fill={colours.fill} stroke={colours.stroke} strokeWidth={colours.line} />
      ) : shape.outline ? (
        <polygon
          points={shape.outline.map(({ x, y }) => `${x},${-y}`).join(' ')}
          fill={colours.fill}
          stroke={colours.stroke}
          strokeWidth={colours.line}
        />
      ) : (
        <rect
          x={left}
          y={-(bottom + h)}
          width={w}
          height={h}
          fill={colours.fill}
          stroke={colours.stroke}
          strokeWidth={colours.line}
        />
      )}
      {holes.map((hole, i) => {
        const { x, y, diameterMm, letter } = hole;
        const made = isMade?.(hole) ?? false;
        return (
          <g key={i}>
            <circle
              cx={x}
              cy={-y}
              r={Math.max(diameterMm / 2, line)}
              fill={i === lit || i >= newFrom ? '#d3a23a' : made ? '#eef2ff' : colours.hole}
              stroke={colours.stroke}
              strokeWidth={colours.line / 1.6}
            />
            {i === lit && (
              <path
                d={`M${x - diameterMm / 2 - line * 9},${-y} H${x + diameterMm / 2 + line * 9} M${x},${-y - diameterMm / 2 - line * 9} V${-y + diameterMm / 2 + line * 9}`}
                stroke="#d3a23a"
                strokeWidth={line}
              />
            )}
            {letters && first(i) && (
              <text
                x={x + diameterMm / 2 + line * 1.5}
                y={-y - diameterMm / 2}
                fill={ink ? 'black' : '#eef2ff'}
                fontSize={text}
                className="font-cond"
              >
                {letter}
              </text>
            )}
          </g>
        );
      })}
      {across && (
        <line
          {...(across.axis === 'x'
            ? { x1: across.at, x2: across.at, y1: -bottom, y2: -(bottom + h) }
            : { y1: -across.at, y2: -across.at, x1: left, x2: left + w })}
          stroke="#f0cd80"
          strokeWidth={line * 1.2}
        />
      )}
    </svg>
  );
}
