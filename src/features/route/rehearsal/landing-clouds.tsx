'use client';

import { memo, useState } from 'react';
import { afterTrying } from '@/core/rehearsal/bolts-fit';
import type { HoleModel } from '@/core/rehearsal/hole-model';
import type { Landed } from '@/core/rehearsal/rehearse';
import { faceShape, fromDatum, USUAL_DATUM, type FaceId, type Part } from '@/core/layout/part';
import { showText, type Display } from '@/core/units/show';
import { mm } from '@/core/answer/answer';
import { boxOf, FaceOutline } from '@/ui/drawings/face-outline';

interface Props {
  part: Part;
  models: readonly HoleModel[];
  landed: readonly Landed[];
  display: Display;
}

/** Zones are drawn no larger than this share of the way to the nearest hole, and of the face. */
const OF_GAP = 0.42;
const OF_FACE = 0.09;

/** Holes between which the nearest are looked for. */
const MOST_MEASURED = 400;

interface Kind {
  model: HoleModel;
  landed: Landed;
}

/** How much larger than the part everything around a hole is drawn. */
function magnified(kinds: readonly Kind[], across: number): number {
  const points = kinds.flatMap((k) => k.model.points).slice(0, MOST_MEASURED);
  let gap = Infinity;
  points.forEach((p, i) => {
    for (const q of points.slice(i + 1)) gap = Math.min(gap, Math.max(1, Math.hypot(p.x - q.x, p.y - q.y)));
  });
  const radius = Math.max(
    ...kinds.map(({ model: m }) => Math.max(m.zoneMm / 2, 2.2 * Math.hypot(m.lineSigma, m.ownSigma))),
  );
  return Math.max(1, Math.min(OF_GAP * gap, OF_FACE * across) / radius);
}

/** The part with where each hole may land, and its zone; or one job with its bolts trying to go in. */
export const LandingClouds = memo(function LandingClouds({ part, models, landed, display }: Props) {
  const all = models.map(({ points, ...model }, i): Kind => {
    const [shape, datum] = [faceShape(part.stock, model.face), part.datums[model.face] ?? USUAL_DATUM];
    return { model: { ...model, points: points.map((p) => fromDatum(p, shape, datum)) }, landed: landed[i] };
  });
  const faces = [...new Set(models.filter((m) => m.isPlaced).map((m) => m.face))];
  const [face, setFace] = useState<FaceId>();
  const [job, setJob] = useState<number>();
  const here = face ?? faces[0];
  if (here === undefined) return <p className="p-2 text-[15px]">Nothing is placed yet, so nothing lies off.</p>;
  const kinds = all.filter(({ model }) => model.face === here && model.isPlaced);
  const jobs = (kinds[0]?.landed.offs[0]?.length ?? 0) / 2;
  const shape = faceShape(part.stock, here);
  const box = boxOf(shape);
  const scale = magnified(kinds, Math.max(box.width, box.height));
  const pad = 0.04 * Math.max(box.width, box.height);
  const line = Math.max(box.width, box.height) / 500;
  return (
    <figure className="flex flex-col gap-1">
      <svg
        role="img"
        aria-label={job === undefined ? 'Where each hole may land' : `Job ${job + 1}: its holes and bolts`}
        className="max-h-[460px] w-full"
        viewBox={`${box.left - pad} ${-(box.bottom + box.height) - pad} ${box.width + 2 * pad} ${box.height + 2 * pad}`}
      >
        <FaceOutline laid={{ shape, datum: part.datums[here] ?? USUAL_DATUM }} box={box} />
        {kinds.map(({ model, landed: { offs } }) =>
          job === undefined
            ? model.points.map((p, hole) => (
                <Cloud
                  key={`${model.featureId} ${p.x} ${p.y}`}
                  at={p}
                  model={model}
                  offs={offs[hole]}
                  scale={scale}
                  line={line}
                />
              ))
            : afterJob(model, offs, job).map((off, hole) => (
                <Bolt
                  key={`${model.featureId} ${model.points[hole].x} ${model.points[hole].y}`}
                  at={model.points[hole]}
                  off={off}
                  model={model}
                  scale={scale}
                  line={line}
                />
              )),
        )}
      </svg>
      <figcaption className="flex flex-wrap items-center gap-x-4 gap-y-1 px-1 text-[15px] text-dye-200">
        <span>
          Around each hole drawn {scale.toFixed(0)} times larger; circle: {zonesOf(kinds, display)} to be held.
        </span>
        {faces.length > 1 &&
          faces.map((f) => (
            <button
              key={f}
              type="button"
              aria-pressed={f === here}
              className="link min-h-11 text-scribe"
              onClick={() => setFace(f)}
            >
              {f}
            </button>
          ))}
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5"
            checked={job !== undefined}
            onChange={({ target }) => setJob(target.checked ? 0 : undefined)}
          />
          one job at a time, its bolts in
        </label>
        {job !== undefined && (
          <label className="flex min-h-11 items-center gap-2">
            <input
              type="range"
              min={0}
              max={jobs - 1}
              value={job}
              onChange={({ target }) => setJob(Number(target.value))}
              aria-label="Job"
            />
            job {job + 1}
          </label>
        )}
      </figcaption>
    </figure>
  );
});

