import { depth, mm, phrase, type Phrase } from '../answer/answer';
import { isRigid } from '../cutting/machine';
import { TAPPED_TO_HB } from '../materials/material';
import { isTapered } from '../threads/thread';
import type { TappingQuestion } from './tapping-question';

export const WAYS = [
  'hand-free',
  'hand-guided',
  'hand-block',
  'hand-bore',
  'chuck-start',
  'power-start',
  'loose-chuck',
  'reversing-spindle',
  'spindle-bites',
  'reversing-head',
  'lathe-hand',
  'lathe-start',
  'lathe',
] as const;
export type WayId = (typeof WAYS)[number];

interface WayFacts {
  label: string;
  byHand: boolean;
  /** The spindle turns the tap under power, at least to begin with. */
  spindle: boolean;
  /** The tap is held in the chuck. */
  inChuck: boolean;
  /** The spindle runs it in a few turns, a wrench finishes. */
  runIn?: true;
  /** Under power, and turned back every few turns. */
  turnsBack?: true;
  /** Lean of the tap that people reach, degrees. Our judgement. */
  leanDeg: number;
  /** One sigma of it, degrees. Our judgement. */
  leanSigmaDeg: number;
  /** To set up once, s, and besides the tapping for each hole, s. Our judgement. */
  setUpS: number;
  extraS: number;
}

const HAND = { byHand: true, spindle: false, inChuck: false, setUpS: 0 } as const;
const POWER = { byHand: false, spindle: true, inChuck: true } as const;

export const WAY_FACTS: Record<WayId, WayFacts> = {
  'hand-free': { ...HAND, label: 'By hand, freehand', leanDeg: 1.5, leanSigmaDeg: 0.8, extraS: 20 },
  'hand-guided': { ...HAND, label: 'By hand, guided by a spring centre', leanDeg: 0.3, leanSigmaDeg: 0.25, extraS: 15 },
  'hand-block': { ...HAND, label: 'By hand, guided by a tapping block', leanDeg: 0.5, leanSigmaDeg: 0.4, extraS: 20 },
  'hand-bore': {
    ...HAND,
    label: 'By hand, guided by the larger bore above',
    leanDeg: 0.4,
    leanSigmaDeg: 0.5,
    extraS: 15,
  },
  'chuck-start': {
    ...HAND,
    inChuck: true,
    label: 'Started in the chuck by hand, finished with a wrench',
    leanDeg: 0.25,
    leanSigmaDeg: 0.25,
    extraS: 30,
  },
  'power-start': {
    ...HAND,
    spindle: true,
    inChuck: true,
    runIn: true,
    label: 'Started under power, finished with a wrench',
    leanDeg: 0.2,
    leanSigmaDeg: 0.1,
    setUpS: 60,
    extraS: 35,
  },
  'loose-chuck': {
    ...HAND,
    spindle: true,
    inChuck: true,
    runIn: true,
    label: 'Started in a loose chuck that slips, finished with a wrench',
    leanDeg: 0.6,
    leanSigmaDeg: 0.4,
    setUpS: 10,
    extraS: 30,
  },
  'reversing-spindle': {
    ...POWER,
    label: 'Under power, reversing spindle',
    leanDeg: 0.15,
    leanSigmaDeg: 0.1,
    setUpS: 90,
    extraS: 15,
  },
  'spindle-bites': {
    ...POWER,
    turnsBack: true,
    label: 'Under power, turned back every few turns',
    leanDeg: 0.15,
    leanSigmaDeg: 0.1,
    setUpS: 90,
    extraS: 15,
  },
  'reversing-head': {
    ...POWER,
    inChuck: false,
    label: 'Reversing tapping head',
    leanDeg: 0.2,
    leanSigmaDeg: 0.1,
    setUpS: 240,
    extraS: 15,
  },
  'lathe-hand': {
    ...HAND,
    label: 'In the lathe by hand, against the tailstock centre',
    leanDeg: 0.12,
    leanSigmaDeg: 0.1,
    setUpS: 20,
    extraS: 15,
  },
  'lathe-start': {
    ...HAND,
    spindle: true,
    inChuck: true,
    runIn: true,
    label: 'In the lathe, started under power, finished by hand',
    leanDeg: 0.12,
    leanSigmaDeg: 0.1,
    setUpS: 40,
    extraS: 25,
  },
  lathe: {
    ...POWER,
    label: 'In the lathe under power, tailstock free to follow',
    leanDeg: 0.1,
    leanSigmaDeg: 0.1,
    setUpS: 60,
    extraS: 15,
  },
};

