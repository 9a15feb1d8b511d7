import fc from 'fast-check';
import { tell } from '../units/show';
import { acrossFor, angledLength, axisDistance, tilt, wallBetween, type Axis, type Point3 } from './angled-hole';
import { readCallout } from '../threads/read-callout';
import { aimAt, boresOf, checkBores, inSpace } from './bores';
import { dialList, dialSetting, pathLength, touchOff, visitingOrder } from './dial-list';
import { footprint } from './footprint';
import { boltThrough, CLEARANCE_HOLES, rowFor, SOCKET_HEADS } from './heads.table';
import { socketOutside, WASHERS } from './hexagons.table';
import { fromMate } from './from-mate';
import { gaugeReading, heightList } from './height-list';
import { combined, positionZone, rankMeans, shareOutside } from './means-of-layout';
import {
  depthBehind,
  faceShape,
  facesOf,
  fromDatum,
  toDatum,
  USUAL_PART,
  type Datum,
  type FaceId,
  type FaceShape,
  type Part,
  type Point,
  type Stock,
} from './part';
import type { LaidFeature } from './lay-out';
import { expandPlaces, type Placed, onCircle, pointsOf, type Place } from './place';
import { readPlacedCallout } from './placed-callout';
import { dimpleFor, judgePunch } from './punch';
import { outlineCorners } from './outline';
import { checkRoom, edgeDistance, type RoomHole } from './room';

const coordinate = fc.double({ min: -500, max: 500, noNaN: true });
const anyPoint = fc.record({ x: coordinate, y: coordinate });
const close = (a: Point, b: Point): void => {
  expect(a.x).toBeCloseTo(b.x, 6);
  expect(a.y).toBeCloseTo(b.y, 6);
};

describe('faces and datums', () => {
  const plate: Stock = { shape: 'plate', widthMm: 120, heightMm: 80, thicknessMm: 16 };

  test('faces of a plate and of round stock, and how deep the part is behind them', () => {
    expect(facesOf(plate)).toHaveLength(6);
    expect(faceShape(plate, 'front')).toEqual({ kind: 'rectangle', widthMm: 120, heightMm: 16 });
    expect(faceShape(plate, 'left')).toEqual({ kind: 'rectangle', widthMm: 80, heightMm: 16 });
    expect([depthBehind(plate, 'top'), depthBehind(plate, 'front'), depthBehind(plate, 'left')]).toEqual([16, 80, 120]);
    const tube: Stock = { shape: 'tube', diameterMm: 60, boreMm: 40, lengthMm: 200 };
    expect(faceShape(tube, 'top')).toEqual({ kind: 'circle', diameterMm: 60 });
    expect(faceShape(tube, 'side')).toEqual({ kind: 'rectangle', widthMm: 200, heightMm: 60 });
    expect([depthBehind(tube, 'side'), depthBehind(tube, 'top')]).toEqual([10, 200]);
    expect(depthBehind({ shape: 'disc', diameterMm: 90, thicknessMm: 12 }, 'top')).toBe(12);
  });

  test('from a datum and back is the same place, for every corner', () => {
    const shape: FaceShape = { kind: 'rectangle', widthMm: 120, heightMm: 80 };
    fc.assert(
      fc.property(anyPoint, fc.constantFrom('left', 'right'), fc.constantFrom('bottom', 'top'), (p, x, y) => {
        const datum = { x, y } as Datum;
        close(toDatum(fromDatum(p, shape, datum), shape, datum), p);
      }),
    );
    expect(fromDatum({ x: 10, y: 10 }, shape, { x: 'right', y: 'top' })).toEqual({ x: 110, y: 70 });
    expect(fromDatum({ x: 10, y: 10 }, { kind: 'circle', diameterMm: 50 }, { x: 'right', y: 'top' })).toEqual({
      x: 10,
      y: 10,
    });
  });
});

