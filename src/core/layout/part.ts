/** Stock as it comes, mm. */
export type Stock =
  | {
      shape: 'plate';
      widthMm: number;
      heightMm: number;
      thicknessMm: number;
      /** Edge of the top face where it is no rectangle, mm from the lower left corner of the box around it. */
      outline?: [x: number, y: number][];
    }
  | { shape: 'disc'; diameterMm: number; thicknessMm: number }
  | { shape: 'bar'; diameterMm: number; lengthMm: number }
  | { shape: 'tube'; diameterMm: number; boreMm: number; lengthMm: number };

/** Faces that holes go into: of a plate its six sides, of round stock its ends and its side. */
export const FACES = ['top', 'bottom', 'front', 'back', 'left', 'right', 'side'] as const;
export type FaceId = (typeof FACES)[number];

export const isFace = (text: string): text is FaceId => (FACES as readonly string[]).includes(text);

/** The two edges that every place on a face is measured from. Round faces are measured from the centre. */
export interface Datum {
  x: 'left' | 'right';
  y: 'bottom' | 'top';
}

export type Side = 'left' | 'right' | 'bottom' | 'top';
export const SIDES: readonly Side[] = ['left', 'right', 'bottom', 'top'];

/** Walls that stand up at the sides of a face, as in angle, channel or a stepped part: their height over it, mm. */
export type Walls = Partial<Record<Side, number>>;

export interface Part {
  stock: Stock;
  /** Condition of the metal as the drawing says it: annealed, cast, hardened. */
  condition: string;
  datums: Partial<Record<FaceId, Datum>>;
  walls?: Partial<Record<FaceId, Walls>>;
}

export const USUAL_DATUM: Datum = { x: 'left', y: 'bottom' };
export const USUAL_PART: Part = {
  stock: { shape: 'plate', widthMm: 120, heightMm: 80, thicknessMm: 16 },
  condition: '',
  datums: {},
};

/** The outline of a face as one looks at it, mm. */
export type FaceShape =
  | { kind: 'rectangle'; widthMm: number; heightMm: number; outline?: Point[]; walls?: Walls }
  | { kind: 'circle'; diameterMm: number };

export const facesOf = (stock: Stock): FaceId[] =>
  stock.shape === 'plate' ? ['top', 'bottom', 'front', 'back', 'left', 'right'] : ['top', 'bottom', 'side'];

/** Shape of a face; places on a round one are from its centre, on the side of a bar along and from the centre line. */
export function faceShape(stock: Stock, face: FaceId): FaceShape {
  if (stock.shape === 'plate') {
    const { widthMm: w, heightMm: h, thicknessMm: t } = stock;
    if (face === 'top' || face === 'bottom') {
      const outline = stock.outline?.map(([x, y]) => ({ x: face === 'top' ? x : w - x, y }));
      return { kind: 'rectangle', widthMm: w, heightMm: h, ...(outline ? { outline } : {}) };
    }
    return { kind: 'rectangle', widthMm: face === 'left' || face === 'right' ? h : w, heightMm: t };
  }
  const along = stock.shape === 'disc' ? stock.thicknessMm : stock.lengthMm;
  return face === 'side'
    ? { kind: 'rectangle', widthMm: along, heightMm: stock.diameterMm }
    : { kind: 'circle', diameterMm: stock.diameterMm };
}

/** How deep the part is behind a face, mm. */
export function depthBehind(stock: Stock, face: FaceId): number {
  if (stock.shape === 'plate') {
    if (face === 'top' || face === 'bottom') return stock.thicknessMm;
    return face === 'left' || face === 'right' ? stock.widthMm : stock.heightMm;
  }
  if (face !== 'side') return stock.shape === 'disc' ? stock.thicknessMm : stock.lengthMm;
  return stock.shape === 'tube' ? (stock.diameterMm - stock.boreMm) / 2 : stock.diameterMm;
}

export interface Point {
  x: number;
  y: number;
}

/** A place measured from the datum edges, seen from the lower left corner of the face, or from its centre when round. */
export function fromDatum(place: Point, shape: FaceShape, datum: Datum): Point {
  if (shape.kind === 'circle') return place;
  return {
    x: datum.x === 'left' ? place.x : shape.widthMm - place.x,
    y: datum.y === 'bottom' ? place.y : shape.heightMm - place.y,
  };
}

/** The inverse of {@link fromDatum}; the two are each other's own inverse. */
export const toDatum = fromDatum;
