import { depth, mm, phrase, quantity, type Phrase } from '../answer/answer';
import { CHIP_SIGNS, type ChipSign } from '../cutting/chips-adviser';
import { peckEvery } from '../cutting/feed';
import { typicalHoleMm } from '../drills/expected-hole';
import { pointAngleOf } from '../drills/drill';
import { coneDepth } from '../drills/drill-point';
import { mainCut, type HolePlan } from '../hole/hole-plan';
import { isWorkHardening, type Material } from '../materials/material';
import { chanceOf } from './chance';
import { someHole, type PracticeSource } from './some-hole';

/** A hole to be drilled on the screen. Lengths in mm. */
export interface PressTask {
  /** What it is drilled with. */
  drill: string;
  diameterMm: number;
  material: Material;
  machine: string;
  steps: readonly number[];
  idealRpm: number;
  /** Right feed, mm a turn. */
  feed: number;
  tipMm: number;
  /** Full diameter to here; the whole stock where it goes through. */
  fullMm: number;
  through: boolean;
  pointDeg: number;
  /** What this drill leaves. */
  holeMm: number;
}

/** What goes wrong at a press. */
export type PressFault = 'burnt' | 'packed' | 'grabbed' | 'hardened' | 'rubbed' | 'short' | 'deep';

export type PressAct =
  | { do: 'belt'; rpm: number }
  | { do: 'stop'; mm: number }
  /** The wheel for a moment: feed as a share of the right one; 0 to dwell. */
  | { do: 'feed'; share: number }
  | { do: 'out' }
  | { do: 'end' };

export interface PressState {
  rpm: number;
  stopMm: number;
  /** Of the tip, from where it touched. */
  deepMm: number;
  /** Since the chips were cleared last. */
  sinceOutMm: number;
  /** Moments too fast, and moments without a chip. */
  hotMoments: number;
  idleMoments: number;
  lastShare: number;
  outs: number;
  faults: readonly PressFault[];
  isOver: boolean;
}

/** A moment at the wheel, s. */
const MOMENT_S = 0.25;
const TOO_FAST = 1.3;
const TOO_LIGHT = 0.5;
/** Over this feed at breakthrough the drill catches. Our judgement. */
const EASED = 0.6;
/** So many moments too fast take the lips off; so many without a chip harden a metal that hardens. Our judgement. */
const BURNS_AFTER = 6;
const HARDENS_AFTER = 3;
/** Chips pack so far beyond where they should be cleared. Our judgement. */
const PACKS_AT = 1.8;
/** How close a depth has to come. */
const NEAR_MM = 0.3;

/** A hole of the shop for the press. @returns undefined where the shop has no press with steps */
export function pressTask(source: PracticeSource, seed: number): PressTask | undefined {
  const chance = chanceOf(seed);
  const plan: HolePlan | undefined = someHole(source, chance, {
    machines: ['drill-press'],
    fits: (p) =>
      p.machine?.speeds.kind === 'steps' && mainCut(p)?.speed.ok === true && mainCut(p)?.spec.drill !== undefined,
  });
  const cut = plan && mainCut(plan);
  const drill = cut?.spec.drill;
  const speeds = plan?.machine?.speeds;
  if (!plan?.machine || !cut?.speed.ok || !drill || speeds?.kind !== 'steps') return undefined;
  const { rpm, percentOfIdeal } = cut.speed.value;
  const hole = typicalHoleMm({ drill, start: plan.start, material: plan.material });
  return {
    drill: cut.spec.tool.name,
    diameterMm: cut.spec.diameterMm,
    material: plan.material,
    machine: plan.machine.name,
    steps: [...new Set(speeds.steps.map((s) => s.rpm))].sort((a, b) => a - b),
    idealRpm: (100 * rpm) / percentOfIdeal,
    feed: cut.feed.value,
    tipMm: coneDepth(cut.spec.diameterMm, pointAngleOf(drill)),
    fullMm: Math.round(cut.spec.fullMm * 10) / 10,
    through: cut.spec.through,
    pointDeg: pointAngleOf(drill),
    holeMm: hole.mean + hole.sigma * (chance.even() + chance.even() + chance.even() - 1.5),
  };
}

export const freshPress = (): PressState => ({
  rpm: 0,
  stopMm: 0,
  deepMm: 0,
  sinceOutMm: 0,
  hotMoments: 0,
  idleMoments: 0,
  lastShare: 0,
  outs: 0,
  faults: [],
  isOver: false,
});

/** Where the tip is when the hole is as asked: through, a little beyond. */
export const endMm = ({ fullMm, tipMm, through }: PressTask): number => fullMm + tipMm + (through ? 1 : 0);

/** How far a drill goes before its chips are to be cleared, mm. */
const clearEvery = ({ diameterMm, material }: PressTask): number =>
  Math.max(peckEvery(diameterMm, material), 3 * diameterMm * (material.chips === 'stringy' ? 0.5 : 1));

/** What chips and sound say just now. */
export function chipNow(
  task: PressTask,
  { rpm, lastShare, sinceOutMm }: Pick<PressState, 'rpm' | 'lastShare' | 'sinceOutMm'>,
): ChipSign | undefined {
  if (rpm === 0 || lastShare === 0) return undefined;
  const share = rpm / task.idealRpm;
  if (share > TOO_FAST)
    return task.material.group === 'steel' || task.material.group === 'stainless' ? 'blue' : 'squeal';
  if (lastShare < TOO_LIGHT) return isWorkHardening(task.material) ? 'rubs' : 'needles';
  return sinceOutMm > clearEvery(task) && task.material.chips === 'stringy' ? 'strings' : 'curls';
}

