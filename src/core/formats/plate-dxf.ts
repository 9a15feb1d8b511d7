import type { ProblemCode } from '../answer/problem-codes';
import { sixPlaces } from '../units/six-places';
import { DxfWriter, LWPolylineFlags, point2d, point3d, Units } from '@tarikjabiri/dxf';
import DxfParser from 'dxf-parser';
import { ok, phrase, quantity, refuse, type Phrase, type Result } from '../answer/answer';
import type { LaidFace } from '../layout/lay-out';
import { arcPoints, bulgePoints, closedLoops, outlineCorners } from '../layout/outline';
import type { Point, Stock } from '../layout/part';
import { MOST_HOLES } from '../layout/place';
import { trimmed } from '../units/show';
import type { Imported } from '../layout/imported';
import { fileProblem, unreadableFile } from './imported';

/** Millimetres in a unit of $INSUNITS: inch, foot, mm, cm, m. */
const INSUNITS: Record<number, [mm: number, name: string]> = {
  1: [25.4, 'inches'],
  2: [304.8, 'feet'],
  4: [1, 'millimetres'],
  5: [10, 'centimetres'],
  6: [1000, 'metres'],
};
const OUTLINE_LAYER = 'OUTLINE';

interface Entity {
  type: string;
  layer?: string;
  center?: Point;
  position?: Point;
  radius?: number;
  vertices?: (Point & { bulge?: number })[];
  shape?: boolean;
  startAngle?: number;
  endAngle?: number;
}

/** The holes of a face as circles, one layer a feature, with the outline, in millimetres from the lower left corner. */
export function writePlateDxf(laid: LaidFace, layerOf: (featureId: string) => string): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  dxf.addLayer(OUTLINE_LAYER, 7, 'Continuous');
  const { shape } = laid;
  if (shape.kind === 'circle') dxf.addCircle(point3d(0, 0), shape.diameterMm / 2, { layerName: OUTLINE_LAYER });
  else
    dxf.addLWPolyline(
      outlineCorners(shape).map(({ x, y }) => ({ point: point2d(x, y) })),
      { flags: LWPolylineFlags.Closed, layerName: OUTLINE_LAYER },
    );
  const layers = new Set<string>();
  for (const { featureId, onFace, footprint } of laid.holes) {
    const name =
      layerOf(featureId)
        .replace(/[^\w-]+/g, '_')
        .slice(0, 60) || 'HOLES';
    if (!layers.has(name)) dxf.addLayer(name, 5, 'Continuous');
    layers.add(name);
    dxf.addCircle(point3d(onFace.x, onFace.y), footprint.diameterMm / 2, { layerName: name });
  }
  return dxf.stringify();
}

const no = (code: ProblemCode, text: string, remedy: string, values?: Phrase['values']): Result<never> =>
  refuse(fileProblem(code, text, remedy, values));

/** Where a circle or point begins, as it is counted before the drawing is read. */
const HOLE_ENTITY = /^[ \t]*0[ \t\r]*\n[ \t]*(?:CIRCLE|POINT)[ \t\r]*$/gm;
/** Corners that an outline may have. */
const MOST_CORNERS = 20_000;

interface Drawing {
  header?: Record<string, unknown>;
  entities: Entity[];
}

/** The drawing in a file, or why there is none. */
function parsed(text: string): Result<Drawing> {
  const unreadable = unreadableFile(text);
  if (unreadable) return refuse(unreadable);
  const holes = text.match(HOLE_ENTITY)?.length ?? 0;
  if (holes > MOST_HOLES + 1)
    return no('dxf-many', 'These are {holes} circles and points; a part has at most {most} holes.', 'Remove some.', {
      holes,
      most: MOST_HOLES,
    });
  if (!/\bEOF$/.test(text.trimEnd()))
    return no('dxf-truncated', 'The file breaks off: its end mark is missing.', 'Export the drawing again.');
  try {
    const document = new DxfParser().parseSync(text) as unknown as Partial<Drawing> | null;
    const entities = document?.entities ?? [];
    return entities.length === 0
      ? no('dxf-empty', 'The drawing holds nothing.', 'Export the model, not the sheet.')
      : ok({ header: document?.header, entities });
  } catch (error) {
    return no('dxf-unreadable', 'This is not a readable DXF file: {why}', 'Export it again as DXF text.', {
      why: String((error as Error).message).slice(0, 120),
    });
  }
}

/** Millimetres in a unit of the drawing, and what is to be said of it. */
function unitOf({ header }: Drawing, assumedMm: number): { mm: number; said: Phrase } {
  const named = INSUNITS[Number(header?.$INSUNITS)];
  return named
    ? { mm: named[0], said: phrase('The drawing is in {unit}.', { unit: named[1] }) }
    : {
        mm: assumedMm,
        said: phrase('The drawing gives no unit: assumed {mm} a unit.', { mm: quantity(assumedMm, 'mm') }),
      };
}

