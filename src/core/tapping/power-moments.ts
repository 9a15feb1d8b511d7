import { phrase, quantity, type Phrase } from '../answer/answer';
import type { TurnStrip } from './turn-strip';
import type { WayId } from './ways';

/** What the hands do under power, each at its moment: before, running in, at the switch, coming out. */
const MOMENTS: Partial<Record<WayId, { before: string; out: string }>> = {
  lathe: {
    before: 'Barrel cranked out, tailstock loose, then run in.',
    out: 'Reverse; a hand on the tailstock draws back lightly as it comes out.',
  },
  'reversing-spindle': {
    before: 'Chuck snug on the flats, quill free to follow, then run in.',
    out: 'Reverse; hold the quill up lightly as it comes out, so that the last threads are not torn.',
  },
  'spindle-bites': {
    before: 'Chuck snug on the flats, quill free to follow. Stop and turn back a good half turn at every mark.',
    out: 'Reverse; hold the quill up lightly as it comes out, so that the last threads are not torn.',
  },
  'loose-chuck': {
    before: 'Slowest speed. Close the chuck only until it drives; it slips when the tap has bitten.',
    out: 'Off, open the chuck, finish with the wrench, back it out by hand.',
  },
  'lathe-start': {
    before: 'Tap in the tailstock chuck, tailstock loose, slowest speed.',
    out: 'Open the chuck, wrench on, centre in its end; finish and back it out by hand.',
  },
  'reversing-head': {
    before: 'Arm against its solid stop, never in the hand. Feed in, then follow.',
    out: 'Raise the quill: it reverses by itself. Keep pace with it.',
  },
  'power-start': {
    before: 'Chuck snug, quill free to follow.',
    out: 'Open the chuck, finish with the wrench, back it out by hand.',
  },
};

/**
 * Under power, moment by moment; nothing for a way without.
 * @param strip of the tap at work: where to switch off
 */
export function powerMoments(id: WayId, { last, hardStop, power }: TurnStrip): Phrase[] {
  const said = MOMENTS[id];
  if (!said || !power) return [];
  const off =
    power.runIn !== undefined
      ? phrase('Run in {turns}, off, and let it stand.', { turns: quantity(power.runIn, 'turns') })
      : power.switchOff !== undefined
        ? phrase('Off at {turns}, with the rest to run out.', { turns: quantity(power.switchOff, 'turns') })
        : hardStop === undefined
          ? phrase('Through: run on to {turns}, then off.', { turns: quantity(last, 'turns') })
          : undefined;
  return [phrase(said.before), ...(off ? [off] : []), phrase(said.out)];
}