/** The press after an act. What is over stays so. */
export function atPress(task: PressTask, before: PressState, done: PressAct): PressState {
  if (before.isOver) return before;
  const s = { ...before };
  const fault = (one: PressFault): void => {
    if (!s.faults.includes(one)) s.faults = [...s.faults, one];
  };
  const fatal = (one: PressFault): PressState => {
    fault(one);
    return { ...s, isOver: true };
  };
  switch (done.do) {
    case 'belt':
      // Belts are changed with the drill out of the hole.
      if (s.deepMm === 0) s.rpm = done.rpm;
      return s;
    case 'stop':
      if (s.deepMm === 0) s.stopMm = Math.max(0, done.mm);
      return s;
    case 'out':
      s.sinceOutMm = 0;
      s.hotMoments = Math.max(0, s.hotMoments - 2);
      s.outs += 1;
      s.lastShare = 0;
      return s;
    case 'end':
      if (!task.through && s.deepMm < endMm(task) - NEAR_MM) fault('short');
      if (task.through && s.deepMm < endMm(task) - 1) fault('short');
      return { ...s, isOver: true };
    case 'feed': {
      if (s.rpm === 0) return s;
      s.lastShare = done.share;
      const share = s.rpm / task.idealRpm;
      const most = s.stopMm > 0 ? s.stopMm : Infinity;
      // Where the point comes through the note changes: there is a moment to ease off.
      const isAtBack = task.through && s.deepMm >= task.fullMm - 0.01;
      const next = Math.min(most, !task.through ? Infinity : isAtBack ? endMm(task) : task.fullMm);
      const cut = Math.max(0, Math.min((done.share * task.feed * s.rpm * MOMENT_S) / 60, next - s.deepMm));
      s.deepMm += cut;
      s.sinceOutMm += cut;
      s.hotMoments = share > TOO_FAST ? s.hotMoments + 1 : Math.max(0, s.hotMoments - 0.2);
      s.idleMoments =
        done.share < TOO_LIGHT && cut < (TOO_LIGHT * task.feed * s.rpm * MOMENT_S) / 60 ? s.idleMoments + 1 : 0;
      if (s.hotMoments > BURNS_AFTER) return fatal('burnt');
      if (s.idleMoments >= HARDENS_AFTER) fault(isWorkHardening(task.material) ? 'hardened' : 'rubbed');
      if (s.sinceOutMm > PACKS_AT * clearEvery(task)) return fatal('packed');
      if (isAtBack && s.deepMm - cut < endMm(task) - 0.01 && done.share > EASED && task.diameterMm > 3)
        return fatal('grabbed');
      if (!task.through && s.deepMm > endMm(task) + NEAR_MM) fault('deep');
      return s;
    }
  }
}

const TOLD: Record<PressFault, { says: string; saves: string }> = {
  burnt: {
    says: 'The lips are blue and blunt: at {rpm} the edge ran at {share} % of what it stands.',
    saves: 'The next belt down.',
  },
  packed: {
    says: 'Chips packed in the flutes, and the drill broke at {deep}.',
    saves: 'Out fully after three diameters, then after each one; sticky metal sooner.',
  },
  grabbed: {
    says: 'It caught at breakthrough and swung the part.',
    saves: 'Ease off when the note changes, and clamp.',
  },
  hardened: {
    says: 'It rubbed and the bottom went hard: the tap will meet that.',
    saves: 'Keep cutting or get out: never dwell in this metal.',
  },
  rubbed: { says: 'It rubbed without a chip: the edge dulls so.', saves: 'Feed until you get a real chip.' },
  short: { says: 'It is {off} short of full depth.', saves: 'The stop from touch: full depth and the point.' },
  deep: { says: 'It went {off} too deep.', saves: 'Set the stop before you start: full depth and the point, {stop}.' },
};

/** What went wrong, and what would have saved it; nothing where all was right. */
export const pressTold = (task: PressTask, s: PressState): { fault: PressFault; says: Phrase; saves: Phrase }[] =>
  s.faults.map((fault) => {
    const values = {
      rpm: quantity(s.rpm, 'rpm'),
      share: ((100 * s.rpm) / task.idealRpm).toFixed(0),
      deep: depth(s.deepMm),
      off: mm(Math.round(Math.abs(s.deepMm - endMm(task)) * 10) / 10),
      stop: depth(endMm(task)),
    };
    return {
      fault,
      says: phrase(TOLD[fault].says as '{rpm}{share}{deep}{off}{stop}', values),
      saves: phrase(TOLD[fault].saves as '{stop}', values),
    };
  });

/** What one hears and sees, in words. */
export const chipWords = (sign: ChipSign | undefined): string => (sign ? CHIP_SIGNS[sign] : 'no chip');

/** The point is through and its corners are about to follow: the note changes. */
export const isAtBack = (task: PressTask, { deepMm }: PressState): boolean =>
  task.through && deepMm >= task.fullMm - 0.01 && deepMm < endMm(task) - 0.01;
