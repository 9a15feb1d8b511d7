'use client';

import { memo, useDeferredValue, useEffect, useState } from 'react';

export const clock = (s: number): string => `${Math.floor(s / 60)}:${String(Math.floor(s) % 60).padStart(2, '0')}`;

interface Props {
  /** Its key: another step begins anew. */
  step: string;
  /** What was planned, s. */
  planned: number;
}

/** How long the step takes, against what was planned; it begins a moment after the step is shown. */
export const StepTimer = memo(function StepTimer(props: Props) {
  const { step, planned } = useDeferredValue(props);
  const [now, setNow] = useState({ step, s: 0 });
  useEffect(() => {
    const since = Date.now();
    const timer = setInterval(() => setNow({ step, s: (Date.now() - since) / 1000 }), 1000);
    return () => clearInterval(timer);
  }, [step]);
  return (
    <span role="timer" aria-label="Time on this step" className="max-sm:hidden" style={{ color: 'var(--bench-quiet)' }}>
      {clock(now.step === step ? now.s : 0)} of {clock(Math.round(planned))}
    </span>
  );
});