/** A hole of the drawing; a point has no diameter. In mm. */
interface DrawnHole {
  layer: string;
  diameterMm: number;
  at: Point;
}

/** Beyond these a unit is wrong, mm. */
const FARTHEST_MM = 10000;
const WIDEST_MM = 5000;
const FAR_REMEDY = 'Give the unit of the drawing and import it again.';

/** The hole that an entity is; undefined for anything else. */
function holeOf(e: Entity, origin: Point, mm: number): DrawnHole | undefined {
  const place = e.type === 'CIRCLE' ? e.center : e.type === 'POINT' ? e.position : undefined;
  const diameterMm = e.type === 'CIRCLE' ? 2 * (e.radius ?? NaN) * mm : 0;
  if (!place || !Number.isFinite(place.x + place.y + diameterMm) || (e.type === 'CIRCLE' && diameterMm <= 0))
    return undefined;
  const at = { x: (place.x - origin.x) * mm, y: (place.y - origin.y) * mm };
  return { layer: e.layer ?? '0', diameterMm, at };
}

/** Holes of one layer and size as one feature. */
function featuresOf(holes: readonly DrawnHole[]): Imported['features'] {
  const groups = new Map<string, { layer: string; diameterMm: number; points: [number, number][] }>();
  for (const { layer, diameterMm, at } of holes) {
    const key = `${layer} ${diameterMm.toFixed(4)}`;
    const group = groups.get(key) ?? { layer, diameterMm, points: [] };
    group.points.push([sixPlaces(at.x), sixPlaces(at.y)]);
    groups.set(key, group);
  }
  return [...groups.values()].map(({ layer, diameterMm, points }) => ({
    name: layer === '0' ? '' : layer,
    callout: `${points.length > 1 ? `${points.length}x ` : ''}ø${trimmed(diameterMm || 1, 4)} mm THRU`,
    place:
      points.length === 1
        ? { kind: 'point' as const, x: points[0][0], y: points[0][1] }
        : { kind: 'list' as const, points },
  }));
}

function outlineSaid(outline: Outline | undefined): Phrase[] {
  if (!outline) return [];
  return [
    outline.corners
      ? phrase('The outline of {corners} corners gives the stock; arcs are drawn as short straight pieces.', {
          corners: outline.corners.length,
        })
      : phrase('The outline gives the stock.'),
  ];
}

/** Entities that are neither holes nor outline, counted by kind. */
function leftOut(entities: readonly Entity[]): Phrase[] {
  const counts = new Map<string, number>();
  for (const { type } of entities) counts.set(type, (counts.get(type) ?? 0) + 1);
  return [...counts].map(([type, count]) => phrase('{count} of kind {type}.', { count, type }));
}

/**
 * Reads circles, points and the closed outline of a drawing.
 * @param assumedMm millimetres in a drawing unit, when the file does not say
 */
export function readPlateDxf(text: string, assumedMm: number): Result<Imported> {
  const drawing = parsed(text);
  if (!drawing.ok) return drawing;
  const { mm, said } = unitOf(drawing.value, assumedMm);
  const outline = outlineOf(drawing.value.entities);
  const corners = outline?.corners?.length ?? 0;
  if (corners > MOST_CORNERS)
    return no('dxf-corners', 'The outline has {corners} corners; it may have {most}.', 'Simplify it.', {
      corners,
      most: MOST_CORNERS,
    });
  if (outline && Math.max(outline.width, outline.height) * mm > FARTHEST_MM)
    return no('dxf-far', 'The outline is {width} wide: the unit is probably wrong.', FAR_REMEDY, {
      width: quantity(outline.width * mm, 'mm'),
    });
  const origin = outline?.origin ?? { x: 0, y: 0 };
  const found = drawing.value.entities
    .filter((e) => !outline?.entities.has(e))
    .map((entity) => ({ entity, hole: holeOf(entity, origin, mm) }));
  const holes = found.flatMap(({ hole }) => hole ?? []);
  const far = holes.find(
    ({ at, diameterMm }) => Math.abs(at.x) > FARTHEST_MM || Math.abs(at.y) > FARTHEST_MM || diameterMm > WIDEST_MM,
  );
  if (far)
    return no('dxf-far', 'A hole lies {x}, {y} from the corner: the unit is probably wrong.', FAR_REMEDY, {
      x: quantity(far.at.x, 'mm'),
      y: quantity(far.at.y, 'mm'),
    });
  if (holes.length > MOST_HOLES)
    return no('dxf-many', 'These are {holes} holes; a part has at most {most}.', 'Remove some.', {
      holes: holes.length,
      most: MOST_HOLES,
    });
  if (holes.length === 0)
    return no('dxf-no-holes', 'No circles or points were found.', 'Draw holes as circles, and explode blocks first.');
  const features = featuresOf(holes);
  return ok({
    features,
    stock: outline && stockOf(outline, mm),
    understood: [
      said,
      phrase('{holes} holes in {features} groups by layer and size.', {
        holes: holes.length,
        features: features.length,
      }),
      ...outlineSaid(outline),
    ],
    leftOut: leftOut(found.flatMap(({ entity, hole }) => (hole ? [] : [entity]))),
  });
}