/** What a way is called in this shop. */
export function wayLabel(id: WayId, { habits }: TappingQuestion): string {
  if (id === 'lathe' && habits.tailstock !== 'free')
    return `In the lathe under power, tailstock ${habits.tailstock === 'cranked' ? 'cranked after the tap' : 'locked and the barrel cranked'}`;
  return WAY_FACTS[id].label;
}

/** Turns that a spindle is let run before it is switched off, when the rest is turned by hand. Trade rule. */
export const RUN_IN_TURNS = 3;
/** No plain chuck slips soon enough for a tap under this size, mm. Trade rule. */
export const CHUCK_SLIPS_FROM_MM = 4.9;
/** A bore above guides a tap that is no more than this much thinner, mm, for at least this many diameters. Our judgement. */
const BORE_GUIDES = { looseMm: 1.2, deepD: 0.5 } as const;
const ON_AXIS_MM = 0.5;

const pressOrMill = ({ machine }: TappingQuestion): boolean =>
  machine?.kind === 'drill-press' || machine?.kind === 'mill';

const head = ({ aids, thread }: TappingQuestion) =>
  aids?.heads.find((h) => h.fromMm <= thread.majorMm + 0.01 && thread.majorMm <= h.toMm + 0.01);

function withoutGuide(id: WayId, q: TappingQuestion): Phrase | undefined {
  const { hole, thread, aids } = q;
  if (id === 'hand-guided') {
    if (!pressOrMill(q))
      return phrase('Needs a drill press or mill that stays over the hole with a spring centre in its spindle.');
    if (aids && !aids.springCentre) return phrase('No spring centre in the crib.');
  }
  if (id === 'hand-block' && aids && !aids.block) return phrase('No tapping block in the crib.');
  if (id === 'hand-bore') {
    if (hole.upperMm === undefined || hole.fromMm <= 0)
      return phrase('No larger bore above the thread to guide the tap.');
    if (hole.upperMm - thread.majorMm > BORE_GUIDES.looseMm || hole.fromMm < BORE_GUIDES.deepD * thread.majorMm)
      return phrase('The bore above, {upper} and {deep} deep, is too wide or too short to guide the tap.', {
        upper: mm(hole.upperMm),
        deep: depth(hole.fromMm),
      });
  }
  return undefined;
}

const NO_CHUCK_SLIPS = phrase(
  'Under M5 no plain chuck slips before the tap breaks: under power only in a tapping head with its clutch set.',
);

const IN_LATHE: readonly WayId[] = ['lathe', 'lathe-hand', 'lathe-start'];

function withoutLathe(id: WayId, { machine, hole, thread }: TappingQuestion): Phrase | undefined {
  if (!IN_LATHE.includes(id) && !(id === 'spindle-bites' && machine?.kind === 'lathe')) return undefined;
  if (machine?.kind !== 'lathe') return phrase('Needs a lathe, with the hole on the axis of the part.');
  if ((hole.offAxisMm ?? 0) > ON_AXIS_MM)
    return Number.isFinite(hole.offAxisMm)
      ? phrase('The hole is {off} off the axis of the part.', { off: mm(hole.offAxisMm ?? 0) })
      : phrase('The hole is not on the axis of the part.');
  return id !== 'lathe-hand' && thread.majorMm < CHUCK_SLIPS_FROM_MM ? NO_CHUCK_SLIPS : undefined;
}