describe('patterns', () => {
  const circle: Place & { kind: 'circle' } = {
    kind: 'circle',
    x: 60,
    y: 40,
    diameter: 130,
    divisions: 6,
    startDeg: 90,
    skip: [2],
  };

  test('six on a circle of 130 from 90 degrees, the second left out', () => {
    const points = pointsOf(circle);
    expect(points).toHaveLength(5);
    close(points[0], { x: 60, y: 105 });
    close(points[1], { x: 60 - 65 * Math.sqrt(3) * 0.5, y: 40 - 32.5 });
  });

  test('rows and grids', () => {
    expect(pointsOf({ kind: 'row', x: 12, y: 12, count: 3, pitch: 40, angleDeg: 90 })).toEqual([
      { x: 12, y: 12 },
      { x: 12, y: 52 },
      { x: 12, y: 92 },
    ]);
    expect(pointsOf({ kind: 'grid', x: 10, y: 10, columns: 2, rows: 2, dx: 40, dy: 25 })).toEqual([
      { x: 10, y: 10 },
      { x: 50, y: 10 },
      { x: 10, y: 35 },
      { x: 50, y: 35 },
    ]);
  });

  test('holes on a circle are all its radius from the centre and evenly apart; turning by a division changes nothing', () => {
    fc.assert(
      fc.property(
        anyPoint,
        fc.double({ min: 1, max: 400, noNaN: true }),
        fc.integer({ min: 2, max: 40 }),
        fc.integer({ min: -720, max: 720 }),
        (c, diameter, divisions, startDeg) => {
          const place: Place & { kind: 'circle' } = { kind: 'circle', ...c, diameter, divisions, startDeg, skip: [] };
          const points = pointsOf(place);
          const chord = diameter * Math.sin(Math.PI / divisions);
          for (const [i, p] of points.entries()) {
            expect(Math.hypot(p.x - c.x, p.y - c.y)).toBeCloseTo(diameter / 2, 6);
            const next = points[(i + 1) % divisions];
            expect(Math.hypot(p.x - next.x, p.y - next.y)).toBeCloseTo(chord, 6);
          }
          close(pointsOf({ ...place, startDeg: startDeg + 360 / divisions })[0], points[1 % divisions]);
        },
      ),
    );
    expect(onCircle({ x: 0, y: 0 }, 10, -90)).toEqual({ x: 0, y: -10 });
  });

  test('mirroring twice is nothing, an offset and its opposite is nothing, the source stays editable', () => {
    fc.assert(
      fc.property(anyPoint, coordinate, fc.constantFrom('x' as const, 'y' as const), (p, at, axis) => {
        const result = expandPlaces([
          { id: 'a', place: { kind: 'point', ...p } },
          { id: 'b', place: { kind: 'mirror', of: 'a', axis, at } },
          { id: 'c', place: { kind: 'mirror', of: 'b', axis, at } },
          { id: 'd', place: { kind: 'offset', of: 'c', dx: at, dy: -at } },
          { id: 'e', place: { kind: 'offset', of: 'd', dx: -at, dy: at } },
          { id: 'f' },
        ]);
        expect(result.problems).toEqual([]);
        for (const id of ['c', 'e']) close(result.points.get(id)?.[0] ?? { x: NaN, y: NaN }, p);
        expect(result.points.get('f')).toEqual([]);
      }),
    );
  });

  test('rings, lost sources and floods are refused at the feature that makes them', () => {
    const codes = (features: Parameters<typeof expandPlaces>[0]): string[] => {
      return expandPlaces(features).problems.map((p) => `${p.code}@${p.field}`);
    };
    expect(
      codes([
        { id: 'a', place: { kind: 'offset', of: 'b', dx: 1, dy: 0 } },
        { id: 'b', place: { kind: 'offset', of: 'a', dx: 1, dy: 0 } },
      ]),
    ).toEqual(['place-ring@b']);
    expect(codes([{ id: 'a', place: { kind: 'mirror', of: 'gone', axis: 'x', at: 0 } }])).toEqual(['place-lost@a']);
    const flood = (columns: number): Placed[] => [
      { id: 'a', place: { kind: 'grid', x: 0, y: 0, columns, rows: 25, dx: 1, dy: 1 } },
      { id: 'b', place: { kind: 'mirror', of: 'a', axis: 'x', at: 0 } },
      { id: 'c', place: { kind: 'circle', x: 0, y: 0, diameter: 9, divisions: 60, startDeg: 0, skip: [1, 1, 2, 99] } },
      { id: 'd', place: { kind: 'row', x: 0, y: 0, count: 42, pitch: 1, angleDeg: 0 } },
    ];
    // 48 x 25 twice, 60 less 2, and 42 are 2,500; one column more is 50 too many, and none is made.
    expect([codes(flood(48)), codes(flood(49))]).toEqual([[], ['place-many@d']]);
    expect(expandPlaces(flood(999)).points.get('a')).toEqual([]);
  });
});

