'use client';

import { mm } from '@/core/answer/answer';
import type { HoleModel } from '@/core/rehearsal/hole-model';
import type { Landed } from '@/core/rehearsal/rehearse';
import { showText, type Display } from '@/core/units/show';

const W = 420;
const PAD = 12;
const BINS = 40;
const HIGH = 34;

interface Props {
  models: readonly HoleModel[];
  landed: readonly Landed[];
  display: Display;
}

/** Sizes of the holes of each kind against their class: one scale each, as the size rail has it. */
export function SizeClouds({ models, landed, display }: Props) {
  const kinds = models.flatMap((model, i) => (model.size ? [{ model, size: model.size, sizes: landed[i].sizes }] : []));
  if (kinds.length === 0) return null;
  return (
    <ul aria-label="Sizes against their class" className="flex flex-col gap-2">
      {kinds.map(({ model, size, sizes }) => {
        const room = size.max - size.min;
        const [low, high] = [Math.min(size.min - 0.4 * room, ...sizes), Math.max(size.max + 0.4 * room, ...sizes)];
        const x = (value: number): number => PAD + ((value - low) / (high - low)) * (W - 2 * PAD);
        const bins = new Array<number>(BINS).fill(0);
        for (const value of sizes) bins[Math.min(BINS - 1, Math.floor(((value - low) / (high - low)) * BINS))] += 1;
        const most = Math.max(1, ...bins);
        const out = sizes.filter((s) => s < size.min || s > size.max).length;
        const binW = (W - 2 * PAD) / BINS;
        return (
          <li key={model.featureId} className="grid grid-cols-[minmax(0,88px)_minmax(0,1fr)] items-center gap-2">
            <span className="text-[15px] leading-tight text-dye-200">
              <b className="block font-cond text-lg text-scribe">{model.letter}</b>
              {out === 0 ? 'all in' : `${((100 * out) / sizes.length).toFixed(0)} in 100 out`}
            </span>
            <svg
              role="img"
              viewBox={`0 0 ${W} 66`}
              aria-label={`${model.letter}: ${out} of ${sizes.length} holes out of ${showText(mm(size.min), display)} to ${showText(mm(size.max), display)}`}
            >
              <rect
                x={x(size.min)}
                y={4}
                width={x(size.max) - x(size.min)}
                height={HIGH + 6}
                fill="#0d1b45"
                stroke="#d3a23a"
              />
              {bins.map((n, i) => {
                const at = low + ((i + 0.5) / BINS) * (high - low);
                const isOut = at < size.min || at > size.max;
                const h = (HIGH * n) / most;
                return n === 0 ? null : (
                  <rect
                    key={at}
                    x={PAD + i * binW + 0.8}
                    y={8 + HIGH - h}
                    width={binW - 1.6}
                    height={h}
                    fill={isOut ? '#ffb3a8' : '#eef2ff'}
                  />
                );
              })}
              <line x1={PAD} x2={W - PAD} y1={10 + HIGH} y2={10 + HIGH} stroke="#b9c8ef" />
              {[size.min, size.max].map((limit, i) => (
                <text
                  key={limit}
                  x={x(limit)}
                  y={62}
                  fill="#eef2ff"
                  fontSize={14}
                  textAnchor={i === 0 ? 'end' : 'start'}
                >
                  {showText(mm(limit), display)}
                </text>
              ))}
            </svg>
          </li>
        );
      })}
    </ul>
  );
}
