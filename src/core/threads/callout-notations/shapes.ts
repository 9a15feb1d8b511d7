import { MEASURE, sticky, type CalloutCursor } from '../callout-cursor';

const COUNTERBORE = sticky(
  String.raw`(?:⌴|c'?\s?bore|counter\s?bore|spot\s?face|s\/?f(?:ace)?\b|sf\b)\s*ø?\s*(${MEASURE})`,
);
const COUNTERSINK = sticky(
  String.raw`(?:⌵|c'?\s?sink|csk|counter\s?sink)\s*ø?\s*(${MEASURE})(?:\s*x\s*(\d{2,3})\s*(?:°|deg)?)?`,
);
const COUNTERDRILL = sticky(String.raw`(?:c'?\s?drill|counter\s?-?drill(?:ed)?)\s*ø?\s*(${MEASURE})`);
const DIAMETER = sticky(
  String.raw`(?:ø|dia\.?)\s*(${MEASURE})|(${MEASURE})\s*(?:dia\b\.?|(?=ream|drill|[a-h]\s?\d{1,2}(?![a-z\d.])))`,
);
const REAM = sticky(String.raw`ream(?:ed)?\b|([a-h]\s?\d{1,2})(?![a-z\d.])`);

const USUAL_SINK_DEG = 90;

/** Counterbore, counterdrill, countersink, or a plain diameter. */
export function readShape(c: CalloutCursor): boolean {
  const { features } = c.callout;
  const bore = c.take(COUNTERBORE);
  if (bore) return features.push({ kind: 'counterbore', diameterMm: c.measure(bore[1], bore) }) > 0;
  const wider = c.take(COUNTERDRILL);
  if (wider)
    return features.push({ kind: 'hole', diameterMm: c.measure(wider[1], wider), ream: false, counterdrill: true }) > 0;
  const sink = c.take(COUNTERSINK);
  if (sink) {
    if (sink[2] === undefined) c.note('Countersink angle not given: assumed 90 degrees.');
    const angleDeg = Number(sink[2] ?? USUAL_SINK_DEG);
    return features.push({ kind: 'countersink', diameterMm: c.measure(sink[1], sink), angleDeg }) > 0;
  }
  const hole = c.take(DIAMETER);
  return hole
    ? features.push({ kind: 'hole', diameterMm: c.measure(hole[1] ?? hole[2], hole), ream: false }) > 0
    : false;
}

/** `REAM` or a fit such as `H7`, after a plain diameter. */
export function readFit(c: CalloutCursor): boolean {
  const feature = c.last();
  if (feature?.kind !== 'hole') return false;
  const ream = c.take(REAM);
  if (!ream) return false;
  feature.ream = true;
  if (ream[1]) feature.fit = ream[1].replace(/\s/, '').toUpperCase();
  return true;
}