describe('one line with callout and place', () => {
  test.each([
    ['M8 THRU at 20,15', { kind: 'point', x: 20, y: 15 }],
    ['4x M5 THRU at 12,12 pitch 40', { kind: 'row', x: 12, y: 12, count: 4, pitch: 40, angleDeg: 0 }],
    ['3x M5 THRU AT 12, 12 PITCH 40 ANGLE 90', { kind: 'row', x: 12, y: 12, count: 3, pitch: 40, angleDeg: 90 }],
    [
      '6x M6 circle 80 at 60,40 from 90',
      { kind: 'circle', x: 60, y: 40, diameter: 80, divisions: 6, startDeg: 90, skip: [] },
    ],
    [
      '5x M6 on circle ø80 at 60,40 skip 2',
      { kind: 'circle', x: 60, y: 40, diameter: 80, divisions: 6, startDeg: 0, skip: [2] },
    ],
    ['3x M10 x 8 DEEP circle 130', { kind: 'circle', x: 0, y: 0, diameter: 130, divisions: 3, startDeg: 0, skip: [] }],
    [
      '6x M4 x 8 DEEP at 10,10 grid 3 by 2 pitch 40,25',
      { kind: 'grid', x: 10, y: 10, columns: 3, rows: 2, dx: 40, dy: 25 },
    ],
    ['4x M5 THRU at 12,12 pitch 100,60', { kind: 'grid', x: 12, y: 12, columns: 2, rows: 2, dx: 100, dy: 60 }],
    ['ø9 THRU at 1 in, 1/2', { kind: 'point', x: 25.4, y: 12.7 }],
    ['M8 at -5,10', { kind: 'point', x: -5, y: 10 }],
    ['M8 THRU', undefined],
  ] as [string, Place | undefined][])('%s', (line, place) => {
    const read = readPlacedCallout(line, 'mm');
    if (!read.ok) throw new Error(tell(read.problems[0], 'mm'));
    expect(read.value.place).toEqual(place);
  });

  test.each([
    ['4x M5 THRU at 12,12', 11, 'need a pitch'],
    ['M8 at', 3, 'is not part of a place'],
    ['M8 pitch 40', 3, 'first hole is missing'],
    ['6x M4 at 1,1 grid 3 by 3 pitch 5', 13, 'has 9 holes; the callout says 6'],
    ['6x M4 at 1,1 pitch 5,4', 13, 'Two pitches need a grid'],
    ['4x M4 at 1,1 grid 2 by 2', 6, 'needs its pitch'],
    ['M8 at 1,1 at 2,2', 10, 'appears twice'],
    ['M8 at 10,10 sideways', 12, '“sideways” is not part of a place'],
    ['6x M6 circle 80 skip 9', 16, 'one of 1 to 7'],
    ['4x M5 at 1,1 pitch -3', 13, 'above zero'],
    ['M8 blah at 1,1', 3, '“blah” could not be read'],
  ])('“%s” is refused at %d', (line, start, part) => {
    const read = readPlacedCallout(line, 'mm');
    if (read.ok) throw new Error('was read');
    expect(read.problems[0].at?.start).toBe(start);
    expect(tell(read.problems[0], 'mm')).toContain(part);
  });

  test('bare places say their unit', () => {
    const read = readPlacedCallout('M8 THRU at 1,2', 'in');
    expect(read.ok && [read.value.place, read.value.notes.map((n) => tell(n, 'mm'))]).toEqual([
      { kind: 'point', x: 25.4, y: 50.8 },
      ['Places without a unit are read as inches.'],
    ]);
  });
});

