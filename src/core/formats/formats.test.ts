import fc from 'fast-check';
import { tell } from '../units/show';
import { bulgePoints } from '../layout/outline';
import { layOutFace, type LaidFeature } from '../layout/lay-out';
import { USUAL_PART, type Part } from '../layout/part';
import { movePlace, snapStep } from '../layout/move-place';
import { countHoles, expandPlaces, type Place } from '../layout/place';
import { readPlacedCallout } from '../layout/placed-callout';
import { writePlace } from '../layout/write-place';
import { footprint } from '../layout/footprint';
import { readCallout } from '../threads/read-callout';
import type { Imported } from '../layout/imported';
import { MOST_CHARACTERS } from './imported';
import { readPlateCsv, writePlateCsv, type CsvFeature } from './plate-csv';
import { usualOwnTap } from '../tapping/own-tap';
import type { Thread } from '../threads/thread';
import { threadNamed } from '../threads/thread-named';
import { readCribCsv, writeCribCsv } from './crib-csv';
import { readPlateDxf, writePlateDxf } from './plate-dxf';
import { writePlateSvg } from './plate-svg';

const c = fc.integer({ min: -4000, max: 4000 }).map((v) => v / 8);
const size = fc.integer({ min: 1, max: 4000 }).map((v) => v / 8);
const few = fc.integer({ min: 2, max: 12 });
const ownPlace: fc.Arbitrary<Place> = fc.oneof(
  fc.record({ kind: fc.constant('point' as const), x: c, y: c }),
  fc.record({
    kind: fc.constant('row' as const),
    x: c,
    y: c,
    count: few,
    pitch: size,
    angleDeg: fc.integer({ min: -180, max: 180 }),
  }),
  fc.record({ kind: fc.constant('grid' as const), x: c, y: c, columns: few, rows: few, dx: size, dy: size }),
  fc.record({
    kind: fc.constant('circle' as const),
    x: c,
    y: c,
    diameter: size,
    divisions: few,
    startDeg: fc.integer({ min: -180, max: 180 }),
    skip: fc.constantFrom<number[]>([], [1]),
  }),
);
const anyPlace: fc.Arbitrary<Place> = fc.oneof(
  ownPlace,
  fc.record({ kind: fc.constant('list' as const), points: fc.array(fc.tuple(c, c), { minLength: 2, maxLength: 6 }) }),
  fc.record({
    kind: fc.constant('mirror' as const),
    of: fc.constant('feature-0'),
    axis: fc.constantFrom('x' as const, 'y' as const),
    at: c,
  }),
  fc.record({ kind: fc.constant('offset' as const), of: fc.constant('feature-0'), dx: c, dy: c }),
);
const got = (result: ReturnType<typeof readPlateCsv>): Imported => {
  if (!result.ok) throw new Error(result.problems.map((p) => tell(p, 'mm')).join(' '));
  return result.value;
};
const said = (result: ReturnType<typeof readPlateCsv>): string =>
  result.ok ? 'taken' : result.problems.map((p) => tell(p, 'mm')).join(' ');

describe('places', () => {
  test('what is written reads back, in either unit', () => {
    fc.assert(
      fc.property(ownPlace, fc.constantFrom('mm' as const, 'in' as const), (place, unit) => {
        const count = countHoles([{ id: 'a', place }]) || 1;
        const read = readPlacedCallout(`${count}x M5 THRU ${writePlace(place, unit)}`, unit);
        if (!read.ok) throw new Error(tell(read.problems[0], 'mm'));
        const points = (p: Place | undefined) => {
          return expandPlaces([{ id: 'a', place: p }]).points.get('a') ?? [];
        };
        const [before, after] = [points(place), points(read.value.place)];
        expect(after).toHaveLength(before.length);
        for (const [i, p] of before.entries())
          expect(Math.hypot(p.x - after[i].x, p.y - after[i].y)).toBeLessThan(0.005);
      }),
    );
  });

  test('moving moves every hole by the step; a mirrored place stays with its source', () => {
    fc.assert(
      fc.property(anyPlace, c, c, (place, x, y) => {
        const points = (p: Place) => {
          return (
            expandPlaces([
              { id: 'feature-0', place: { kind: 'point', x: 1, y: 2 } },
              { id: 'b', place: p },
            ]).points.get('b') ?? []
          );
        };
        const moved = points(movePlace(place, { x, y }));
        const by = place.kind === 'mirror' ? { x: 0, y: 0 } : { x, y };
        for (const [i, p] of points(place).entries()) {
          expect(moved[i].x - p.x).toBeCloseTo(by.x, 9);
          expect(moved[i].y - p.y).toBeCloseTo(by.y, 9);
        }
      }),
    );
  });

  test('a dragged hole lands on the nearest line within reach, each axis on its own', () => {
    const lines = { x: [50, 60], y: [30] };
    expect(snapStep({ x: 10, y: 10 }, { x: 41, y: 5 }, lines, 2)).toEqual({ x: 40, y: 5 });
    expect(snapStep({ x: 10, y: 10 }, { x: 45, y: 19.5 }, lines, 2)).toEqual({ x: 45, y: 20 });
  });
});