const zonesOf = (kinds: readonly Kind[], display: Display): string =>
  [...new Set(kinds.filter((k) => k.model.zoneMm > 0).map((k) => showText(mm(k.model.zoneMm), display)))].join(', ') ||
  'no zone';

/** How far the holes of one job lie off, those of a joint after the part was shifted to its bolts. */
function afterJob(model: HoleModel, offs: Landed['offs'], job: number) {
  const own = offs.map((o) => ({ x: o[2 * job], y: o[2 * job + 1] }));
  return model.isJoint ? afterTrying(model.points, own) : own;
}

interface At {
  at: { x: number; y: number };
  model: HoleModel;
  scale: number;
  line: number;
}

function Zone({ at, model, scale, line }: At) {
  return (
    <>
      <path
        d={`M${at.x - 3 * line} ${-at.y}h${6 * line}M${at.x} ${-at.y - 3 * line}v${6 * line}`}
        stroke="#b9c8ef"
        strokeWidth={line}
      />
      {model.zoneMm > 0 && (
        <circle
          cx={at.x}
          cy={-at.y}
          r={(scale * model.zoneMm) / 2}
          fill="#0d1b45"
          fillOpacity={0.45}
          stroke="#d3a23a"
          strokeWidth={1.2 * line}
        />
      )}
    </>
  );
}

/** Where one hole lands in job after job: a dot each, a cross out of the zone. */
function Cloud({ at, model, offs, scale, line }: At & { offs: readonly number[] }) {
  const out: string[] = [];
  const inside: string[] = [];
  const r = 1.1 * line;
  for (let i = 0; i < offs.length; i += 2) {
    const [x, y] = [at.x + scale * offs[i], -(at.y + scale * offs[i + 1])];
    const isOut = model.zoneMm > 0 && Math.hypot(offs[i], offs[i + 1]) > model.zoneMm / 2;
    if (isOut) out.push(`M${x - 2 * r} ${y - 2 * r}l${4 * r} ${4 * r}m0 ${-4 * r}l${-4 * r} ${4 * r}`);
    else inside.push(`M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`);
  }
  return (
    <g>
      <Zone at={at} model={model} scale={scale} line={line} />
      <path d={inside.join('')} fill="#eef2ff" fillOpacity={0.75} />
      <path d={out.join('')} stroke="#ffb3a8" strokeWidth={1.6 * line} />
      <text
        x={at.x}
        y={-at.y - (scale * Math.max(model.zoneMm, 0.2)) / 2 - 2.5 * line}
        fill="#eef2ff"
        fontSize={12 * line}
        textAnchor="middle"
      >
        {model.letter}
      </text>
    </g>
  );
}

/** One bolt beside the hole that it has to go into. */
function Bolt({ at, off, model, scale, line }: At & { off: { x: number; y: number } }) {
  const isIn = model.zoneMm === 0 || Math.hypot(off.x, off.y) <= model.zoneMm / 2;
  const [x, y] = [at.x + scale * off.x, -(at.y + scale * off.y)];
  const r = 3 * line;
  return (
    <g>
      <Zone at={at} model={model} scale={scale} line={line} />
      {isIn ? (
        <circle cx={x} cy={y} r={r} fill="#eef2ff" />
      ) : (
        <path
          d={`M${x - r} ${y - r}l${2 * r} ${2 * r}m0 ${-2 * r}l${-2 * r} ${2 * r}`}
          stroke="#ffb3a8"
          strokeWidth={2 * line}
        />
      )}
    </g>
  );
}