describe('heights and dials', () => {
  test('distinct heights in rising order, each with what it serves', () => {
    const at = (featureId: string, x: number, y: number) => ({ featureId, at: { x, y } });
    const holes = [at('b', 52, 12.001), at('a', 12, 12), at('a', 52, 68), at('a', 12, 68), at('c', 60, 40)];
    expect(heightList(holes, 'x').map((l) => [l.mm, l.serves])).toEqual([
      [12, [{ featureId: 'a', count: 2 }]],
      [
        52,
        [
          { featureId: 'b', count: 1 },
          { featureId: 'a', count: 1 },
        ],
      ],
      [60, [{ featureId: 'c', count: 1 }]],
    ]);
    expect(heightList(holes, 'y').map((l) => l.mm)).toEqual([12, 40, 68]);
  });

  test.each([
    [47.34, 'digital-mm', '47.34'],
    [47.34, 'digital-inch', '1.8638'],
    [47.34, 'dial-mm', '47 + 0.34 on the dial'],
    [47.34, 'vernier-mm', '47, line 17'],
    // 2.463 in: twenty-four turns of a tenth and 63 thousandths.
    [2.463 * 25.4, 'dial-inch', '2.4 + 0.063 on the dial'],
    [1.888 * 25.4, 'vernier-inch', '1.875, line 13'],
    [46.9999, 'vernier-mm', '47, line 0'],
  ] as const)('%d mm on a %s gauge reads %s', (mm, gauge, reading) => expect(gaugeReading(mm, gauge)).toBe(reading));

  test('8 mm tool and 0.25 shim: 4.25, on a 2 mm dial two turns and a quarter millimetre', () => {
    const move = touchOff(8, 0.25).value;
    expect(move).toBeCloseTo(4.25, 9);
    expect(dialSetting(move, { travelMm: 2, divisions: 200 })).toEqual({ mm: 4.25, turns: 2, divisions: 25, sign: 1 });
    expect(dialSetting(-1.9999, { travelMm: 2, divisions: 100 })).toMatchObject({ turns: 1, divisions: 0, sign: -1 });
  });

  test('turns and divisions add up to the move, and the rest is less than a turn', () => {
    fc.assert(
      fc.property(
        coordinate,
        fc.constantFrom(1, 2, 2.54, 5),
        fc.constantFrom(50, 100, 200, 250),
        (move, travelMm, divisions) => {
          const s = dialSetting(move, { travelMm, divisions });
          expect(s.divisions).toBeLessThan(divisions);
          expect(s.sign * (s.turns * travelMm + (s.divisions * travelMm) / divisions)).toBeCloseTo(move, 1);
        },
      ),
    );
  });

  test('the dial is always come to from the same side: a step back says so', () => {
    const rows = dialList(
      [0, 1, 2],
      [
        { x: 10, y: 10 },
        { x: 50, y: 5 },
        { x: 20, y: 30 },
      ],
      { travelMm: 2, divisions: 100 },
    );
    expect(rows.map((r) => r.backUp)).toEqual([
      { x: false, y: false },
      { x: false, y: true },
      { x: true, y: false },
    ]);
  });

  test('the visiting order takes every hole once and is no longer than the order given', () => {
    fc.assert(
      fc.property(fc.array(anyPoint, { minLength: 1, maxLength: 25 }), (points) => {
        const order = visitingOrder(points);
        expect([...order].sort((a, b) => a - b)).toEqual([...points.keys()]);
        const nearest = Math.min(...points.map((p) => Math.hypot(p.x, p.y)));
        expect(Math.hypot(points[order[0]].x, points[order[0]].y)).toBeCloseTo(nearest, 9);
      }),
    );
    const square = [
      { x: 0, y: 0 },
      { x: 10, y: 10 },
      { x: 10, y: 0 },
      { x: 0, y: 10 },
    ];
    expect(pathLength(visitingOrder(square), square)).toBeCloseTo(30, 9);
  });
});

describe('means of layout', () => {
  test('zones: M8 in a 9 mm hole over a tapped one leaves 0.5, over another clearance hole 1', () => {
    expect(positionZone('fixed', 9, 8).value).toBe(0.5);
    expect(positionZone('floating', 9, 8).value).toBe(1);
  });

  test('for 0.5 the scriber does not hold, the height gauge with press and centre drill is the cheapest that does', () => {
    const ranked = rankMeans(0.5, 'eye', 'centre-drill');
    expect(ranked.find((m) => m.id === 'scriber')?.holds).toBe(false);
    expect(ranked.find((m) => m.id === 'height-gauge')?.spread.value).toBeCloseTo(Math.hypot(0.06, 0.12, 0.08), 9);
    expect(ranked.filter((m) => m.holds).map((m) => m.id)).toEqual([
      'transfer-punch',
      'height-gauge',
      'caliper',
      'edge-finder',
      'readout',
      'bushing',
    ]);
    expect(
      rankMeans(0.5, 'automatic', 'hand')
        .filter((m) => m.holds)
        .map((m) => m.id),
    ).toEqual(['edge-finder', 'readout', 'bushing']);
  });

  test('a wider zone loses fewer holes; spreads combine as root of squares', () => {
    expect(combined(3, 4)).toBe(5);
    expect(shareOutside(1, 0.25)).toBeCloseTo(Math.exp(-2), 9);
    expect([shareOutside(0, 0.1), shareOutside(1, 0.1) < shareOutside(0.3, 0.1)]).toEqual([1, true]);
  });
});