test('what a callout takes up on its face', () => {
  const of = (text: string) => {
    const read = readCallout(text);
    if (!read.ok) throw new Error(text);
    return footprint(read.value);
  };
  expect(of('M8 x 16 DEEP')).toEqual({
    diameterMm: 8,
    mouthMm: 8,
    headMm: 16,
    socketMm: 18.9 + 2e-15,
    proudMm: 16,
    tap: { standsMm: 46, swingMm: 125 },
    tapped: true,
  });
  expect(of('ø9 THRU CBORE ø15 x 8.6')).toMatchObject({
    diameterMm: 9,
    mouthMm: 15,
    headMm: 15,
    tapped: false,
  });
});

describe('CSV', () => {
  const anyFeature = (i: number): fc.Arbitrary<CsvFeature> =>
    fc.record({
      id: fc.constant(`feature-${i}`),
      name: fc.constantFrom('', 'feet', '=SUM(A1)', '+1', '@x', 'a,b', 'say "so"', '-lid'),
      callout: fc.constant('M5 THRU'),
      face: fc.constantFrom('top' as const, 'front' as const),
      place: anyPlace,
      more: fc.constantFrom(undefined, { thickness: '16 mm', tap: 'form' }),
    });

  test('a round trip loses nothing, and no cell can be taken for a formula', () => {
    fc.assert(
      fc.property(fc.tuple(anyFeature(0), anyFeature(1)), (pair) => {
        const features = pair.map((f) => ({
          ...f,
          callout: `${countHoles([{ id: 'a', place: f.place as Place }]) || 1}x M5 THRU`,
        }));
        const text = writePlateCsv(features);
        for (const line of text.split(/\r?\n/).slice(1))
          for (const cell of line.split(',')) expect(cell).not.toMatch(/^"?[=@+]|^"?-[a-z]/);
        const back = got(readPlateCsv(text, 'mm')).features;
        for (const [i, f] of features.entries())
          expect(back[i]).toMatchObject({ id: f.id, name: f.name, callout: f.callout, face: f.face });
        for (const [i, f] of features.entries())
          expect([back[i].more, writePlace(back[i].place as Place, 'mm') ?? back[i].place]).toEqual([
            f.more,
            writePlace(f.place as Place, 'mm') ?? f.place,
          ]);
      }),
    );
  });

  test('cells from a spreadsheet: diameters and coordinates, units in the heading or the cell', () => {
    const cells = 'Diameter_in\tX\tY\tcolour\n.250\t10\t1 in\tred\n\t\t\t\n1/4\t-5\t2.5\tblue\n';
    const { features, leftOut } = got(readPlateCsv(cells, 'mm'));
    expect(features.map((f) => [f.callout, f.place])).toEqual([
      ['ø.250 in THRU', { kind: 'point', x: 10, y: 25.4 }],
      ['ø1/4 in THRU', { kind: 'point', x: -5, y: 2.5 }],
    ]);
    expect(tell(leftOut[0], 'mm')).toContain('colour');
    expect(
      got(readPlateCsv('\ufeffcallout,place\n"4x M5 THRU","at 12,12 pitch 40"\n', 'mm')).features[0].place,
    ).toMatchObject({ kind: 'row', count: 4 });
  });

  test.each([
    ['', 'is empty'],
    ['callout,x,y\nM8,NaN,3', 'Row 2: x and y are not both lengths'],
    ['callout,x,y\nM8,1,2\nM99,1,2', 'Row 3: There is no M99'],
    ['callout,x,y\n=HYPERLINK("http://x"),1,2', 'is a formula'],
    ['callout,x,y\nM8,=1+1,2', 'is a formula'],
    ['id,callout,x,y\nabcdefgh,M8,1,2\nabcdefgh,M8,3,4', 'appears twice'],
    ['a,b,c\n1,2,3', 'No column is headed callout'],
    ['callout,face\nM8,inside', 'There is no face'],
    ['callout,place_mm\nM8,{"kind":"offset"}', 'The place is damaged'],
    ['callout,place_mm\n4x M8,"at 1,1"', 'need a pitch'],
    ['PK\u0003\u0004\u0000\u0000', 'not a text file'],
    ['x'.repeat(MOST_CHARACTERS + 1), 'larger than'],
    [`callout\n${'M8\n'.repeat(2501)}`, 'More than 2500 rows'],
  ])('%.40j is refused: %s', (text, why) => expect(said(readPlateCsv(text, 'mm'))).toContain(why));
});

