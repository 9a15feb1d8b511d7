import { answer, mm, quantity, type Answer } from '../answer/answer';
import { interpolate } from '../units/interpolate';
import { idealRpm, ruleOfThumbRpm, thumbFactor, type DrillingConditions } from './cutting-speed';
import type { Machine } from './machine';

export type SpeedSchool = 'formula' | 'thumb' | 'chart';
export const SPEED_SCHOOLS: Record<SpeedSchool, string> = {
  formula: 'cutting speed',
  thumb: 'rule of thumb',
  chart: 'chart on the machine',
};

/** What the chart on the machine says for a drill, times the share of mild steel by metal; undefined without a chart. */
export function chartRpm(machine: Machine | undefined, c: DrillingConditions): Answer | undefined {
  if (!machine?.chart || machine.chart.length === 0) return undefined;
  const points = [...machine.chart].sort((a, b) => a.drillMm - b.drillMm).map((r) => [r.drillMm, r.rpm] as const);
  const listed = interpolate(points, c.drill.diameterMm);
  const factor = thumbFactor(c.material);
  return answer(listed * factor, 'rpm', {
    rule: 'Chart on the machine',
    formula: 'speed listed for mild steel, between its lines, × share by metal',
    inputs: [
      ['drill', mm(c.drill.diameterMm)],
      ['listed', quantity(listed, 'rpm')],
      [`share, ${c.material.label}`, quantity(factor, 'ratio')],
    ],
    source: { kind: 'trade rule', name: `plate on the ${machine.name}` },
  });
}

/** The three schools for one drill, each with its working; the chart only where the machine has one. */
export function speedSchools(c: DrillingConditions): { id: SpeedSchool; label: string; rpm: Answer }[] {
  const chart = chartRpm(c.machine, c);
  return [
    { id: 'formula', label: SPEED_SCHOOLS.formula, rpm: idealRpm(c) },
    { id: 'thumb', label: SPEED_SCHOOLS.thumb, rpm: ruleOfThumbRpm(c.material, c.drill.diameterMm) },
    ...(chart ? [{ id: 'chart' as const, label: SPEED_SCHOOLS.chart, rpm: chart }] : []),
  ];
}

/** The speed to aim at by the shop's school; by cutting speed where its own has nothing to say. */
export function idealBySchool(school: SpeedSchool, c: DrillingConditions): Answer {
  const schools = speedSchools(c);
  const formula = schools[0].rpm;
  const chosen = schools.find((s) => s.id === school)?.rpm ?? formula;
  return chosen === formula ? formula : { ...chosen, cautions: formula.cautions };
}