describe('room', () => {
  const shape: FaceShape = { kind: 'rectangle', widthMm: 100, heightMm: 60 };
  const hole = (x: number, y: number, diameterMm = 8, headMm = 0): RoomHole => ({
    id: `${x},${y}`,
    at: { x, y },
    diameterMm,
    headMm,
    socketMm: 0,
    proudMm: 0,
  });
  test('2,500 holes half a millimetre apart: the worst 200 are listed, all are counted, every hole is marked', () => {
    const crowd = Array.from({ length: 2500 }, (_, i) => hole(30 + (i % 50) * 0.5, 20 + Math.floor(i / 50) * 0.5));
    const { listed, count, faulty } = checkRoom(crowd, shape);
    expect([listed.length, faulty.size, listed.every((f) => f.level === 'stop')]).toEqual([200, 2500, true]);
    expect(count).toBeGreaterThan(100_000);
  });

  const codes = (...holes: RoomHole[]): string[] => checkRoom(holes, shape).listed.map((f) => `${f.code} ${f.level}`);

  test.each([
    ['well inside', [hole(50, 30)], []],
    ['under one and a half diameters', [hole(11, 30)], ['edge warn']],
    ['under one diameter and 1 mm', [hole(8.5, 30)], ['edge stop']],
    ['out of the edge', [hole(50, 58)], ['outside stop']],
    ['two in one place', [hole(50, 30), hole(50, 30)], ['same-place stop']],
    ['running into each other', [hole(50, 30), hole(56, 30)], ['overlap stop']],
    ['a thin web', [hole(50, 30), hole(58.5, 30)], ['web stop']],
    ['heads that foul', [hole(40, 30, 8, 16), hole(52, 30, 8, 16)], ['heads warn']],
    ['far apart in x order', [hole(20, 30), hole(80, 30), hole(50, 30)], []],
  ] as [string, RoomHole[], string[]][])('%s', (_, holes, expected) => expect(codes(...holes)).toEqual(expected));

  test('the change offered cures the fault', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -2, max: 102, noNaN: true }),
        fc.double({ min: 20, max: 40, noNaN: true }),
        (x, y) => {
          const [fault] = checkRoom([hole(x, y)], shape).listed;
          if (!fault?.cure) return;
          const cured = { ...hole(x, y), at: { x: x + fault.cure.x, y: y + fault.cure.y } };
          expect(checkRoom([cured], shape).listed).toEqual([]);
        },
      ),
    );
    const pair = [hole(50, 30), hole(55, 32)];
    const [fault] = checkRoom(pair, shape).listed;
    const moved = {
      ...pair[fault.holes[0]],
      at: { x: pair[fault.holes[0]].at.x + (fault.cure?.x ?? 0), y: pair[fault.holes[0]].at.y + (fault.cure?.y ?? 0) },
    };
    expect(checkRoom([moved, pair[fault.holes[1]]], shape).count).toBe(0);
  });

  test('a socket beside a neighbour: 13 across flats wants 18.9, so M8 heads of 13 clear each other at 14 but no socket does', () => {
    const m8 = (x: number): RoomHole => ({
      ...hole(x, 30, 8, 13),
      socketMm: socketOutside(13),
      proudMm: 13,
    });
    expect(socketOutside(13)).toBeCloseTo(18.9, 9);
    expect(codes(m8(40), m8(54))).toEqual(['socket warn']);
    expect(codes(m8(40), m8(40 + (18.9 + 13) / 2 + 0.01))).toEqual([]);
    // A head that takes no socket is in the way on either side of it; a sunk one is not.
    const button = { ...hole(54, 30, 8, 13), proudMm: 13 };
    expect([codes(m8(40), button), codes(m8(68), button)]).toEqual([['socket warn'], ['socket warn']]);
    expect(codes(m8(40), hole(54, 30, 8, 13))).toEqual([]);
  });

  test('a standing wall wants head, socket and the sweep of the wrench clear, unless the tap stands over it', () => {
    const walled: FaceShape = { ...shape, walls: { left: 50 } };
    const tapped = (x: number, standsMm: number): RoomHole => ({
      ...hole(x, 30, 6, 12),
      socketMm: 15,
      tap: { standsMm, swingMm: 40 },
    });
    const found = (h: RoomHole): string[] =>
      checkRoom([h], walled).listed.map((f) => `${f.code} ${f.cure?.x.toFixed(1)}`);
    expect(found(tapped(30, 46))).toEqual(['swing 10.0']);
    expect(found(tapped(30, 51))).toEqual([]);
    expect(found({ ...tapped(9.2, 51), headMm: 20 })).toEqual(['wall 0.8']);
    const read = readCallout('M6 x 10 DEEP');
    expect(read.ok && footprint(read.value).tap).toEqual({ standsMm: 66 - 10 - 10, swingMm: 40 });
  });

  test('an outline: inside above zero, outside below; what a rectangle gives, its four corners give', () => {
    const ell = [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 20 },
      { x: 30, y: 20 },
      { x: 30, y: 60 },
      { x: 0, y: 60 },
    ];
    const face: FaceShape = { kind: 'rectangle', widthMm: 100, heightMm: 60, outline: ell };
    expect(edgeDistance({ x: 60, y: 14 }, face)).toEqual({ mm: 6, inward: { x: 0, y: -1 } });
    expect(edgeDistance({ x: 60, y: 45 }, face)).toMatchObject({ mm: -25, inward: { y: -1 } });
    expect(checkRoom([hole(60, 45)], face).listed[0].code).toBe('outside');
    fc.assert(
      fc.property(fc.integer({ min: -20, max: 120 }), fc.integer({ min: -20, max: 80 }), (x, y) => {
        const plain = edgeDistance({ x, y }, shape).mm;
        const cut = edgeDistance({ x, y }, { ...shape, outline: outlineCorners(shape) }).mm;
        if (plain >= 0) expect(cut).toBeCloseTo(plain, 9);
        else expect(cut).toBeLessThanOrEqual(plain + 1e-9);
      }),
    );
  });

  test('a round face is measured to its rim; its centre has all the room', () => {
    const disc: FaceShape = { kind: 'circle', diameterMm: 60 };
    expect(edgeDistance({ x: 18, y: 24 }, disc)).toEqual({ mm: 0, inward: { x: -0.6, y: -0.8 } });
    expect(checkRoom([hole(0, 0)], disc).count).toBe(0);
    expect(checkRoom([hole(25, 0)], disc).listed[0].code).toBe('edge');
  });

  test('finds the same pairs as comparing every hole with every other; of equal ones each but the first once', () => {
    const anyHoles = fc.array(
      fc.record({ x: fc.double({ min: 15, max: 85, noNaN: true }), y: fc.double({ min: 15, max: 45, noNaN: true }) }),
      { maxLength: 30 },
    );
    fc.assert(
      fc.property(anyHoles, (points) => {
        const holes = points.map((p) => hole(p.x, p.y, 5, 9));
        const pairs = checkRoom(holes, shape).listed.filter((f) => f.holes.length === 2).length;
        const places = [...new Map(points.map((p) => [`${p.x.toFixed(6)} ${p.y.toFixed(6)}`, p])).values()];
        let expected = points.length - places.length;
        for (let i = 0; i < places.length; i++)
          for (let j = i + 1; j < places.length; j++)
            if (Math.hypot(places[i].x - places[j].x, places[i].y - places[j].y) < 9) expected += 1;
        expect(pairs).toBe(expected);
      }),
    );
  });

  test('heads, washers and clearance holes by nominal diameter', () => {
    expect(rowFor(SOCKET_HEADS, 8)).toEqual([8, 13, 8, 15]);
    expect([9, 5.5, 7.5, 8].map(boltThrough)).toEqual([8, 5, undefined, undefined]);
    expect(rowFor(WASHERS, 8)?.[1]).toBe(16);
    expect(rowFor(CLEARANCE_HOLES, 8)).toEqual([8, 8.4, 9, 10]);
    expect(rowFor(CLEARANCE_HOLES, 6.35)?.[2]).toBeCloseTo(0.281 * 25.4, 2);
    expect(rowFor(SOCKET_HEADS, 7)).toBeUndefined();
  });
});