describe('DXF', () => {
  const part: Part = { ...USUAL_PART, stock: { shape: 'plate', widthMm: 120, heightMm: 80, thicknessMm: 16 } };
  const feature = (id: string, callout: string, place: Place): LaidFeature => ({
    id,
    name: id,
    callout,
    face: 'top',
    place,
  });
  const features = [
    feature('feature-a', '3x M8 THRU', { kind: 'row', x: 20, y: 15, count: 3, pitch: 30, angleDeg: 0 }),
    feature('feature-b', 'ø9.5 THRU', { kind: 'point', x: 60, y: 60 }),
  ];
  const text = writePlateDxf(layOutFace(part, 'top', features), (id) => id);
  const holes = (b: Imported): string[] =>
    b.features.flatMap((f) =>
      (f.place?.kind === 'list' ? f.place.points : f.place?.kind === 'point' ? [[f.place.x, f.place.y]] : []).map(
        ([x, y]) => `${f.name} ${f.callout.replace(/^\d+x /, '')} ${x} ${y}`,
      ),
    );

  test('what is written comes back: outline, every hole, its size and its layer', () => {
    const back = got(readPlateDxf(text, 25.4));
    expect(back.stock).toMatchObject({ shape: 'plate', widthMm: 120, heightMm: 80 });
    expect(holes(back)).toEqual([
      'feature-a ø8 mm THRU 20 15',
      'feature-a ø8 mm THRU 50 15',
      'feature-a ø8 mm THRU 80 15',
      'feature-b ø9.5 mm THRU 60 60',
    ]);
    expect(back.understood.map((p) => tell(p, 'mm')).join(' ')).toContain('millimetres');
  });

  const dxf = (entities: string, header = ''): string =>
    `0\nSECTION\n2\nHEADER\n${header}0\nENDSEC\n0\nSECTION\n2\nENTITIES\n${entities}0\nENDSEC\n0\nEOF\n`;
  const circle = (x: number | string, y: number, r: number): string =>
    `0\nCIRCLE\n8\nHOLES\n10\n${x}\n20\n${y}\n40\n${r}\n`;

  const line = (x1: number, y1: number, x2: number, y2: number): string =>
    `0\nLINE\n8\nEDGE\n10\n${x1}\n20\n${y1}\n11\n${x2}\n21\n${y2}\n`;

  test('inches by $INSUNITS, or by the unit said when the file does not; what is not a hole is left out', () => {
    const inches = got(
      readPlateDxf(
        dxf(circle(1, 2, 0.125) + '0\nLINE\n8\n0\n10\n0\n20\n0\n11\n1\n21\n1\n', '9\n$INSUNITS\n70\n1\n'),
        1,
      ),
    );
    expect(holes(inches)).toEqual(['HOLES ø6.35 mm THRU 25.4 50.8']);
    expect(inches.leftOut.map((p) => tell(p, 'mm'))).toEqual(['1 of kind LINE.']);
    expect(holes(got(readPlateDxf(dxf(circle(1, 2, 0.125)), 25.4)))).toEqual(['HOLES ø6.35 mm THRU 25.4 50.8']);
  });

  test('an outline of lines and an arc, in any order, and one with a bulge; its corners come back as written', () => {
    const arc = '0\nARC\n8\nEDGE\n10\n60\n20\n30\n40\n30\n50\n-90\n51\n90\n';
    const rounded = got(
      readPlateDxf(dxf(line(60, 0, 0, 0) + arc + line(60, 60, 0, 60) + line(0, 60, 0, 0) + circle(30, 30, 4)), 1),
    );
    const stock = rounded.stock?.shape === 'plate' ? rounded.stock : undefined;
    expect([stock?.widthMm, stock?.heightMm]).toEqual([90, 60]);
    for (const [x, y] of stock?.outline ?? [])
      expect(x <= 60 ? [0, 60].includes(y) : Math.abs(Math.hypot(x - 60, y - 30) - 30) < 1e-5).toBe(true);
    expect(rounded.leftOut).toEqual([]);
    const shaped: Part = { ...USUAL_PART, stock: stock ?? USUAL_PART.stock };
    const again = got(readPlateDxf(writePlateDxf(layOutFace(shaped, 'top', features), String), 1));
    expect(again.stock).toMatchObject({ widthMm: 90, heightMm: 60, outline: stock?.outline });
    const half = '0\nLWPOLYLINE\n8\n0\n90\n2\n70\n1\n10\n0\n20\n0\n42\n1\n10\n40\n20\n0\n42\n1\n';
    expect(bulgePoints({ x: 0, y: 0 }, { x: 40, y: 0 }, 1).every((p) => p.y <= 0)).toBe(true);
    expect(got(readPlateDxf(dxf(half + circle(20, 0, 2)), 1)).stock).toMatchObject({ widthMm: 40, heightMm: 40 });
  });

  test('a rim around all other circles is a disc, measured from its centre', () => {
    const ring = got(readPlateDxf(dxf(circle(100, 100, 50) + circle(130, 100, 3) + circle(70, 100, 3)), 1));
    expect(ring.stock).toMatchObject({ shape: 'disc', diameterMm: 100 });
    expect(holes(ring)).toEqual(['HOLES ø6 mm THRU 30 0', 'HOLES ø6 mm THRU -30 0']);
  });

  test.each([
    ['truncated', text.slice(0, text.length / 2), 'breaks off'],
    ['binary', 'DXF\u0000\u0001', 'not a text file'],
    ['not DXF at all', 'hello EOF', 'not a readable DXF|holds nothing'],
    ['empty drawing', dxf(''), 'holds nothing'],
    ['no holes', dxf('0\nLINE\n8\n0\n10\n0\n20\n0\n11\n1\n21\n1\n'), 'No circles or points'],
    ['not a number', dxf(circle('NaN', 2, 3)), 'No circles or points'],
    ['wrong units', dxf(circle(90000, 2, 3)), 'unit is probably wrong'],
    [
      'an outline in the wrong unit',
      dxf(line(0, 0, 0, 90000) + line(0, 90000, 90000, 90000) + line(90000, 90000, 0, 0) + circle(9, 2, 3)),
      'unit is probably wrong',
    ],
    [
      'more holes than a part has, counted before it is read',
      dxf(circle(1, 2, 3).repeat(2502)).slice(0, -20),
      'These are 2502 circles and points',
    ],
  ])('%s', (_, content, why) => expect(said(readPlateDxf(content, 1))).toMatch(new RegExp(why)));

  test('SVG at true size, labels made harmless', () => {
    const svg = writePlateSvg(layOutFace(part, 'top', features), () => '<script>"A" & B</script>');
    expect(svg).toContain('width="120mm" height="80mm" viewBox="0 -80 120 80"');
    expect(svg).toContain('<circle cx="50" cy="-15" r="4"/>');
    expect(svg).toContain('&lt;script&gt;&quot;A&quot; &amp; B');
    const disc: Part = { ...USUAL_PART, stock: { shape: 'disc', diameterMm: 60, thicknessMm: 4 } };
    expect(writePlateSvg(layOutFace(disc, 'top', []), String)).toContain('viewBox="-30 -30 60 60"');
  });
});

