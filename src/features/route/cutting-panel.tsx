'use client';

import { useState } from 'react';
import type { RouteSettings } from '@/contracts/route';
import { depth } from '@/core/answer/answer';
import { cuttingList } from '@/core/job/cutting-list';
import type { Part } from '@/core/layout/part';
import { parseLength } from '@/core/units/length';
import { show, showText, tell, type Display } from '@/core/units/show';
import { TextField } from '@/ui/field';

interface Props {
  part: Part;
  quantity: number;
  settings: RouteSettings;
  decide: (change: (settings: RouteSettings) => RouteSettings, typing?: boolean) => void;
  display: Display;
}

type Cutting = NonNullable<RouteSettings['cutting']>;

/** `3000 x 4, 1200`: lengths, each with how many there are. */
function readStock(text: string, display: Display): Cutting['stock'] | undefined {
  const list = text
    .split(/[,;\n]+/)
    .map((t) => t.trim())
    .filter(Boolean)
    .map((entry) => {
      const [length, count] = entry.split(/\s*[x×]\s*/);
      const parsed = parseLength(length, display === 'inch' ? 'in' : 'mm');
      const n = count === undefined ? undefined : Number(count);
      if (!parsed.ok || parsed.value.mm <= 0 || (n !== undefined && !(Number.isInteger(n) && n >= 0))) return undefined;
      return { lengthMm: parsed.value.mm, ...(n === undefined ? {} : { count: n }) };
    });
  return list.some((e) => e === undefined) || list.length === 0 ? undefined : (list as Cutting['stock']);
}

/** Pieces from stock lengths with kerf and facing, drawn to scale; how many spare pieces the remnants leave. */
export function CuttingPanel({ part, quantity, settings, decide, display }: Props) {
  const { stock } = part;
  const pieceMm = 'lengthMm' in stock ? stock.lengthMm : undefined;
  const cutting: Cutting = settings.cutting ?? {
    pieceMm: pieceMm ?? 0,
    kerfMm: 2,
    facingMm: 0.5,
    stock: [{ lengthMm: 3000 }],
  };
  const number = (mm: number): string => show({ value: mm, unit: 'mm', places: 1 }, display).number;
  const [texts, setTexts] = useState({
    kerf: number(cutting.kerfMm),
    facing: number(cutting.facingMm),
    stock: cutting.stock.map((s) => number(s.lengthMm) + (s.count === undefined ? '' : ` x ${s.count}`)).join(', '),
  });
  if (pieceMm === undefined) return null;
  const unit = display === 'inch' ? 'in' : 'mm';
  const length = (text: string): number | undefined => {
    const parsed = parseLength(text, unit);
    return parsed.ok && parsed.value.mm >= 0 ? parsed.value.mm : undefined;
  };
  const read = { kerf: length(texts.kerf), facing: length(texts.facing), stock: readStock(texts.stock, display) };
  const set = (next: typeof texts): void => {
    setTexts(next);
    const [kerfMm, facingMm, lengths] = [length(next.kerf), length(next.facing), readStock(next.stock, display)];
    if (kerfMm === undefined || facingMm === undefined || !lengths) return;
    decide((s) => ({ ...s, cutting: { pieceMm, kerfMm, facingMm, stock: lengths } }), true);
  };
  const list =
    read.kerf === undefined || read.facing === undefined || !read.stock
      ? undefined
      : cuttingList({
          pieces: quantity + (settings.spare ?? 0),
          pieceMm,
          kerfMm: read.kerf,
          facingMm: read.facing,
          stock: read.stock,
        });
  const longest = list?.ok ? Math.max(...list.value.cuts.map((c) => c.lengthMm)) : 1;
  return (
    <section aria-label="Cutting list" className="plate flex flex-col gap-2 p-3">
      <h2 className="font-cond text-xl font-semibold">
        Cutting list: {quantity}
        {settings.spare ? ` and ${settings.spare} spare` : ''} of {showText(depth(pieceMm), display)}
      </h2>
      <div className="grid grid-cols-2 gap-2">
        <TextField
          label={`Kerf, ${unit}`}
          value={texts.kerf}
          onChange={(kerf) => set({ ...texts, kerf })}
          error={read.kerf === undefined ? 'Enter a length, such as 2.' : undefined}
        />
        <TextField
          label={`Facing each end, ${unit}`}
          value={texts.facing}
          onChange={(facing) => set({ ...texts, facing })}
          error={read.facing === undefined ? 'Enter a length, such as 0.5.' : undefined}
        />
      </div>
      <TextField
        label={`Stock on hand, ${unit}`}
        value={texts.stock}
        onChange={(s) => set({ ...texts, stock: s })}
        hint="Lengths, with how many: 3000 x 4, 1200"
        error={read.stock ? undefined : 'Enter lengths such as 3000 x 4, 1200.'}
      />
      {list && !list.ok && (
        <p role="alert" className="font-bold text-danger">
          {tell(list.problems[0], display)}{' '}
          <span className="font-normal text-ink">{tell(list.problems[0].remedy, display)}</span>
        </p>
      )}
      {list?.ok && (
        <>
          <ul className="flex flex-col gap-1">
            {list.value.cuts.map((cut, i) => (
              <li key={i} className="dye p-1.5">
                <svg
                  viewBox="0 0 600 22"
                  className="block w-full"
                  role="img"
                  aria-label={`${cut.pieces} pieces from ${showText(depth(cut.lengthMm), display)}`}
                >
                  <rect x="0" y="2" width={(600 * cut.lengthMm) / longest} height="18" fill="none" stroke="#b9c8ef" />
                  {Array.from({ length: cut.pieces }, (_, k) => (
                    <rect
                      key={k}
                      x={(600 * k * (list.value.sawnMm + (read.kerf ?? 0))) / longest}
                      y="2"
                      width={Math.max(1, (600 * list.value.sawnMm) / longest)}
                      height="18"
                      fill="#d3a23a"
                    />
                  ))}
                </svg>
                <span className="font-cond">
                  {cut.pieces} from {showText(depth(cut.lengthMm), display)}, {showText(depth(cut.remnantMm), display)}{' '}
                  left
                </span>
              </li>
            ))}
          </ul>
          <p className="text-[15px]">
            {list.value.cuts.length} {list.value.cuts.length === 1 ? 'length' : 'lengths'}, sawn{' '}
            {showText(depth(list.value.sawnMm), display)}.{' '}
            {list.value.spare > 0
              ? `The remnants leave ${list.value.spare} spare ${list.value.spare === 1 ? 'piece' : 'pieces'} for a mistake.`
              : 'No spare piece: a mistake costs another length.'}
          </p>
        </>
      )}
    </section>
  );
}