describe('punch marks', () => {
  test('the dimple takes the chisel edge of the first drill', () =>
    expect(dimpleFor(10)).toBeCloseTo(1.1 * 1.25 * 1.555, 9));

  test.each([
    [{ x: 0.1, y: 0 }, 'inside', 'right', 0.15],
    [{ x: 0, y: 0.2 }, 'tight', 'up', 0.05],
    [{ x: -0.3, y: -0.3 }, 'outside', 'left and down', -0.174],
  ] as const)('%j of a zone of 0.5 is %s, %s', (offset, verdict, direction, left) => {
    const judged = judgePunch(offset, 0.5, 6.8);
    expect([judged.verdict, judged.direction]).toEqual([verdict, direction]);
    expect(judged.leftMm).toBeCloseTo(left, 3);
    expect(judged.drawUpToMm).toBeCloseTo(6.8 - 2 * Math.hypot(offset.x, offset.y), 9);
  });

  test('further off than the drill is wide, it cannot be drawn', () => {
    expect(tell(judgePunch({ x: 2, y: 0 }, 0.5, 3).advice, 'mm')).toContain('move the hole');
  });
});

describe('bores through the part', () => {
  const block: Part = { ...USUAL_PART, stock: { shape: 'plate', widthMm: 90, heightMm: 60, thicknessMm: 38 } };
  const feature = (
    id: string,
    callout: string,
    face: FaceId,
    x: number,
    y: number,
    exit?: { dx: number; dy: number },
  ): LaidFeature => ({
    id,
    name: '',
    callout,
    face,
    place: { kind: 'point', x, y },
    exit,
    made: made(callout),
  });
  /** As deep as written, without a tip. */
  const made = (callout: string): LaidFeature['made'] => {
    const [, deep] = / x (\d+) DEEP/.exec(callout) ?? [];
    return { ok: true, value: { boredMm: Number(deep ?? 0), through: deep === undefined } };
  };
  const walls = (features: LaidFeature[]): string[] =>
    checkBores(boresOf(block, features), (id) => features.some((f) => f.id === id && f.exit)).listed.map(
      (f) => `${f.a.featureId}${f.b.featureId} ${f.level} ${f.wallMm.toFixed(2)}`,
    );

  test('bores that are meant to meet are no fault where they do, and one where they miss', () => {
    const cross = feature('cross', 'ø8 THRU', 'front', 40, 19);
    const faults = (down: number) =>
      checkBores(
        boresOf(block, [cross, feature('oil', `ø4 x ${down} DEEP`, 'top', 40, 30)]),
        () => false,
        new Map([['oil', 'cross']]),
      ).listed.map((f) => `${f.level} ${f.wallMm.toFixed(1)}`);
    // The cross bore's axis lies 19 under the top: 8 and 4 across leave 19 − 10 − 6 = 3.
    expect([faults(10), faults(16)]).toEqual([['stop 3.0'], []]);
  });

  test('a hole is aimed at a point inside another bore: its axis passes through it, from every face', () => {
    const aimed: string[] = [];
    for (const face of facesOf(block.stock)) {
      const target = feature('b', 'ø8 x 30 DEEP', face === 'front' ? 'left' : 'front', 12, 14);
      const own = feature('a', 'ø3 THRU', face, 21, 17);
      const [bore, other] = boresOf(block, [own, target]);
      const aim = aimAt(block, bore, other, 12);
      if (!aim) continue;
      aimed.push(face);
      const [hole] = boresOf(block, [{ ...own, exit: aim }]);
      const at = inSpace(block.stock, target.face, { x: 12, y: 14 }, 12);
      expect([face, axisDistance(hole.axis, { from: at, to: at })]).toEqual([face, expect.closeTo(0, 6)]);
    }
    expect(aimed.length).toBeGreaterThan(4);
  });

  test('a point just inside each face of a block lies inside the block, and a whole way down comes out opposite', () => {
    for (const face of facesOf(block.stock)) {
      const behind = depthBehind(block.stock, face);
      const at = { x: 7, y: 9 };
      const [near, far] = [inSpace(block.stock, face, at, 0), inSpace(block.stock, face, at, behind)];
      expect(Math.hypot(far.x - near.x, far.y - near.y, far.z - near.z)).toBeCloseTo(behind, 9);
      for (const p of [near, far]) {
        expect(p.x >= 0 && p.x <= 90 && p.y >= 0 && p.y <= 60 && p.z >= 0 && p.z <= 38).toBe(true);
      }
    }
    expect(inSpace({ shape: 'bar', diameterMm: 30, lengthMm: 100 }, 'side', { x: 20, y: 15 }, 30)).toEqual({
      x: 0,
      y: -15,
      z: 20,
    });
    expect(inSpace({ shape: 'disc', diameterMm: 90, thicknessMm: 12 }, 'top', { x: 3, y: 4 }, 12)).toEqual({
      x: 3,
      y: 4,
      z: 0,
    });
  });

  test('a cross bore under a blind hole: missed, nearly, and met', () => {
    const cross = (y: number) => feature('C', 'ø8 THRU', 'front', 66, y);
    const blind = feature('B', 'ø8 x 20 DEEP', 'top', 66, 30);
    // The blind hole ends 18 above the bottom: 18 − 5.5 − 8 leaves 4.5 of wall; 18 − 8.5 − 8 leaves 1.5; at 12 they meet.
    expect(walls([blind, cross(5.5)])).toEqual([]);
    expect(walls([blind, cross(8.6)])).toEqual(['BC warn 1.40']);
    expect(walls([blind, cross(12)])).toEqual(['BC stop -2.00']);
  });

  test('straight holes of one face are left to the face; an angled one is followed to where it comes out', () => {
    const a = feature('A', 'ø8 THRU', 'top', 20, 30);
    expect(walls([a, feature('B', 'ø8 THRU', 'top', 29, 30)])).toEqual([]);
    expect(walls([a, feature('B', 'ø8 THRU', 'top', 50, 30, { dx: -20, dy: 0 })])).toEqual([]);
    expect(walls([a, feature('B', 'ø8 THRU', 'top', 50, 30, { dx: -21, dy: 0 })])).toEqual(['AB warn 1.00']);
    expect(walls([a, feature('B', 'ø8 THRU', 'top', 50, 30, { dx: -30, dy: 0 })])).toEqual(['AB stop -8.00']);
  });
});

