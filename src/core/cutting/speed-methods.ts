import { answer, mm, quantity, type Answer } from '../answer/answer';
import { interpolate } from '../units/interpolate';
import { idealRpm, ruleOfThumbRpm, thumbFactor, type DrillingConditions } from './cutting-speed';
import type { Machine } from './machine';

export type SpeedMethod = 'formula' | 'thumb' | 'chart';
export const SPEED_METHODS: Record<SpeedMethod, string> = {
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

/** The three methods for one drill, each with its working; the chart only where the machine has one. @param formula of these conditions */
export function speedMethods(
  c: DrillingConditions,
  formula = idealRpm(c),
): { id: SpeedMethod; label: string; rpm: Answer }[] {
  const chart = chartRpm(c.machine, c);
  return [
    { id: 'formula', label: SPEED_METHODS.formula, rpm: formula },
    { id: 'thumb', label: SPEED_METHODS.thumb, rpm: ruleOfThumbRpm(c.material, c.drill.diameterMm) },
    ...(chart ? [{ id: 'chart' as const, label: SPEED_METHODS.chart, rpm: chart }] : []),
  ];
}

/** The speed to aim at by the shop's method; by cutting speed where its own has nothing to say. */
export function idealByMethod(method: SpeedMethod, c: DrillingConditions, formula = idealRpm(c)): Answer {
  if (method === 'formula') return formula;
  const own = method === 'chart' ? chartRpm(c.machine, c) : ruleOfThumbRpm(c.material, c.drill.diameterMm);
  return own ? { ...own, cautions: formula.cautions } : formula;
}
