import { report } from './measure';
import { readPlateDxf, writePlateDxf } from '../src/core/formats/plate-dxf';
import { heightList } from '../src/core/layout/height-list';
import { boresOf, checkBores } from '../src/core/layout/bores';
import { layOutFace, type LaidFeature } from '../src/core/layout/lay-out';
import { USUAL_PART, type Part } from '../src/core/layout/part';

const COUNT = 2000;
const part: Part = { ...USUAL_PART, stock: { shape: 'plate', widthMm: 1000, heightMm: 800, thicknessMm: 10 } };
const features = Array.from({ length: COUNT }, (_, i): LaidFeature => ({
  id: `feature-${i}`,
  name: '',
  callout: ['M5 THRU', 'ø6.5 THRU', 'M4 x 8 DEEP'][i % 3],
  face: 'top',
  place: { kind: 'point', x: 20 + (i % 50) * 19, y: 20 + Math.floor(i / 50) * 19 },
}));

const laid = layOutFace(part, 'top', features);
const dxf = writePlateDxf(laid, (id) => id);
const holes = laid.holes.map((h) => ({ featureId: h.featureId, at: h.at }));
const twoFaces = features.map((f, i): LaidFeature =>
  i % 2 === 0 ? f : { ...f, face: 'front', place: { kind: 'point', x: 20 + i * 0.4, y: 5 } },
);
const bores = boresOf(part, twoFaces);
for (const [name, runs, work] of [
  ['2000 features: callouts, places, room', 15, () => void layOutFace(part, 'top', features)],
  ['2000 features: height sheet, both axes', 30, () => void [heightList(holes, 'x'), heightList(holes, 'y')]],
  ['2000 bores from two faces: walls inside the part', 7, () => void checkBores(bores, () => false)],
  ['2000 features: DXF read', 7, () => void readPlateDxf(dxf, 1)],
] as const)
  report(name, runs, work);
