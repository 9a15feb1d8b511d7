import { answer, mm, phrase, quantity, type Answer, type Quantity } from '../answer/answer';
import type { Material } from '../materials/material';

function cuttingForce(feed: number, pointAngleDeg: number, material: Material): { chipMm: number; kc: number } {
  const chipMm = (feed / 2) * Math.sin((pointAngleDeg * Math.PI) / 360);
  return { chipMm, kc: material.kc11 * chipMm ** -material.mc };
}

/**
 * The value of {@link drillingTorque} alone, Nm.
 * @example drillingTorqueNm(10, 0.15, 118, mildSteel) // 6.3
 */
export const drillingTorqueNm = (
  diameterMm: number,
  feed: number,
  pointAngleDeg: number,
  material: Material,
  pilotMm = 0,
): number => ((diameterMm ** 2 - pilotMm ** 2) * feed * cuttingForce(feed, pointAngleDeg, material).kc) / 8000;

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
  const { chipMm: h, kc } = cuttingForce(feed, pointAngleDeg, material);
  const swept = pilotMm > 0 ? '(diameter² − pilot²)' : 'diameter²';
  return answer(drillingTorqueNm(diameterMm, feed, pointAngleDeg, material, pilotMm), 'Nm', {
    rule: 'Drilling torque',
    formula: `${swept} × feed × cutting force ÷ 8000`,
    inchFormula: `${swept} × feed × cutting force × 1000 ÷ 8`,
    inputs: [
      ['drill', mm(diameterMm)],
      ...(pilotMm > 0 ? [['pilot', mm(pilotMm)] satisfies [string, Quantity]] : []),
      ['feed', quantity(feed, 'mm/rev')],
      [`cutting force, ${material.label}, chip of ${h.toFixed(3)} mm`, quantity(kc, 'MPa')],
    ],
    source: { kind: 'model', name: 'specific cutting force' },
    assumptions: [phrase('A sharp drill; a dull one takes half as much again.')],
  });
}

/**
 * Power at the spindle, kW.
 * @example spindlePower(6.3, 600) // 6.3 × 600 ÷ 9550 = 0.396
 */
export const spindlePower = (torqueNm: number, rpm: number): number => (torqueNm * rpm) / 9550;

/**
 * Force at the far edge of the part when the drill grabs, N: three times the torque over the lever. Model.
 * @example grabForce(6.3, 100, false).value // 3 × 6.3 ÷ 0.1 = 189
 */
export function grabForce(torqueNm: number, leverMm: number, assumed: boolean): Answer {
  return answer((3 * torqueNm * 1000) / leverMm, 'N', {
    rule: 'Force at the edge of the part when the drill grabs',
    formula: '3 × torque × 1000 ÷ distance to the far edge',
    inchFormula: '3 × torque ÷ distance to the far edge',
    inputs: [
      ['torque', quantity(torqueNm, 'Nm')],
      ['distance to the far edge', mm(leverMm)],
    ],
    source: { kind: 'model', name: 'grab at breakthrough' },
    assumptions: assumed ? [phrase('Assumed reach of the part; lay it out to be sure.')] : [],
  });
}

/** Ways to hold a part against turning, weakest first, with the force at its edge that each stands. Our judgement. */
export const HOLDINGS = [
  { id: 'stop', label: 'laid against a stop or the column', mostN: 60 },
  { id: 'loose-vise', label: 'in a vise against a stop', mostN: 250 },
  { id: 'vise', label: 'in a vise bolted down', mostN: 1500 },
  { id: 'clamps', label: 'two strap clamps, or a vise bolted and blocked', mostN: Infinity },
] as const;

/** The least holding that stands a force at the edge of the part, N. Never the hand. */
export const holdingFor = (forceN: number): (typeof HOLDINGS)[number] =>
  HOLDINGS.find((h) => forceN <= h.mostN) ?? HOLDINGS[HOLDINGS.length - 1];
