'use client';

import { useState } from 'react';
import type { JobFeature } from '@/contracts/job';
import { acrossFor, angledLength, tilt, wallBetween } from '@/core/layout/angled-hole';
import { aimAt, type Bore } from '@/core/layout/bores';
import { depthBehind } from '@/core/layout/part';
import { showText, type Display } from '@/core/units/show';
import { LengthField } from '@/ui/length-field';
import { Working } from '@/ui/working';
import type { PlateState } from './use-plate';

interface Props {
  state: PlateState;
  letters: ReadonlyMap<string, string>;
  display: Display;
}

const NEAREST = 5;
const MOST_EXIT_MM = 1000;

/** An angled hole: where it comes out, the tilt for the vise, its length, the wall to every other bore. */
export function AngledPanel({ state, letters, display }: Props) {
  const { plan, selection, bores, changeHole } = state;
  const hole = plan.holes.find((h) => selection.has(h.id));
  const bore = bores.find((b) => b.featureId === hole?.id);
  if (!hole || !bore) return <p>Pick a feature to work out its exit, tilt and walls.</p>;
  const exit = hole.exit ?? { dx: 0, dy: 0 };
  const length = Math.hypot(
    bore.axis.to.x - bore.axis.from.x,
    bore.axis.to.y - bore.axis.from.y,
    bore.axis.to.z - bore.axis.from.z,
  );
  // The exit is where the hole would leave the far face; a blind hole covers its share of that.
  const across = Math.sqrt(Math.max(0, length ** 2 - bore.depthMm ** 2));
  const set = (change: Partial<JobFeature['exit'] & object>): void => {
    const next = { ...exit, ...change };
    changeHole(hole.id, (h) => ({ ...h, exit: next.dx === 0 && next.dy === 0 ? undefined : next }));
  };
  const full = bore.depthMm;
  const behind = depthBehind(plan.part.stock, hole.face);
  const lean = tilt(across, full);
  const direction = ((Math.atan2(exit.dy, exit.dx) * 180) / Math.PI + 360) % 360;
  const walls = bores
    .filter((b) => b !== bore)
    .map((b) => ({ b, wall: wallBetween(bore.axis, bore.diameterMm, b.axis, b.diameterMm) }))
    .sort((p, q) => p.wall.value - q.wall.value)
    .slice(0, NEAREST);
  const number = (label: string, value: number, onChange: (v: number) => void, step = 0.5) => (
    <label className="flex flex-col gap-1">
      <span className="label">{label}</span>
      <input
        type="number"
        step={step}
        className="field"
        value={Math.round(value * 1000) / 1000}
        onChange={(e) =>
          e.target.value !== '' && Number.isFinite(Number(e.target.value)) && onChange(Number(e.target.value))
        }
      />
    </label>
  );
  const turnTo = (deg: number, towards: number): void => {
    const run = acrossFor(Math.min(80, Math.max(0, deg)), behind);
    set({ dx: run * Math.cos((towards * Math.PI) / 180), dy: run * Math.sin((towards * Math.PI) / 180) });
  };
  return (
    <div className="flex flex-col gap-2">
      <p>
        <strong>
          {letters.get(hole.id)} {hole.question.callout}
        </strong>
        , {showText({ value: full, unit: 'mm', places: 1 }, display)}{' '}
        {bore.through ? 'through the part' : 'deep to the tip'}. Straight unless its exit is offset.
      </p>
      <div className="grid grid-cols-2 gap-2">
        {(['x', 'y'] as const).map((axis) => (
          <LengthField
            key={axis}
            label={`Exit offset ${axis}`}
            mm={exit[`d${axis}`]}
            least={-MOST_EXIT_MM}
            most={MOST_EXIT_MM}
            display={display}
            onChange={(mm) => set({ [`d${axis}`]: mm })}
          />
        ))}
        {number('Or tilt, °', lean.value, (deg) => turnTo(deg, direction), 1)}
        {number('towards, °', across === 0 ? 0 : direction, (deg) => turnTo(lean.value, deg), 5)}
      </div>
      <p>
        Tilt the vise{' '}
        <strong>
          <Working of={lean} name="tilt" display={display} />
        </strong>
        ; the hole is{' '}
        <strong>
          <Working of={angledLength(across, full)} name="length" display={display}>
            {showText({ ...angledLength(across, full), places: 1 }, display)}
          </Working>
        </strong>{' '}
        long.
      </p>
      <SideView bore={bore} across={across} downMm={full} behindMm={behind} display={display} />
      <Meeting state={state} hole={hole} bore={bore} letters={letters} display={display} onAim={set} />
      <h2 className="font-cond text-lg font-semibold">Walls to the nearest bores</h2>
      {walls.length === 0 && <p>No other bore in the part.</p>}
      <ul>
        {walls.map(({ b, wall }) => (
          <li
            key={`${b.featureId}${b.number}`}
            className={`border-t border-steel-200 py-1 ${wall.value < 1.5 ? 'font-bold text-danger' : ''}`}
          >
            {letters.get(b.featureId)}
            {b.number} ({b.face}):{' '}
            <Working of={wall} name={`wall to ${letters.get(b.featureId)}${b.number}`} display={display}>
              {wall.value <= 0
                ? `they meet, ${showText({ value: -wall.value, unit: 'mm', places: 1 }, display)} into each other`
                : showText({ value: wall.value, unit: 'mm', places: 1 }, display)}
            </Working>
          </li>
        ))}
      </ul>
      <p className="text-sm text-steel-700">
        Lock the quill and sight along the drill; check the breakthrough with a wire.
      </p>
    </div>
  );
}

