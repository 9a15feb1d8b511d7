import { memo } from 'react';

interface Props {
  divisions: number;
  /** Division under the index. */
  at: number;
  travelMm: number;
  /** What the dial is on. */
  of?: string;
}

/** Divisions between two numbers. */
const numbered = (divisions: number): number => (divisions % 100 === 0 ? divisions / 10 : divisions / 5);

/** A dial that turns under its index. */
export function DialFace({
  divisions,
  at,
  travelMm,
  of = `A dial of ${divisions} divisions, ${travelMm} mm a turn`,
}: Props) {
  return (
    <svg
      role="img"
      aria-label={`${of}: ${Number(at.toFixed(1))}`}
      viewBox="0 0 220 220"
      className="mx-auto w-full max-w-[240px]"
    >
      <circle cx="110" cy="114" r="98" fill="#dcd8d0" stroke="#857e72" strokeWidth="2" />
      <g transform={`rotate(${(-360 * at) / divisions} 110 114)`}>
        <Ring divisions={divisions} />
      </g>
      <circle cx="110" cy="114" r="20" fill="#857e72" />
      <path d="M110 0v18" stroke="#9d1420" strokeWidth="3" />
    </svg>
  );
}

/** The ring with its lines, drawn once. */
const Ring = memo(function Ring({ divisions }: { divisions: number }) {
  const each = numbered(divisions);
  return (
    <>
      {Array.from({ length: divisions }, (_, i) => {
        const long = i % each === 0 ? 18 : i % (each / 2) === 0 ? 13 : 8;
        return (
          <g key={i} transform={`rotate(${(360 * i) / divisions} 110 114)`}>
            <line x1="110" x2="110" y1="18" y2={18 + long} stroke="#1d1a16" strokeWidth={i % each === 0 ? 2.4 : 1} />
            {i % each === 0 && (
              <text x="110" y="52" textAnchor="middle" fontSize="16" fill="#1d1a16">
                {i}
              </text>
            )}
          </g>
        );
      })}
      <circle cx="110" cy="80" r="9" fill="#857e72" />
    </>
  );
});
