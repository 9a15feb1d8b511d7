import type { Drawn, Quantity, Unit } from '../answer/answer';
import { REASONS, type WITH_PAGE } from '../answer/reasons';
import { rpmFor, ruleOfThumbRpm, sfmToMPerMin } from '../cutting/cutting-speed';
import { drillingTorqueNm, grabForce } from '../cutting/drilling-torque';
import { drillFeed, peckDepths } from '../cutting/feed';
import { coneDepth } from '../drills/drill-point';
import { touchOff } from '../layout/dial-list';
import { combined, MEANS, shareOutside, START_SIGMA_MM } from '../layout/means-of-layout';
import { dimpleFor } from '../layout/punch';
import { MATERIALS } from '../materials/materials';
import { expectedMinor } from '../tap-drill/forming';
import { handTap } from '../tapping/tap';
import { turnsToStop } from '../tapping/stopping-room';
import { breakingNm } from '../tapping/tap-strength';
import { countTurns } from '../tapping/rhythm';
import { fluidFactor, rubFactor, tappingTorqueNm, toothLoad, type TappingConditions } from '../tapping/tapping-torque';
import { boltStressArea, nutStripArea } from '../threads/engagement';
import { percentOfThread } from '../threads/percent-of-thread';
import { threadNamed } from '../threads/thread-named';
import type { Thread } from '../threads/thread';

/** One figure that follows from another, to be dragged along. */
export interface LiveCurve {
  x: { label: string; unit: Unit; from: number; to: number; at: number };
  y: { label: string; unit: Unit };
  of: (x: number) => number;
  /** What comes of it, said. */
  says: (x: number, y: number) => string;
}

/** One rule of the trade on one page. */
export interface WhyPage {
  id: (typeof WITH_PAGE)[number];
  title: string;
  /** A few sentences more than the rule itself. */
  text: string;
  drawn?: Drawn | { kind: 'pilot' };
  curve?: LiveCurve;
}

/** Tensile strength of an 8.8 bolt, MPa. */
const EIGHT_EIGHT_MPA = 800;
const M8 = threadNamed('M8x1.25') as Thread;
const metal = (id: string) => MATERIALS.find((m) => m.id === id) ?? MATERIALS[0];
const STEEL = metal('steel-low-carbon');
const PLUG = handTap('plug', M8.majorMm, 'taper-plug-bottoming');
/** Speed of a high-speed edge in mild steel, m/min. */
const M_PER_MIN = sfmToMPerMin(STEEL.drillSfmHss.start);
/** A line scribed by a height gauge, one sigma. */
const LINE_MM = MEANS.find((m) => m.id === 'height-gauge')?.sigmaMm ?? 0;
/** On nominal sizes: full thread in aluminium that holds an 8.8 bolt of M8. */
const ALUMINIUM = metal('aluminium-wrought-6000');
const PITCH_DIAMETER_MM = M8.majorMm - 0.649519 * M8.pitchMm;
const ENOUGH_MM =
  (EIGHT_EIGHT_MPA * boltStressArea(M8)) /
  (ALUMINIUM.shearMPa * nutStripArea(M8.pitchMm, M8.majorMm, PITCH_DIAMETER_MM));
const tapping = (over: Partial<TappingConditions> = {}): TappingConditions => ({
  thread: M8,
  material: STEEL,
  tap: PLUG,
  minorMm: 6.85,
  depthMm: 12,
  through: true,
  reversing: true,
  ...over,
});
const within = (value: number, limits: readonly [number, string][], beyond: string): string =>
  limits.find(([most]) => value <= most)?.[1] ?? beyond;

/** A spindle that coasts as most do. */
const COAST = { revolutions: 1.5, atRpm: 140 };

