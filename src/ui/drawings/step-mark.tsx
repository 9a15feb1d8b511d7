interface Props {
  x: number;
  y: number;
  number: number;
  onOpen: () => void;
}

/** The number of a step at the depth that it makes. */
export function StepMark({ x, y, number, onOpen }: Props) {
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`Open step ${number}`}
      className="cursor-pointer"
      onClick={onOpen}
      onKeyDown={(e) => (e.key === 'Enter' || e.key === ' ') && onOpen()}
    >
      <circle cx={x} cy={y} r="12" fill="#14275e" stroke="#f0cd80" strokeWidth="1.5" />
      <text x={x} y={y + 5} textAnchor="middle" fill="#f0cd80" fontSize="15" fontWeight="700" className="font-cond">
        {number}
      </text>
    </g>
  );
}
