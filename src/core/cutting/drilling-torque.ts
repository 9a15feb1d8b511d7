import { answer, caution, mm, phrase, quantity, type Answer, type Caution } from '../answer/answer';
import type { Material } from '../materials/material';
import type { Machine } from './machine';

/**
 * Torque of a drill in Nm, or of one that opens a pilot. Model: D² f kc / 8000 with kc = kc11 · h^-mc and
 * h = feed ÷ 2 · sin(point ÷ 2); a pilot takes its share off.
 * @param feed mm/rev, above zero
 * @param pilotMm hole already there, 0 to under the diameter
 */
export function drillingTorque(
  diameterMm: number,
  feed: number,
  pointAngleDeg: number,
  material: Material,
  pilotMm = 0,
): Answer {
  const h = (feed / 2) * Math.sin((pointAngleDeg * Math.PI) / 360);
  const kc = material.kc11 * h ** -material.mc;
  const area = diameterMm ** 2 - pilotMm ** 2;
  return answer((area * feed * kc) / 8000, 'Nm', {
    rule: 'Drilling torque',
    formula: '(diameter² − pilot²) × feed × cutting force ÷ 8000',
    inputs: [
      ['drill', mm(diameterMm)],
      ['pilot', mm(pilotMm)],
      ['feed', quantity(feed, 'mm/rev')],
      [`cutting force, ${material.label}, chip of ${h.toFixed(3)} mm`, quantity(kc, 'MPa')],
    ],
    source: { kind: 'model', name: 'specific cutting force' },
    assumptions: [phrase('A sharp drill; a dull one takes half as much again.')],
  });
}

/** Power at the spindle, kW. */
export const spindlePower = (torqueNm: number, rpm: number): number => (torqueNm * rpm) / 9550;

/** Share of the motor's rating that reaches the tool through belts and gears. Our judgement. */
const REACHES_TOOL = 0.75;

/** Under this share of the feed the drill rubs more than it cuts. Our judgement. */
const LEAST_FEED_SHARE = 0.25;

/**
 * What to say when the cut wants more than the motor gives: the feed that it can do, or that it cannot. Undefined where
 * the motor is not known or strong enough.
 * @param feed mm/rev, that the torque was worked out with
 */
export function powerCaution(
  torqueNm: number,
  rpm: number,
  feed: number,
  material: Material,
  machine: Machine | undefined,
): Caution | undefined {
  if (machine?.powerW === undefined) return undefined;
  const wanted = spindlePower(torqueNm, rpm) * 1000;
  const share = ((machine.powerW * REACHES_TOOL) / wanted) ** (1 / (1 - material.mc));
  if (share >= 1) return undefined;
  const values = {
    wanted: wanted.toFixed(0),
    machine: machine.name,
    has: machine.powerW.toFixed(0),
    most: quantity(feed * share, 'mm/rev'),
  };
  return share < LEAST_FEED_SHARE
    ? caution(
        'warn',
        'power',
        'This cut wants about {wanted} W and the {machine} has {has} W at the motor: pilot first, or a slower step.',
        values,
      )
    : caution(
        'note',
        'power',
        'The {has} W of the {machine} allow a feed of about {most} here: ease off when it slows.',
        values,
      );
}

/** Force at the far edge of the part when the drill grabs, N: three times the torque over the lever. Model. */
export function grabForce(torqueNm: number, leverMm: number, assumed: boolean): Answer {
  return answer((3 * torqueNm * 1000) / leverMm, 'N', {
    rule: 'Force at the edge of the part when the drill grabs',
    formula: '3 × torque ÷ distance to the far edge',
    inputs: [
      ['torque', quantity(torqueNm, 'Nm')],
      ['distance to the far edge', mm(leverMm)],
    ],
    source: { kind: 'model', name: 'grab at breakthrough' },
    assumptions: assumed ? [phrase('The part is taken to reach this far; lay it out to know.')] : [],
  });
}

/** Ways to hold a part against turning, weakest first, with the force at its edge that each stands. Our judgement. */
export const HOLDINGS = [
  { id: 'stop', label: 'laid against a stop or the column', mostN: 60 },
  { id: 'loose-vise', label: 'in a vise against a stop', mostN: 250 },
  { id: 'vise', label: 'in a vise bolted down', mostN: 1500 },
  { id: 'clamps', label: 'two strap clamps, or a vise bolted and blocked', mostN: Infinity },
] as const;
export type HoldingId = (typeof HOLDINGS)[number]['id'];

/** The least holding that stands a force at the edge of the part, N. Never the hand. */
export const holdingFor = (forceN: number): (typeof HOLDINGS)[number] =>
  HOLDINGS.find((h) => forceN <= h.mostN) ?? HOLDINGS[HOLDINGS.length - 1];