test('places of a mating part: mirrored as the faces meet, tapped holes become clearance, the rest as it is', () => {
  const part: Part = { ...USUAL_PART, datums: { top: { x: 'right', y: 'bottom' } } };
  const features: LaidFeature[] = [
    {
      id: 'a',
      name: 'lid',
      callout: '2x M8 x 12 DEEP',
      face: 'top',
      place: { kind: 'row', x: 20, y: 15, count: 2, pitch: 50, angleDeg: 0 },
    },
    { id: 'b', name: '', callout: 'ø6 THRU', face: 'top', place: { kind: 'point', x: 60, y: 40 } },
    { id: 'c', name: '', callout: 'M5', face: 'top' },
  ];
  const met = fromMate(part, 'top', features, true);
  expect(met.features).toEqual([
    {
      name: 'lid',
      callout: '2x ø9 mm THRU',
      place: {
        kind: 'list',
        points: [
          [20, 15],
          [70, 15],
        ],
      },
    },
    { name: '', callout: 'ø6 mm THRU', place: { kind: 'point', x: 60, y: 40 } },
  ]);
  expect(met.leftOut).toHaveLength(1);
  expect(fromMate(part, 'top', features, false).features[0].place).toEqual({
    kind: 'list',
    points: [
      [100, 15],
      [50, 15],
    ],
  });
});

