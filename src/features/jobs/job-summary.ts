import { depth, quantity } from '@/core/answer/answer';
import type { HoleLine } from '@/core/job/hole-line';
import { showText, tell, type Display } from '@/core/units/show';

/** A line of a hole in words. */
export interface LineText {
  drill?: string;
  speed?: string;
  depth?: string;
  then: string;
  troubles: string[];
}

/** What to do at a hole, in words and in the units shown. */
export function lineText(line: HoleLine, display: Display): LineText {
  const { drill, speed, depth: deep } = line;
  return {
    drill: drill && drill.name + (drill.toBuy ? ', to buy' : ''),
    speed:
      drill && (speed ? `${showText(quantity(speed.rpm, 'rpm'), display)}, ${speed.label}` : 'not on this machine'),
    depth:
      deep &&
      (deep.through
        ? `through ${showText(depth(deep.fullMm), display)}`
        : `${showText(depth(deep.fullMm), display)}, stop ${showText(depth(deep.stopMm), display)}`),
    then: line.then.map((p) => tell(p, display).replace(/\.$/, '')).join('; '),
    troubles: line.troubles.map((t) => tell(t, display)),
  };
}