test('a face laid out: datum, faults by hole, and what cannot be read at its feature', () => {
  const part: Part = { ...USUAL_PART, datums: { top: { x: 'right', y: 'top' } } };
  const laid = layOutFace(part, 'top', [
    { id: 'a', name: '', callout: 'M8 THRU', face: 'top', place: { kind: 'point', x: 5, y: 30 } },
    { id: 'b', name: '', callout: 'M8 blah', face: 'top', place: { kind: 'point', x: 60, y: 40 } },
    { id: 'c', name: '', callout: 'M8', face: 'front', place: { kind: 'point', x: 60, y: 8 } },
  ]);
  expect(laid.holes.map((h) => [h.featureId, h.onFace])).toEqual([
    ['a', { x: 115, y: 50 }],
    ['b', { x: 60, y: 40 }],
  ]);
  expect(laid.faults.listed.map((f) => [f.code, f.holes])).toEqual([['edge', [0]]]);
  expect(laid.problems.map((p) => p.field)).toEqual(['b']);
});

describe('the crib as a table', () => {
  const drill = {
    id: 'd-1',
    case: 'Index',
    series: 'metric' as const,
    label: '6.8',
    diameterMm: 6.8,
    pointAngleDeg: 135,
  };
  const tools = [
    {
      id: 't-1',
      kind: 'reamer' as const,
      name: '=Reamer "8", H7',
      diameterMm: 8,
      fit: 'H7',
      condition: 'worn' as const,
      where: 'drawer',
    },
    {
      id: 't-2',
      kind: 'step-drill' as const,
      name: 'Steps',
      smallMm: 4,
      stepMm: 2,
      diameterMm: 20,
      condition: 'sharp' as const,
      where: '',
    },
  ];
  const read = (text: string) => readCribCsv(text, 'mm');
  const why = (text: string): string => {
    const r = read(text);
    return r.ok ? 'taken' : r.problems.map((p) => tell(p, 'mm')).join(' ');
  };

  test('what goes out comes back; what a spreadsheet would run is guarded', () => {
    const text = writeCribCsv([{ ...drill, material: 'cobalt', condition: 'blunt', fluteMm: 60, where: '' }], tools);
    expect(text).toContain("'=Reamer");
    const back = read(text);
    if (!back.ok) throw new Error(why(text));
    expect(back.value.drills[0]).toMatchObject({ ...drill, material: 'cobalt', condition: 'blunt', fluteMm: 60 });
    tools.forEach((t, i) => expect(back.value.tools[i]).toMatchObject(t));
  });

  test('no start slips past: spaces, line feeds, full-width signs, an apostrophe of its own; all come back', () => {
    for (const start of ['=', '+', '-', '@', ' =', '\n=', '\t', '＝', '＋', '－', '＠', "'=", "''@", '\u00a0='])
      expect([start, /,"?'/.test(writeCribCsv([], [{ ...tools[0], where: `${start}1` }]))]).toEqual([start, true]);
    const where = fc.tuple(fc.constantFrom('', "'", ' =', '＠', '-', 'Rack ', 'a\n='), fc.string({ unit: 'grapheme' }));
    fc.assert(
      fc.property(where, (parts) => {
        const name = parts.join('').trim().slice(0, 60).trim();
        const back = read(writeCribCsv([], [{ ...tools[0], where: name }]));
        if (back.ok) expect(back.value.tools[0].where ?? '').toBe(name);
        else expect(name).toMatch(/\p{Cc}/u);
      }),
    );
  });

  test('sizes as stamped need no diameter; inches and fractions are read', () => {
    const r = read('kind,name,diameter\ndrill,17/64,\ndrill,#7,\nreamer,Half inch,1/2 in\n');
    expect(r.ok && [...r.value.drills.map((d) => +d.diameterMm.toFixed(3)), r.value.tools[0].diameterMm]).toEqual([
      6.747, 5.105, 12.7,
    ]);
  });

  test.each([
    ['no heading', 'a,b\n1,2', 'column “kind” is missing'],
    ['a strange kind', 'kind,name\nspoon,x', 'Row 2, kind: “spoon”'],
    ['no size', 'kind,name\ndrill,odd', 'needs its diameter'],
    ['not a length', 'kind,name,diameter\nreamer,x,-3', 'Row 2, diameter: “-3” is not a length'],
    ['an id twice', 'kind,name,id\nfluid,Oil,a\nfluid,Wax,a', 'Row 3, id: “a” appears twice'],
    ['only a heading', 'kind,name', 'no rows'],
    ['nothing', '', 'empty'],
    ['binary', 'kind,name\u0000\u0001', 'not a text file'],
  ])('%s is refused', (_, text, expected) => expect(why(text)).toContain(expected));

  test('taps go out and come back as they are; what a row leaves out is as usually made; a bad cell is named', () => {
    const tap = {
      ...usualOwnTap('tap-1', threadNamed('M8') as Thread, 'plug'),
      condition: 'worn' as const,
      holesDone: 40,
      makesClass: '6H',
    };
    const back = readCribCsv(writeCribCsv([], [], [tap]), 'mm');
    expect(back.ok && back.value.taps).toEqual([tap]);
    const short = readCribCsv('kind,name,geometry\ntap,1/4-20,spiral-point', 'mm');
    // ASME B94.9: 2 1/2 in long, a shank of 0.255.
    expect(short.ok && short.value.taps[0]).toMatchObject({
      thread: '1/4-20 UNC',
      chamferThreads: 4,
      overallMm: 63.5,
      shankMm: 6.48,
    });
    const bad = readCribCsv('kind,name,geometry\ntap,M77,plain', 'mm');
    expect(bad.ok ? [] : bad.problems.map((p) => tell(p, 'mm'))).toEqual([
      'Row 2, name: “M77” is not a thread.',
      'Row 2, geometry: “plain” is not in the list.',
    ]);
  });
});
