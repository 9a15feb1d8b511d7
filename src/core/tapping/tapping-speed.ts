import { answer, mm, quantity, type Answer } from '../answer/answer';
import { rpmFor, sfmToMPerMin } from '../cutting/cutting-speed';
import type { Material } from '../materials/material';
import type { Thread } from '../threads/thread';

/** Spindle speed for machine tapping from the low end of the material's tapping speed, rpm. */
export function tappingSpeed(thread: Thread, material: Material): Answer {
  const v = sfmToMPerMin(material.tapSfmCut.low);
  return answer(rpmFor(v, thread.majorMm), 'rpm', {
    rule: 'Tapping speed',
    formula: '1000 × tapping speed ÷ (π × major diameter)',
    inchFormula: '12 × tapping speed ÷ (π × major diameter)',
    inputs: [
      [`tapping speed, ${material.label}, low end`, quantity(v, 'm/min')],
      ['high end', quantity(sfmToMPerMin(material.tapSfmCut.high), 'm/min')],
      ['major diameter', mm(thread.majorMm)],
    ],
    source: { kind: 'trade rule', name: 'tapping speed of the material' },
  });
}