interface Outline {
  /** What it was made of, so that this is not taken for holes. */
  entities: ReadonlySet<Entity>;
  origin: Point;
  width: number;
  height: number;
  sixPlaces: boolean;
  /** From the origin, where it is no upright rectangle. */
  corners?: Point[];
}

function polyline({ vertices = [] }: Entity): Point[] {
  return vertices.flatMap((v, i) => [
    v,
    ...bulgePoints(v, vertices[(i + 1) % vertices.length], v.bulge ?? 0).slice(0, -1),
  ]);
}

/** A straight piece or an arc that may be part of an outline. */
function piece(e: Entity): Point[] {
  if (e.type === 'LINE') return e.vertices ?? [];
  if (e.type !== 'ARC' || !e.center || !e.radius) return [];
  const { startAngle: from = 0, endAngle: to = 0, radius } = e;
  const start = { x: e.center.x + radius * Math.cos(from), y: e.center.y + radius * Math.sin(from) };
  const full = 2 * Math.PI;
  return [start, ...arcPoints(e.center, radius, from, (((to - from) % full) + full) % full || full)];
}

function boxed(points: Point[], entities: ReadonlySet<Entity>): Outline {
  const xs = points.map((v) => v.x);
  const ys = points.map((v) => v.y);
  const least = (vs: number[]): number => vs.reduce((a, b) => Math.min(a, b), Infinity);
  const origin = { x: least(xs), y: least(ys) };
  const width = -least(xs.map((v) => -v)) - origin.x;
  const height = -least(ys.map((v) => -v)) - origin.y;
  const onCorner = (v: Point): boolean =>
    [0, width].some((w) => Math.abs(v.x - origin.x - w) < 1e-6 * width) &&
    [0, height].some((h) => Math.abs(v.y - origin.y - h) < 1e-6 * height);
  const upright = points.length === 4 && points.every(onCorner);
  const corners = upright ? undefined : points.map((v) => ({ x: v.x - origin.x, y: v.y - origin.y }));
  return { entities, origin, width, height, sixPlaces: false, corners };
}

/** The largest closed polyline, or loop of lines and arcs; or the largest circle, when it holds all others. */
function outlineOf(entities: Entity[]): Outline | undefined {
  const pieces = new Map(entities.map((e) => [e, piece(e)] as const).filter(([, points]) => points.length >= 2));
  const size = [...pieces.values()].flat().reduce((most, p) => Math.max(most, Math.abs(p.x), Math.abs(p.y)), 0);
  const used = new Set(pieces.keys());
  const closed = [
    ...entities
      .filter((e) => (e.type === 'LWPOLYLINE' || e.type === 'POLYLINE') && e.shape)
      .map((entity) => [entity, polyline(entity)] as const)
      .filter(([, corners]) => corners.length >= 3)
      .map(([entity, corners]) => boxed(corners, new Set([entity]))),
    ...closedLoops([...pieces.values()].slice(0, MOST_PIECES), 1e-5 * size).map((points) => boxed(points, used)),
  ].filter((o) => o.width > 0 && o.height > 0 && Number.isFinite(o.width + o.height));
  if (closed.length > 0) return closed.reduce((a, b) => (b.width * b.height > a.width * a.height ? b : a));
  const circles = entities.filter((e) => e.type === 'CIRCLE' && e.center && (e.radius ?? 0) > 0);
  const rim = circles.reduce<Entity | undefined>(
    (a, b) => (a && (a.radius ?? 0) >= (b.radius ?? 0) ? a : b),
    undefined,
  );
  if (!rim?.center || circles.length < 2) return undefined;
  const { center, radius = 0 } = rim;
  const inside = circles.every(
    (c) =>
      c === rim || (c.center && Math.hypot(c.center.x - center.x, c.center.y - center.y) + (c.radius ?? 0) < radius),
  );
  return inside
    ? { entities: new Set([rim]), origin: center, width: 2 * radius, height: 2 * radius, sixPlaces: true }
    : undefined;
}

const USUAL_THICKNESS_MM = 10;
/** Lines and arcs beyond this are not looked through for an outline. */
const MOST_PIECES = 4000;

function stockOf(outline: Outline, mm: number): Stock {
  if (outline.sixPlaces)
    return { shape: 'disc', diameterMm: sixPlaces(outline.width * mm), thicknessMm: USUAL_THICKNESS_MM };
  return {
    shape: 'plate',
    widthMm: sixPlaces(outline.width * mm),
    heightMm: sixPlaces(outline.height * mm),
    thicknessMm: USUAL_THICKNESS_MM,
    ...(outline.corners
      ? { outline: outline.corners.map((p): [number, number] => [sixPlaces(p.x * mm), sixPlaces(p.y * mm)]) }
      : {}),
  };
}
