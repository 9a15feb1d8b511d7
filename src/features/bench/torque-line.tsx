'use client';

import { memo, useState } from 'react';
import { torqueRead } from '@/core/answer/answer';
import { judgeTorque } from '@/core/gauging/torque';
import type { TapLoad } from '@/core/tapping/tap-load';
import { showText, tell, type Display } from '@/core/units/show';
import { holdPeak, peakHeld } from './turns-counted';
import { useReadings } from '@/ui/instruments/use-readings';

interface Props {
  /** Key of the step: another one has a peak of its own. */
  step: string;
  load: TapLoad;
  display: Display;
}

/** What a torque wrench says while tapping, with its peak held, against what this tap holds. */
export const TorqueLine = memo(function TorqueLine({ step, load, display }: Props) {
  const [torque, setTorque] = useState<{ step: string; now: number; peak: number }>();
  useReadings(({ values: { now, peak = 0 } }) => {
    if (now === undefined) return;
    holdPeak(step, Math.max(now, peak));
    setTorque({ step, now, peak: peakHeld(step) ?? now });
  });
  if (torque?.step !== step) return null;
  const { stop, said } = judgeTorque(torque.now, load.torque.value, load.breaking.value);
  return (
    <p
      role={stop ? 'alert' : 'status'}
      className="text-[28px] leading-tight font-bold"
      style={stop ? { color: 'var(--bench-danger)' } : undefined}
    >
      {stop && '! '}
      {tell(said, display)} Peak {showText(torqueRead(torque.peak), display)}.
    </p>
  );
});