function withoutSpindle(id: WayId, q: TappingQuestion): Phrase | undefined {
  const { machine, thread } = q;
  if (id === 'chuck-start' && !pressOrMill(q))
    return phrase('Needs a drill press or mill whose spindle can be turned by hand over the hole.');
  if (id === 'power-start' || id === 'loose-chuck') {
    if (!pressOrMill(q)) return phrase('Needs a drill press or mill over the hole.');
    // A loose chuck is a method that one may choose under M5, with its warning.
    if (id === 'power-start' && thread.majorMm < CHUCK_SLIPS_FROM_MM) return NO_CHUCK_SLIPS;
  }
  if (id !== 'reversing-spindle' && id !== 'spindle-bites') return undefined;
  if (machine?.kind === 'hand-drill') return phrase('A hand-held drill cannot hold the tap square and stop in time.');
  if (!machine || !(pressOrMill(q) || (id === 'spindle-bites' && machine.kind === 'lathe')))
    return phrase('Needs a drill press or mill that reverses.');
  if (!machine.reversible)
    return phrase('The {machine} does not reverse: the tap could not be backed out.', { machine: machine.name });
  return thread.majorMm < CHUCK_SLIPS_FROM_MM ? NO_CHUCK_SLIPS : undefined;
}

function withoutHead(id: WayId, q: TappingQuestion): Phrase | undefined {
  if (id !== 'reversing-head') return undefined;
  if (!q.machine?.tappingHead) return phrase('This machine has no reversing tapping head.');
  const own = head(q);
  if (q.aids && !own)
    return q.aids.heads.length === 0
      ? phrase('No tapping head in the crib.')
      : phrase('The tapping head in the crib takes {from} to {to}.', {
          from: mm(Math.min(...q.aids.heads.map((h) => h.fromMm))),
          to: mm(Math.max(...q.aids.heads.map((h) => h.toMm))),
        });
  if (!q.hole.through && !own?.deepStop)
    return phrase('A reversing head is for through holes: in a blind one it needs a depth stop and float.');
  return undefined;
}

/** A metal too hard for a tap turned by hand or in a machine that gives way. */
function tooHard(id: WayId, { material, machine }: TappingQuestion): Phrase | undefined {
  const { hardnessHb: hb } = material;
  const hardness = `${hb} HB`;
  if (hb <= TAPPED_TO_HB.byHand) return undefined;
  if (WAY_FACTS[id].byHand)
    return phrase('At {hardness} no tap is turned by hand: it takes a rigid machine, or tapping before hardening.', {
      hardness,
    });
  return isRigid(machine)
    ? undefined
    : phrase('At {hardness} it takes a rigid machine: a mill or a lathe.', { hardness });
}

/** Why a way is not to be had with this machine, crib, metal and hole, whatever the taps. */
export function unavailable(id: WayId, q: TappingQuestion): Phrase | undefined {
  const hard = tooHard(id, q);
  if (hard) return hard;
  const missing = withoutGuide(id, q) ?? withoutLathe(id, q) ?? withoutSpindle(id, q) ?? withoutHead(id, q);
  if (missing) return missing;
  const underPower = !WAY_FACTS[id].byHand;
  if (underPower && q.habits.neverBlind && !q.hole.through)
    return phrase('This shop never taps blind holes under power.');
  if (isTapered(q.thread) && WAY_FACTS[id].spindle && !IN_LATHE.includes(id))
    return phrase('A tapered thread loads the tap more with every turn and is stopped by gauge: tap it by hand.');
  return undefined;
}

/** Under M5 a loose chuck slips too late as well: chosen by somebody, never proposed. */
export const slipsTooLate = (id: WayId, { thread }: TappingQuestion): boolean =>
  id === 'loose-chuck' && thread.majorMm < CHUCK_SLIPS_FROM_MM;

/** The tapping head of the crib for this thread. */
export const headFor = head;
