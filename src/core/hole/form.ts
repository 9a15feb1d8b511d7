import { START_MEANS, type StartMeans } from '../drills/expected-hole';
import { ROOMS, type RoomId } from '../tapping/room-below';
import { WAYS, type WayId } from '../tapping/ways';
import { DISPLAYS, type Display } from '../units/show';

export const HOLE_CHOICES = ['auto', 'through', 'blind'] as const;
export const TAP_CHOICES = ['auto', 'cut', 'form'] as const;
export const WAY_CHOICES = ['auto', ...WAYS] as const;
export const ROOM_CHOICES = ['auto', ...ROOMS] as const;
export const START_CHOICES = ['auto', ...START_MEANS] as const;
/** What is typed for a hole that is there already and has a thread in it. */
export const OLD_THREAD = 'thread';

/** A question as typed: every field as text or choice, so that nothing typed is lost, readable or not. */
export interface AskForm {
  callout: string;
  material: string;
  hole: (typeof HOLE_CHOICES)[number];
  depth: string;
  thickness: string;
  width: string;
  /** Diameter of a hole that is there already, or {@link OLD_THREAD}; empty for full metal. */
  existing: string;
  /** `crib` or the id of a set. */
  drills: string;
  /** Label of a drill to use instead of the proposed one; empty for none. */
  drill: string;
  tap: (typeof TAP_CHOICES)[number];
  /** Way of driving the tap. */
  way: 'auto' | WayId;
  /** Keys of the taps to use, in order, with commas between; empty for those proposed. */
  taps: string;
  /** How the room at the bottom of a blind hole is made. */
  room: 'auto' | RoomId;
  /** Free space behind a through hole; empty where it is not known. */
  behind: string;
  /** `auto` or a number. */
  percent: string;
  machine: string;
  start: 'auto' | StartMeans;
  dry: boolean;
  /** Bolt class, empty for the usual one. */
  bolt: string;
  parts: string;
  units: Display;
}

export const BLANK_FORM: AskForm = {
  callout: '',
  material: 'steel-low-carbon',
  hole: 'auto',
  depth: '',
  thickness: '',
  width: '',
  existing: '',
  drills: 'crib',
  drill: '',
  tap: 'auto',
  way: 'auto',
  taps: '',
  room: 'auto',
  behind: '',
  percent: 'auto',
  machine: '',
  start: 'auto',
  dry: false,
  bolt: '',
  parts: '1',
  units: 'mm',
};

/** The hole that is worked out where nothing is asked yet, and on which habits show their effect. */
export const EXAMPLE_HOLE = { callout: 'M8 x 16 DEEP', thickness: '25 mm' } as const;

const CHOICES = {
  hole: HOLE_CHOICES,
  tap: TAP_CHOICES,
  way: WAY_CHOICES,
  room: ROOM_CHOICES,
  start: START_CHOICES,
  units: DISPLAYS,
} as const;

const KEYS = Object.keys(BLANK_FORM) as (keyof AskForm)[];
const LONGEST = 300;

/** The question as an address's query, only what differs from the blank form; the callout always. */
export function toAddress(form: AskForm): string {
  const params = new URLSearchParams();
  for (const key of KEYS) {
    const value = String(form[key]);
    if (key === 'callout' || key === 'units' || value !== String(BLANK_FORM[key])) params.set(key, value);
  }
  return params.toString();
}

/** The question in an address; what is unknown or too long is left at `base`. */
export function fromAddress(
  params: Record<string, string | string[] | undefined>,
  base: Partial<AskForm> = {},
): AskForm {
  const form: AskForm = { ...BLANK_FORM, ...base };
  for (const key of KEYS) {
    const given = params[key];
    const value = Array.isArray(given) ? given[0] : given;
    if (value === undefined || value.length > LONGEST) continue;
    if (key === 'dry') form.dry = value === 'true';
    else if (Object.hasOwn(CHOICES, key)) {
      if ((CHOICES[key as keyof typeof CHOICES] as readonly string[]).includes(value))
        Object.assign(form, { [key]: value });
    } else Object.assign(form, { [key]: value });
  }
  return form;
}
