'use client';

import { useEffect, useState } from 'react';

export const clock = (s: number): string => `${Math.floor(s / 60)}:${String(Math.floor(s) % 60).padStart(2, '0')}`;

/** How long the step takes, against what was planned, s. */
export function StepTimer({ planned }: { planned: number }) {
  const [s, setS] = useState(0);
  useEffect(() => {
    const since = Date.now();
    const timer = setInterval(() => setS((Date.now() - since) / 1000), 1000);
    return () => clearInterval(timer);
  }, []);
  return (
    <span role="timer" aria-label="Time on this step" className="max-sm:hidden" style={{ color: 'var(--bench-quiet)' }}>
      {clock(s)} of {clock(Math.round(planned))}
    </span>
  );
}