interface MeetingProps extends Props {
  hole: JobFeature;
  bore: Bore;
  onAim: (exit: { dx: number; dy: number }) => void;
}

/** The bore that a hole is meant to run into, and the point in it that it is aimed at. */
function Meeting({ state, hole, bore, letters, display, onAim }: MeetingProps) {
  const { plan, bores, changeHole } = state;
  const others = plan.holes.filter((h) => h.id !== hole.id && bores.some((b) => b.featureId === h.id));
  const other = bores.find((b) => b.featureId === hole.meets);
  const long = other
    ? Math.hypot(
        other.axis.to.x - other.axis.from.x,
        other.axis.to.y - other.axis.from.y,
        other.axis.to.z - other.axis.from.z,
      )
    : 0;
  const [typed, setTyped] = useState<number>();
  const deep = typed ?? long / 2;
  const aim = other && aimAt(plan.part, bore, other, deep);
  return (
    <div className="grid grid-cols-2 items-end gap-2">
      <label className="col-span-2 flex flex-col gap-1">
        <span className="label">Meant to meet</span>
        <select
          className="field"
          value={hole.meets ?? ''}
          onChange={(e) => {
            const meets = e.target.value;
            changeHole(hole.id, ({ meets: _, ...rest }) => (meets === '' ? rest : { ...rest, meets }));
          }}
        >
          <option value="">no other bore</option>
          {others.map((h) => (
            <option key={h.id} value={h.id}>
              {letters.get(h.id)} {h.question.callout}
            </option>
          ))}
        </select>
      </label>
      {other && (
        <LengthField
          label={`Aim at, deep in ${letters.get(other.featureId)}`}
          mm={deep}
          least={0}
          most={long}
          display={display}
          onChange={setTyped}
        />
      )}
      {other && (
        <button type="button" className="btn" disabled={!aim} onClick={() => aim && onAim(aim)}>
          {aim ? 'Aim there' : 'That point is not behind this face'}
        </button>
      )}
    </div>
  );
}

const W = 300;
const H = 150;

interface SideProps {
  bore: Bore;
  across: number;
  downMm: number;
  behindMm: number;
  display: Display;
}

/** The hole seen from the side, in the plane in which it leans, at true scale. */
function SideView({ bore, across, downMm, behindMm, display }: SideProps) {
  const r = bore.diameterMm / 2;
  const s = Math.min((H - 40) / behindMm, (W - 40) / (across + 6 * r));
  const x0 = W / 2 - (across * s) / 2;
  const y0 = 20;
  const cos = downMm / Math.hypot(across, downMm);
  const half = (r / cos) * s;
  const x1 = x0 + across * s;
  const y1 = y0 + downMm * s;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="dye w-full font-cond"
      role="img"
      aria-label={`Side view, ${across.toFixed(1)} mm across in ${downMm.toFixed(1)} mm`}
    >
      <rect x="10" y={y0} width={W - 20} height={behindMm * s} fill="#2a4c9e" stroke="#eef2ff" />
      <path
        d={`M${x0 - half},${y0} L${x1 - half},${y1} H${x1 + half} L${x0 + half},${y0}Z`}
        fill="#0a1432"
        stroke="#eef2ff"
      />
      <path d={`M${x0},${y0 - 10} V${y1 + 8}`} stroke="#b9c8ef" strokeDasharray="3 3" />
      <path d={`M${x0},${y0 - 8} L${x1},${y1 + 8}`} stroke="#d3a23a" strokeDasharray="8 3 2 3" />
      <text x={x1 + half + 6} y={Math.min(H - 6, y1 + 16)} fill="#eef2ff" fontSize="14">
        {showText({ value: across, unit: 'mm', places: 1 }, display)} across
      </text>
    </svg>
  );
}
