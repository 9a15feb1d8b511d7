import { answer, caution, mm, phrase, quantity, type Answer, type Caution } from '../answer/answer';
import type { Drill } from '../drills/drill';
import type { Material } from '../materials/material';
import { isHandHeld, isRigid, type Machine } from './machine';

const M_PER_MIN_PER_SFM = 0.3048;

/**
 * Metres a minute (m/min) from surface feet a minute (ft/min); 0.3048 exactly.
 * @example sfmToMPerMin(90) // 27.43
 */
export const sfmToMPerMin = (sfm: number): number => sfm * M_PER_MIN_PER_SFM;

/**
 * Revolutions a minute at which a diameter (mm) runs at a cutting speed (m/min).
 * @example rpmFor(27.432, 6.8) // 1284
 */
export const rpmFor = (cuttingSpeed: number, diameterMm: number): number =>
  (1000 * cuttingSpeed) / (Math.PI * diameterMm);

/**
 * Share of the speed left when drilling deep, 1 to 0.65: by depth over drill diameter. Trade rule.
 * @example deepHoleFactor(4.5) // 0.8
 */
export function deepHoleFactor(depthOverDiameter: number): number {
  if (depthOverDiameter > 6) return 0.65;
  if (depthOverDiameter > 5) return 0.7;
  if (depthOverDiameter > 4) return 0.8;
  return depthOverDiameter > 3 ? 0.9 : 1;
}

export interface DrillingConditions {
  drill: Drill;
  material: Material;
  depthMm: number;
  machine?: Machine;
  dry: boolean;
}

/** Spindle speed wanted for a drill, from the material's cutting speed and what takes away from it. */
export function idealRpm({ drill, material, depthMm, machine, dry }: DrillingConditions): Answer {
  const start = sfmToMPerMin(material.drillSfmHss.start);
  const factors: [string, number][] = [];
  const cautions: Caution[] = [];
  if (drill.material === 'cobalt') factors.push(['cobalt drill', 1.15]);
  if (drill.material === 'carbide') {
    if (isRigid(machine)) factors.push(['solid carbide', 2.5]);
    else
      cautions.push(
        caution(
          'warn',
          'carbide-loose',
          'Solid carbide snaps outside a rigid machine: use a high-speed or cobalt drill.',
        ),
      );
  }
  if (isHandHeld(machine)) factors.push(['held by hand', 0.7]);
  if (dry && !material.runsDry) factors.push(['dry where fluid is advised', 0.7]);
  const deep = deepHoleFactor(depthMm / drill.diameterMm);
  if (deep < 1) factors.push(['deep hole', deep]);
  const rpm = factors.reduce((v, [, f]) => v * f, rpmFor(start, drill.diameterMm));
  return answer(
    rpm,
    'rpm',
    {
      rule: 'Drill speed from cutting speed',
      formula: '1000 × cutting speed ÷ (π × diameter) × factors',
      inchFormula: '12 × cutting speed ÷ (π × diameter) × factors',
      inputs: [
        [`cutting speed, ${material.label}`, quantity(start, 'm/min')],
        ['drill', mm(drill.diameterMm)],
        ...factors.map(([label, f]): [string, { value: number; unit: 'ratio' }] => [
          label,
          { value: f, unit: 'ratio' },
        ]),
      ],
      source: { kind: 'trade rule', name: 'cutting speed of the material, high-speed steel' },
      assumptions: [
        phrase('Sharp drill; {fluid}.', {
          fluid: dry ? 'dry' : material.runsDry ? 'dry or light oil' : material.lubricant,
        }),
        phrase('Usual range {low} to {high}.', {
          low: quantity(sfmToMPerMin(material.drillSfmHss.low), 'm/min'),
          high: quantity(sfmToMPerMin(material.drillSfmHss.high), 'm/min'),
        }),
      ],
    },
    cautions,
  );
}

/**
 * Speed of a material in the rule of thumb over that of mild steel, 1/6 to 2. Trade rule.
 * @example thumbFactor(mildSteel) // 1
 */
export function thumbFactor(m: Material): number {
  if (m.group === 'nickel') return 1 / 6;
  if (m.group === 'titanium') return m.hardnessHb > 250 ? 1 / 3 : 1 / 2;
  if (m.group === 'iron') return 0.9;
  if (m.group === 'stainless' || m.hardnessHb >= 215) return 0.5;
  if (m.group === 'steel') return m.hardnessHb >= 175 ? 0.75 : 1;
  return m.drillSfmHss.start >= 180 && m.group !== 'plastic' && m.group !== 'zinc' ? 2 : 1;
}

/**
 * The speed that can be worked out in the head: 9000 ÷ diameter in mm, times a share by metal.
 * @example ruleOfThumbRpm(mildSteel, 6).value // 1500
 */
export function ruleOfThumbRpm(material: Material, diameterMm: number): Answer {
  const factor = thumbFactor(material);
  return answer((9000 / diameterMm) * factor, 'rpm', {
    rule: 'Rule of thumb',
    formula: '9000 ÷ diameter in mm × share of mild steel',
    inchFormula: '354 ÷ diameter in inches × share of mild steel',
    inputs: [
      ['drill', mm(diameterMm)],
      [`share, ${material.label}`, quantity(factor, 'ratio')],
    ],
    source: { kind: 'trade rule', name: 'one remembered baseline' },
  });
}
