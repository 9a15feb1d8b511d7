'use client';

import { useEffect, useState } from 'react';
import { clock } from './step-timer';

/** Layout dye dries in a few minutes. */
const DRY_S = 180;

/** How long the dye still dries. */
export function DyeTimer() {
  const [until, setUntil] = useState<number>();
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (until === undefined) return;
    const timer = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(timer);
  }, [until]);
  const left = until === undefined ? undefined : Math.max(0, Math.ceil((until - now) / 1000));
  return (
    <div className="flex items-center gap-4">
      <button
        type="button"
        className="bench-key"
        onClick={() => {
          setNow(Date.now());
          setUntil(Date.now() + DRY_S * 1000);
        }}
      >
        Dye is on
      </button>
      {left !== undefined && (
        <p role="timer" className="font-cond text-[40px] font-semibold">
          {left > 0 ? `dries ${clock(left)}` : 'dry'}
        </p>
      )}
    </div>
  );
}
