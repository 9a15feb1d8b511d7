import { sticky, type CalloutCursor } from '../callout-cursor';
import { nearestReadings } from '../nearest-readings';
import type { ThreadSeries } from '../thread';

const OTHER_FORM = sticky(String.raw`(tr\s*\d|acme|stub|buttress|pg\s*\d|rd\s*\d|npsm|nps|npsf)\w*`);

/** The pipe series that a text names; undefined where it names another. BSP alone is parallel. */
export function readPipeSeries(c: CalloutCursor, text: string, match: RegExpExecArray): ThreadSeries | undefined {
  if (text === 'bspp' || text === 'g') return 'G';
  if (text === 'bsp') {
    c.note('BSP is read as parallel pipe thread, G.');
    return 'G';
  }
  if (text === 'bspt' || text === 'rc') return 'Rc';
  if (text === 'rp') return 'Rp';
  if (text === 'nptf')
    return c.stop(
      'form-unknown',
      match,
      '{series} is not in the list.',
      'NPT and Rc (tapered), G and Rp (parallel) are; the drawing decides which seals.',
      { series: text.toUpperCase() },
      ['1/8 NPT', 'Rc 1/8', 'G 1/8'],
    );
  return undefined;
}

/** Forms that are known and not in the list: trapezoidal, acme, buttress and others. */
export function readOtherForm(c: CalloutCursor): boolean {
  const match = c.take(OTHER_FORM);
  if (!match) return false;
  return c.stop(
    'form-unknown',
    match,
    /^tr/.test(match[0])
      ? 'Trapezoidal thread has no figures here: single-point it, or use its own set of taps.'
      : 'This thread form is not in the list.',
    'Metric, UNC, UNF, UNEF, BA, BSW, BSF, G, Rp, Rc and NPT are.',
    {},
    nearestReadings(match[0]),
  );
}
