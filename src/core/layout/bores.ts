import { depth, phrase, type Phrase } from '../answer/answer';
import { readCallout } from '../threads/read-callout';
import { axisDistance, type Axis, type Point3 } from './angled-hole';
import { footprint } from './footprint';
import type { LaidFeature } from './lay-out';
import {
  depthBehind,
  faceShape,
  facesOf,
  fromDatum,
  USUAL_DATUM,
  type FaceId,
  type Part,
  type Point,
  type Stock,
} from './part';
import { expandPlaces } from './place';
import { WorstFirst, type Found } from './worst-first';

/** One hole as a bore through the part: its axis in space, mm, with x and y across the top face and z up. */
export interface Bore {
  featureId: string;
  number: number;
  face: FaceId;
  diameterMm: number;
  axis: Axis;
  /** Straight depth behind its face that it reaches, mm. */
  depthMm: number;
  through: boolean;
}

/** A point `down` mm behind a face, from its place on the face (lower left corner, or centre). */
export function inSpace(stock: Stock, face: FaceId, at: Point, down: number): Point3 {
  if (stock.shape !== 'plate') {
    const long = stock.shape === 'disc' ? stock.thicknessMm : stock.lengthMm;
    if (face === 'top') return { x: at.x, y: at.y, z: long - down };
    if (face === 'bottom') return { x: -at.x, y: at.y, z: down };
    return { x: at.y - stock.diameterMm / 2, y: stock.diameterMm / 2 - down, z: at.x };
  }
  const { widthMm: w, heightMm: h, thicknessMm: t } = stock;
  switch (face) {
    case 'bottom':
      return { x: w - at.x, y: at.y, z: down };
    case 'front':
      return { x: at.x, y: down, z: at.y };
    case 'back':
      return { x: w - at.x, y: h - down, z: at.y };
    case 'left':
      return { x: down, y: h - at.x, z: at.y };
    case 'right':
      return { x: w - down, y: at.x, z: at.y };
    default:
      return { x: at.x, y: at.y, z: t - down };
  }
}

/**
 * Every bore of the part, from all its faces, as deep as it is made. Features that cannot be read, placed or made are
 * left out: their own problems say so.
 */
export function boresOf(part: Part, features: readonly LaidFeature[]): Bore[] {
  const { points } = expandPlaces(features);
  const faces = facesOf(part.stock);
  return features.flatMap((f) => {
    const read = readCallout(f.callout);
    if (!read.ok || !f.made?.ok || !faces.includes(f.face)) return [];
    const shape = faceShape(part.stock, f.face);
    const datum = part.datums[f.face] ?? USUAL_DATUM;
    const behind = depthBehind(part.stock, f.face);
    const { through } = f.made.value;
    // An angled hole is as deep along its axis; its far end is drawn at the depth behind the face.
    const mm = through ? behind : Math.min(behind, f.made.value.boredMm * alongShare(f, behind));
    const share = mm / behind;
    const { diameterMm } = footprint(read.value, f.made.value.threadEndMm);
    return (points.get(f.id) ?? []).map((at, i): Bore => {
      const entry = fromDatum(at, shape, datum);
      const end = fromDatum({ x: at.x + (f.exit?.dx ?? 0) * share, y: at.y + (f.exit?.dy ?? 0) * share }, shape, datum);
      return {
        featureId: f.id,
        number: i + 1,
        face: f.face,
        diameterMm,
        axis: { from: inSpace(part.stock, f.face, entry, 0), to: inSpace(part.stock, f.face, end, mm) },
        depthMm: mm,
        through,
      };
    });
  });
}

/** Depth behind the face over depth along an angled hole. */
const alongShare = ({ exit }: LaidFeature, behindMm: number): number =>
  exit ? behindMm / Math.hypot(behindMm, exit.dx, exit.dy) : 1;

export interface BoreFault {
  level: 'warn' | 'stop';
  a: Bore;
  b: Bore;
  wallMm: number;
  reason: Phrase;
}

/** Wall between two bores under which metal breaks out: 1.5 mm or a fifth of the larger. */
const thinBetween = (a: Bore, b: Bore): number => Math.max(1.5, 0.2 * Math.max(a.diameterMm, b.diameterMm));

const reach = (axis: Axis, key: keyof Point3): [number, number] =>
  axis.from[key] < axis.to[key] ? [axis.from[key], axis.to[key]] : [axis.to[key], axis.from[key]];

function apart(a: Bore, b: Bore, by: number): boolean {
  return (['x', 'y', 'z'] as const).some((key) => {
    const [a0, a1] = reach(a.axis, key);
    const [b0, b1] = reach(b.axis, key);
    return a0 - b1 > by || b0 - a1 > by;
  });
}

const wallOf = (a: Bore, b: Bore): number => axisDistance(a.axis, b.axis) - (a.diameterMm + b.diameterMm) / 2;