describe('angled and cross holes', () => {
  const axis = (from: number[], to: number[]): Axis => {
    const p = ([x, y, z]: number[]): Point3 => ({ x, y, z });
    return { from: p(from), to: p(to) };
  };

  test('10 across in 24 down: 22.62 degrees, 26.0 long, and back', () => {
    expect(tilt(10, 24).value).toBeCloseTo(22.62, 2);
    expect(angledLength(10, 24).value).toBeCloseTo(26, 9);
    expect(acrossFor(tilt(10, 24).value, 24)).toBeCloseTo(10, 9);
  });

  test.each([
    ['crossing at right angles, 12 apart', axis([0, 0, 0], [0, 0, 40]), axis([-20, 12, 20], [20, 12, 20]), 12],
    ['side by side', axis([0, 0, 0], [0, 0, 40]), axis([9, 0, 5], [9, 0, 30]), 9],
    ['the short one ends before they meet', axis([0, 0, 0], [0, 0, 10]), axis([-20, 0, 22], [20, 0, 22]), 12],
    ['meeting', axis([0, 0, 0], [0, 0, 40]), axis([-20, 0, 20], [20, 0, 20]), 0],
  ])('%s', (_, a, b, apart) => {
    expect(axisDistance(a, b)).toBeCloseTo(apart, 9);
    expect(axisDistance(b, a)).toBeCloseTo(apart, 9);
    expect(wallBetween(a, 10, b, 6).value).toBeCloseTo(apart - 8, 9);
  });

  test('the distance is never more than between any two points of the axes', () => {
    const c = fc.double({ min: -50, max: 50, noNaN: true });
    const anyAxis = fc.record({ from: fc.record({ x: c, y: c, z: c }), to: fc.record({ x: c, y: c, z: c }) });
    const at = (a: Axis, t: number): Point3 => ({
      x: a.from.x + t * (a.to.x - a.from.x),
      y: a.from.y + t * (a.to.y - a.from.y),
      z: a.from.z + t * (a.to.z - a.from.z),
    });
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(anyAxis, anyAxis, share, share, (a, b, s, t) => {
        const p = at(a, s);
        const q = at(b, t);
        expect(axisDistance(a, b)).toBeLessThanOrEqual(Math.hypot(p.x - q.x, p.y - q.y, p.z - q.z) + 1e-6);
      }),
    );
  });
});