/** Every rule that has a page of its own, in the order of the work. */
export const WHY_PAGES: readonly WhyPage[] = [
  {
    id: 'percent',
    title: 'Percent of thread',
    text: 'Strength hardly rises above 75 %, torque does. In stringy metal aim lower, in brittle metal higher, and lower again where the hole is deep or the tap small.',
    drawn: { kind: 'percent', majorMm: 8, holeMm: 6.8, heightMm: 0.8119 },
  },
  {
    id: 'predicted',
    title: 'The hole is not the drill',
    text: 'A punch mark, a worn point or spindle play make it larger; soft stringy metal closes in. What counts is the hole that is there: pin one before tapping where it is close.',
    drawn: { kind: 'class', drillMm: 6.8, holeMm: 6.9, sigmaMm: 0.036, minMm: 6.647, maxMm: 6.912 },
  },
  {
    id: 'class',
    title: 'Class of fit',
    text: 'The class says how large and how small the minor diameter may be. A looser class widens the upper limit, never the lower.',
    drawn: { kind: 'class', drillMm: 8.5, holeMm: 8.61, sigmaMm: 0.04, minMm: 8.376, maxMm: 8.676 },
  },
  {
    id: 'forming',
    title: 'Forming',
    text: 'Only metal that flows, driven steadily, with its own larger drill, and pinned afterwards: a hundredth in the drill is two in the thread.',
    curve: {
      x: { label: 'drill', unit: 'mm', from: 7.2, to: 7.6, at: 7.4 },
      y: { label: 'minor diameter left', unit: 'mm' },
      of: (x) => expectedMinor({ thread: M8, material: ALUMINIUM }, x).mean,
      says: (_, y) =>
        within(
          y,
          [
            [6.647, 'Too tight: the tap turns hard and the crests fold.'],
            [6.912, 'Inside the class.'],
          ],
          'Too loose for 6H; 7H may still take it.',
        ),
    },
  },
  {
    id: 'enough',
    title: 'Enough thread',
    text: 'One diameter in steel, one and a half in aluminium hold as much as the bolt. More only costs turns.',
    curve: {
      x: { label: 'full thread', unit: 'mm', from: 2, to: 20, at: 8 },
      y: { label: 'of what the bolt holds', unit: 'percent' },
      of: (x) => Math.min(100, (100 * x) / ENOUGH_MM),
      says: (_, y) => (y < 100 ? 'The thread strips first.' : 'The bolt breaks first: more thread adds nothing.'),
    },
  },
  {
    id: 'tip',
    title: 'The point of the drill',
    text: 'The stop is set from where the point touches: full depth and the point. A 135-degree point is two thirds as long.',
    drawn: { kind: 'tip', diameterMm: 8, pointAngleDeg: 118 },
  },
  {
    id: 'room',
    title: 'Room at the bottom',
    text: 'Full thread, the chamfer of the last tap, and room for chips: together they are the depth at full diameter.',
    drawn: { kind: 'room', fromMm: 0, threadMm: 16, chamferThreads: 4, pitchMm: 1.25, roomMm: 1.25, majorMm: 8 },
  },
  {
    id: 'speed',
    title: 'Speed',
    text: 'Metal and steel of the drill set how fast the edge may go; the diameter turns that into revolutions.',
    curve: {
      x: { label: 'drill', unit: 'mm', from: 2, to: 20, at: 8.5 },
      y: { label: 'speed', unit: 'rpm' },
      of: (x) => rpmFor(M_PER_MIN, x),
      says: (x, y) => `${Math.round(y)} a minute: a drill of ${(x / 2).toFixed(1)} mm would turn twice as fast.`,
    },
  },
  {
    id: 'thumb',
    title: 'The quick rule',
    text: '9000 by the diameter in millimetres in mild steel; twice that in aluminium and brass, half in stainless, a third in titanium.',
    curve: {
      x: { label: 'drill', unit: 'mm', from: 2, to: 20, at: 6 },
      y: { label: 'by the quick rule', unit: 'rpm' },
      of: (x) => ruleOfThumbRpm(STEEL, x).value,
      says: (x, y) => `9000 ÷ ${x.toFixed(1)} is ${Math.round(y)}.`,
    },
  },
  {
    id: 'step',
    title: 'Between two belts',
    text: 'In hard metal and by hand the lower one, otherwise the nearer. Over 130 % of the ideal the lips go.',
    curve: {
      x: { label: 'step, of the ideal', unit: 'percent', from: 30, to: 200, at: 90 },
      y: { label: 'edge speed', unit: 'percent' },
      of: (x) => x,
      says: (x) =>
        within(
          x,
          [
            [40, 'So slow that only time is lost.'],
            [130, 'Right.'],
            [200, 'Too fast: the lips blunt in seconds.'],
          ],
          'Refused.',
        ),
    },
  },
  {
    id: 'feed',
    title: 'Feed',
    text: 'A real chip keeps the edge in fresh metal. In metal that hardens, rubbing is the worst there is.',
    curve: {
      x: { label: 'drill', unit: 'mm', from: 2, to: 20, at: 8 },
      y: { label: 'feed of a turn', unit: 'mm' },
      of: (x) => drillFeed(x, STEEL, false).value,
      says: (_, y) => `About ${y.toFixed(2)} mm a turn in mild steel.`,
    },
  },
  {
    id: 'hardens',
    title: 'Withdrawing, and metal that hardens',
    text: 'Deeper than three diameters chips pack: out fully, and again after each diameter; in sticky metal twice as often. Then straight back to cutting: a drill that dwells hardens the bottom.',
    curve: {
      x: { label: 'depth of an 8 mm hole', unit: 'mm', from: 8, to: 60, at: 32 },
      y: { label: 'times out', unit: 'count' },
      of: (x) => peckDepths(8, x, STEEL, false).length,
      says: (_, y) => (y === 0 ? 'In one go.' : `Out ${y} times.`),
    },
  },
  {
    id: 'power',
    title: 'Power',
    text: 'Torque rises with the square of the diameter: a large drill wants a pilot, a slow gear and a motor that can.',
    curve: {
      x: { label: 'drill', unit: 'mm', from: 4, to: 25, at: 12 },
      y: { label: 'torque', unit: 'Nm' },
      of: (x) => drillingTorqueNm(x, 0.15, 118, STEEL),
      says: (_, y) => `${y.toFixed(1)} Nm at the spindle.`,
    },
  },
  {
    id: 'grab',
    title: 'Clamp it',
    text: 'When it breaks through, a drill screws itself in and takes the part round. A clamp or a stop against the column holds what no hand does.',
    curve: {
      x: { label: 'held this far out', unit: 'mm', from: 30, to: 300, at: 100 },
      y: { label: 'force at the edge', unit: 'N' },
      of: (x) => grabForce(drillingTorqueNm(10, 0.15, 118, STEEL), x, false).value,
      says: (_, y) => `${Math.round(y)} N: ${y > 150 ? 'no hand holds that.' : 'still more than a hand reacts to.'}`,
    },
  },
  {
    id: 'pilot',
    title: 'The pilot',
    text: 'As wide as the chisel edge, or a little over. None under 10 mm with a split point.',
    drawn: { kind: 'pilot' },
  },
  {
    id: 'start',
    title: 'The start',
    text: 'The mark has to swallow the chisel edge, or the drill walks off it before its lips cut.',
    curve: {
      x: { label: 'drill', unit: 'mm', from: 2, to: 20, at: 8 },
      y: { label: 'dimple at least', unit: 'mm' },
      of: (x) => dimpleFor(x),
      says: (_, y) => `A dimple of ${y.toFixed(1)} mm, or a centre drill.`,
    },
  },
  {
    id: 'order',
    title: 'Larger first',
    text: 'The larger, shallower bore first: the smaller drill starts from its floor, and the clearance part then guides the tap.',
    curve: {
      x: { label: 'counterbore', unit: 'mm', from: 8, to: 20, at: 11 },
      y: { label: 'left to cut after a hole of 6.8', unit: 'mm' },
      of: (x) => (x - 6.8) / 2,
      says: (_, y) => (y < 1 ? 'Only the corners cut: it binds and grabs.' : 'The other way round it would bind.'),
    },
  },
  {
    id: 'torque',
    title: 'What a tap takes',
    text: 'Torque is thread area, chip and rubbing. The last quarter of a full thread costs as much as all before it.',
    curve: {
      x: { label: 'hole for M8', unit: 'mm', from: 6.4, to: 7.2, at: 6.8 },
      y: { label: 'torque', unit: 'Nm' },
      of: (x) => tappingTorqueNm(tapping({ minorMm: x })),
      says: (x, y) =>
        `${percentOfThread(M8, x).toFixed(0)} % of thread takes ${y.toFixed(1)} Nm; rubbing alone makes it ${rubFactor(percentOfThread(M8, x)).toFixed(1)} times.`,
    },
  },
  {
    id: 'breaking',
    title: 'What a tap holds',
    text: 'Small taps hold little and give no warning: the core counts, and it goes with the cube.',
    curve: {
      x: { label: 'thread', unit: 'mm', from: 2, to: 16, at: 5 },
      y: { label: 'holds at least about', unit: 'Nm' },
      of: (x) => breakingNm({ ...M8, majorMm: x, pitchMm: 0.15 * x }, { geometry: 'straight', steel: 'hss' }),
      says: (_, y) => (y < 2 ? 'Two fingers break it.' : `${y.toFixed(0)} Nm.`),
    },
  },
  {
    id: 'teeth',
    title: 'Chamfer threads',
    text: 'Each tooth of the chamfer takes its share. Names differ by country, so the number is said with the name.',
    curve: {
      x: { label: 'chamfer threads', unit: 'count', from: 1, to: 9, at: 4 },
      y: { label: 'chip on a tooth', unit: 'mm' },
      of: (x) => toothLoad(tapping({ tap: { ...PLUG, chamferThreads: x } })),
      says: (_, y) => (y > 0.1 ? 'Thick: teeth chip.' : 'Right.'),
    },
  },
  {
    id: 'turns',
    title: 'Count the turns',
    text: 'Depth by pitch, and the chamfer goes ahead. The bottom is a hard stop: the next push breaks the tap.',
    curve: {
      x: { label: 'full thread of M8', unit: 'mm', from: 5, to: 25, at: 16 },
      y: { label: 'turns with a plug tap', unit: 'turns' },
      of: (x) => countTurns(M8, PLUG, x),
      says: (_, y) => `Stop at ${y.toFixed(1)}.`,
    },
  },
  {
    id: 'stopping',
    title: 'Stopping room',
    text: 'Half a second to react, then the spindle coasts. In a blind hole the switch is thrown while turns are in hand.',
    curve: {
      x: { label: 'speed', unit: 'rpm', from: 40, to: 600, at: 140 },
      y: { label: 'turns until it stands', unit: 'turns' },
      of: (x) => turnsToStop(x, COAST),
      says: (_, y) => `${y.toFixed(1)} turns: throw the switch before so many are left.`,
    },
  },
  {
    id: 'fluid',
    title: 'Fluid',
    text: 'The right one for the metal, and plenty of it. Grey iron goes dry; some fluids for steel stain aluminium.',
    curve: {
      x: { label: 'torque with the right fluid', unit: 'Nm', from: 1, to: 20, at: 5 },
      y: { label: 'dry', unit: 'Nm' },
      of: (x) => x * fluidFactor(tapping({ fluid: 'dry' })),
      says: (_, y) => `Dry it takes ${y.toFixed(1)} Nm.`,
    },
  },
  {
    id: 'lean',
    title: 'Square',
    text: 'Look from two sides in the first two turns. Later the thread leads the tap, and nothing presses it straight.',
    curve: {
      x: { label: 'lean', unit: 'deg', from: 0, to: 3, at: 1 },
      y: { label: 'gap at the top of a 50 mm square', unit: 'mm' },
      of: (x) => 50 * Math.tan((x * Math.PI) / 180),
      says: (x) => (x > 0.5 ? 'Press it straight now.' : 'Square enough.'),
    },
  },
  {
    id: 'place',
    title: 'Errors add as squares',
    text: 'Line, punch, start: the worst one decides. Better lines do not help where the punch wanders.',
    curve: {
      x: { label: 'punch mark off, one sigma', unit: 'mm', from: 0.01, to: 0.2, at: 0.06 },
      y: { label: 'holes out of a zone of 0.5', unit: 'percent' },
      of: (x) => 100 * shareOutside(0.5, combined(LINE_MM, x, START_SIGMA_MM.punch)),
      says: (_, y) => `${y.toFixed(1)} of a hundred holes miss.`,
    },
  },
  {
    id: 'touch',
    title: 'Touch off',
    text: 'The spindle stands half a tool from its flank, and the shim lies between. Always come from the same side.',
    curve: {
      x: { label: 'tool', unit: 'mm', from: 3, to: 20, at: 8 },
      y: { label: 'on, with a shim of 0.25', unit: 'mm' },
      of: (x) => touchOff(x, 0.25).value,
      says: (_, y) => `Lift clear, then ${y.toFixed(2)} mm on.`,
    },
  },
  {
    id: 'wall',
    title: 'Walls and floors',
    text: 'Under a millimetre and a half a floor bulges and breaks out. A 135-degree point leaves more of it.',
    curve: {
      x: { label: 'stock below the full diameter', unit: 'mm', from: 0.5, to: 8, at: 4 },
      y: { label: 'left under an 8 mm point', unit: 'mm' },
      of: (x) => x - coneDepth(8, 118),
      says: (_, y) => (y <= 0 ? 'It breaks through.' : y < 1.5 ? 'Too thin.' : 'Enough.'),
    },
  },
];

export const whyPage = (id: string): WhyPage | undefined => WHY_PAGES.find((p) => p.id === id);
export const ruleOf = ({ id }: Pick<WhyPage, 'id'>): string => REASONS[id].says;
export const curveAt = ({ y, of }: LiveCurve, x: number): Quantity => ({ value: of(x), unit: y.unit });