/** Bores that are meant to run into one of another feature, and miss the nearest of it. */
function missedBores(bores: readonly Bore[], meets: ReadonlyMap<string, string>): BoreFault[] {
  return bores.flatMap((a): BoreFault[] => {
    const [b] = bores
      .filter((other) => other.featureId === meets.get(a.featureId))
      .sort((p, q) => wallOf(a, p) - wallOf(a, q));
    if (!b) return [];
    const wallMm = wallOf(a, b);
    return wallMm < 0
      ? []
      : [
          {
            level: 'stop',
            a,
            b,
            wallMm,
            reason: phrase('They are meant to meet, and {wall} is left between them: aim it, or drill deeper.', {
              wall: depth(wallMm),
            }),
          },
        ];
  });
}

/** A point in space as its face has it, and how far behind the face it lies, mm: the way back from {@link inSpace}. */
export function onFace(stock: Stock, face: FaceId, p: Point3): Point & { down: number } {
  if (stock.shape !== 'plate') {
    const long = stock.shape === 'disc' ? stock.thicknessMm : stock.lengthMm;
    if (face === 'top') return { x: p.x, y: p.y, down: long - p.z };
    if (face === 'bottom') return { x: -p.x, y: p.y, down: p.z };
    return { x: p.z, y: p.x + stock.diameterMm / 2, down: stock.diameterMm / 2 - p.y };
  }
  const { widthMm: w, heightMm: h, thicknessMm: t } = stock;
  switch (face) {
    case 'bottom':
      return { x: w - p.x, y: p.y, down: p.z };
    case 'front':
      return { x: p.x, y: p.z, down: p.y };
    case 'back':
      return { x: w - p.x, y: p.z, down: h - p.y };
    case 'left':
      return { x: h - p.y, y: p.z, down: p.x };
    case 'right':
      return { x: p.y, y: p.z, down: w - p.x };
    default:
      return { x: p.x, y: p.y, down: t - p.z };
  }
}

/**
 * Where a hole has to come out at the far face so that its axis passes through a point inside another bore.
 * @param deepMm how far along the other bore the point lies, from its face
 * @returns the offset of its far end, mm; undefined where the point is not behind its face
 */
export function aimAt(part: Part, bore: Bore, other: Bore, deepMm: number): { dx: number; dy: number } | undefined {
  const { from, to } = other.axis;
  const long = Math.hypot(to.x - from.x, to.y - from.y, to.z - from.z);
  const share = long === 0 ? 0 : deepMm / long;
  const target = onFace(part.stock, bore.face, {
    x: from.x + (to.x - from.x) * share,
    y: from.y + (to.y - from.y) * share,
    z: from.z + (to.z - from.z) * share,
  });
  if (target.down <= 0) return undefined;
  const entry = onFace(part.stock, bore.face, bore.axis.from);
  const shape = faceShape(part.stock, bore.face);
  const datum = part.datums[bore.face] ?? USUAL_DATUM;
  const origin = fromDatum({ x: 0, y: 0 }, shape, datum);
  const unit = fromDatum({ x: 1, y: 1 }, shape, datum);
  const on = depthBehind(part.stock, bore.face) / target.down;
  return {
    dx: (target.x - entry.x) * on * (unit.x - origin.x),
    dy: (target.y - entry.y) * on * (unit.y - origin.y),
  };
}

/**
 * Bores that meet or leave a thin wall inside the part: those of different faces, and angled ones.
 * Straight holes of one face are compared on the face itself. Bores are sorted along x, so that each is compared
 * only with those beside it. The thinnest wall comes first; before all, bores that should meet and do not.
 * @param meets by feature, the one that its bores are meant to run into
 */
export function checkBores(
  bores: readonly Bore[],
  isAngled: (featureId: string) => boolean,
  meets: ReadonlyMap<string, string> = new Map(),
): Found<BoreFault> {
  const faults = new WorstFirst<BoreFault>();
  for (const miss of missedBores(bores, meets)) faults.add(Infinity, () => miss);
  const spans = bores
    .map((bore, order) => {
      const [from, to] = reach(bore.axis, 'x');
      const margin = bore.diameterMm / 2 + thinBetween(bore, bore);
      return { bore, order, from: from - margin, to: to + margin };
    })
    .sort((p, q) => p.from - q.from);
  for (let i = 0; i < spans.length; i++)
    for (let j = i + 1; j < spans.length && spans[j].from <= spans[i].to; j++) {
      const inOrder = spans[i].order < spans[j].order;
      const a = spans[inOrder ? i : j].bore;
      const b = spans[inOrder ? j : i].bore;
      if (a.face === b.face && !isAngled(a.featureId) && !isAngled(b.featureId)) continue;
      if (meets.get(a.featureId) === b.featureId || meets.get(b.featureId) === a.featureId) continue;
      const radii = (a.diameterMm + b.diameterMm) / 2;
      const thin = thinBetween(a, b);
      if (apart(a, b, radii + thin)) continue;
      const wallMm = axisDistance(a.axis, b.axis) - radii;
      if (wallMm >= thin) continue;
      faults.add(-wallMm, () => ({
        level: wallMm <= 0 ? 'stop' : 'warn',
        a,
        b,
        wallMm,
        reason:
          wallMm <= 0
            ? phrase(
                'The bores run into each other inside the part; if that is intended, drill the larger first and ease the feed.',
              )
            : phrase('Only {wall} left between the bores; {thin} is needed.', {
                wall: depth(wallMm),
                thin: depth(thin),
              }),
      }));
    }
  return faults.found();
}
