import { caution, depth, mm, phrase, type Phrase } from '../answer/answer';
import { isHandHeld } from '../cutting/machine';
import { chamferDepth, coneDepth } from '../drills/drill-point';
import { drillName, FLAT_DEG, pointAngleOf, sizedDrill, type Drill } from '../drills/drill';
import { pilotChain, type PilotHabit } from '../drills/pilot-chain';
import { pickTool } from '../shop/tool';
import { mainBore, type BoreToMake, type HoleToMake } from './bore';
import { written, type Context } from './context';
import { cutFigures } from './cut';
import { byHandwork, cutting, drillOrder, drillSpec } from './make-operation';
import { mouthOperations, reamOperation } from './mouth-operations';
import { MAIN_KEY, type Cut, type CutSpec, type Operation } from './operation';
import { ringCut, ringWays, type RingWay } from './ring-cutting';
import { layOut, startWith, tiltOperation, type Started } from './starting';

type StartsIn = CutSpec['startsIn'];

/** What the bores above this one leave it: its first metal, and the existing hole. */
interface Found {
  fromMm: number;
  inHoleMm: number;
  startsIn?: StartsIn;
}

function pilotOperations(hole: HoleToMake, ctx: Context, pilots: readonly Drill[], startsIn: StartsIn): Operation[] {
  const deepest = hole.bores[hole.bores.length - 1];
  return pilots.map((pilot, i) =>
    cutting(
      {
        key: `pilot-${i + 1}`,
        code: 'pilot',
        order: (cut) => drillOrder('pilot', cut),
        spec: drillSpec(pilot, true, {
          inHoleMm: i > 0 ? pilots[i - 1].diameterMm : 0,
          fromMm: 0,
          // Over a flat floor the point of a pilot stays above it.
          fullMm: deepest.fullMm - (isFlat(deepest) ? coneDepth(pilot.diameterMm, pointAngleOf(pilot)) : 0),
          through: deepest.through,
          startsIn: i === 0 ? startsIn : undefined,
        }),
      },
      ctx,
    ),
  );
}

const specOf = ({ chosen, fullMm, through }: BoreToMake, found: Found): CutSpec =>
  drillSpec(chosen.drill, chosen.owned, { fullMm, through, ...found });

const isFlat = ({ chosen }: BoreToMake): boolean => pointAngleOf(chosen.drill) === FLAT_DEG;

const numbered = (key: string, place: number): string => (place === 0 ? key : `${key}-${place + 1}`);

const LARGER_FIRST = caution(
  'note',
  'larger-first',
  'The larger, shallower part first: the next drill starts from its floor and is guided by it.',
);

/** A part beside the main bore: opened above it, which comes first, or deepened from its floor. */
const partOperation = (
  code: 'open' | 'deepen',
  bore: BoreToMake,
  place: number,
  found: Found,
  ctx: Context,
): Operation =>
  cutting(
    {
      key: numbered(code, place),
      code,
      order: (cut) => drillOrder(code, cut),
      spec: specOf(bore, found),
      cautions: [...bore.chosen.cautions, ...(code === 'open' ? [LARGER_FIRST] : [])],
    },
    ctx,
  );

const FOLLOWS = caution(
  'warn',
  'follows',
  'A drill follows the existing hole, and one that is out of place or oval pushes it sideways: clamp, guide it, feed by hand.',
);

const openExisting = ({ spec, travel }: Cut): Phrase =>
  phrase(
    spec.through
      ? 'Open the hole of {from} with {drill}, through.'
      : 'Open the hole of {from} with {drill} to {full}; set the stop at {total} from touch.',
    { from: mm(spec.inHoleMm), drill: spec.tool.name, full: depth(spec.fullMm), total: depth(travel.value) },
  );

function drillMain(hole: HoleToMake, bore: BoreToMake, found: Found, ctx: Context): Operation {
  const opens = hole.existingMm !== undefined && found.inHoleMm > 0;
  return cutting(
    {
      key: MAIN_KEY,
      code: 'drill',
      order: (cut) => (opens ? openExisting(cut) : drillOrder('drill', cut)),
      spec: specOf(bore, found),
      details: floorOpens(hole) ? [FLOOR_OPENS] : [],
      cautions: [...bore.chosen.cautions, ...(opens ? [FOLLOWS] : [])],
    },
    ctx,
  );
}

/** Nothing to drill: the existing hole is inside the class. */
const servingHole = (hole: HoleToMake): Operation =>
  byHandwork({
    key: MAIN_KEY,
    code: 'note',
    order: phrase('Leave the existing hole: at {existing} it is what the thread needs. Pin it before tapping.', {
      existing: mm(hole.existingMm ?? 0),
    }),
    details: floorOpens(hole) ? [FLOOR_OPENS] : [],
    seconds: 15,
    what: 'pin the hole',
    cautions: mainBore(hole).chosen.cautions,
  });

const FLOOR_OPENS = phrase('The floor of the larger part opens the first thread: no chamfer needed.');

/** Widest part above the thread, mm; 0 for none. */
const aboveMm = (hole: HoleToMake): number =>
  hole.bores.reduce((widest, b) => (b.role === 'upper' ? Math.max(widest, b.diameterMm) : widest), 0);

const isSunk = ({ callout }: HoleToMake): boolean => written(callout, 'countersink').length > 0;

/** The floor of a larger part is as good as a chamfer. */
const floorOpens = (hole: HoleToMake): boolean =>
  hole.chamferMm !== undefined && !isSunk(hole) && aboveMm(hole) >= hole.chamferMm;

/** The chamfer that opens the first thread; none where a larger part, a countersink or the spot does. */
function chamferOperation(hole: HoleToMake, holeMm: number, started: Started, ctx: Context): Operation | undefined {
  const { chamferMm } = hole;
  if (chamferMm === undefined || isSunk(hole) || floorOpens(hole)) return undefined;
  if (started.chamfered && ctx.shop.habits.chamfer !== 'both') return undefined;
  const deep = chamferDepth(chamferMm, holeMm, 90);
  return cutting(
    {
      key: 'chamfer',
      code: 'chamfer',
      order: () =>
        phrase('Countersink the mouth to {chamfer}, {deep} from touching the rim, before tapping.', {
          chamfer: depth(chamferMm),
          deep: depth(deep),
        }),
      spec: {
        family: 'countersink',
        tool: pickTool.countersink(ctx.shop.tools, chamferMm, 90),
        diameterMm: chamferMm,
        inHoleMm: holeMm,
        fromMm: 0,
        fullMm: deep,
        through: false,
        pointAngleDeg: 90,
      },
    },
    ctx,
  );
}

/** The main bore with the tools that could cut it: ring, drill, or nothing where the existing hole serves. */
function mainOperationOf(
  hole: HoleToMake,
  ways: readonly RingWay[],
  ring: RingWay | undefined,
  found: Found,
  ctx: Context,
): Operation {
  if (hole.serves) return servingHole(hole);
  const bore = mainBore(hole);
  const op = ring?.tool ? ringCut(hole, ctx, ring, ring.tool) : drillMain(hole, bore, found, ctx);
  const { drill, owned } = bore.chosen;
  const choices = [
    ...ways.map(({ id, label, tool, why }) => ({
      id,
      label,
      why,
      possible: tool !== undefined,
      used: ring?.id === id,
    })),
    {
      id: 'drill',
      label: `drill ${drillName(drill)}`,
      why: owned ? phrase('In the crib.') : phrase('Not in the crib.'),
      possible: owned,
      used: ring === undefined,
    },
  ].filter((c) => c.possible || c.used);
  return choices.length > 1 ? { ...op, choices } : op;
}

/** Drills up to here are within any motor that turns a chuck, mm. Our judgement. */
const LIGHT_MM = 10;

/** Pilots before the widest drill, by the shop's habit; generous ones where its motor cannot drive the drill otherwise. */
function pilotsFor(hole: HoleToMake, ctx: Context): Drill[] {
  const { asked, shop } = ctx;
  const [widest] = hole.bores;
  const narrowest = hole.bores[hole.bores.length - 1];
  const alone = hole.bores.length === 1;
  const chain = (habit: PilotHabit): Drill[] =>
    pilotChain(
      widest.chosen.drill,
      asked.pool.drills,
      isHandHeld(asked.machine),
      asked.material,
      habit,
      alone ? widest.fullMm : 0,
    ).filter((p) => alone || p.diameterMm < narrowest.chosen.drill.diameterMm);
  const usual = chain(shop.habits.pilot);
  const beyondMotor = (pilots: readonly Drill[]): boolean => {
    const inHoleMm = pilots[pilots.length - 1]?.diameterMm ?? 0;
    const { speed } = cutFigures(specOf(widest, { fromMm: 0, inHoleMm }), ctx);
    return !speed.ok && speed.problems.some((p) => p.code === 'power');
  };
  const light = widest.chosen.drill.diameterMm <= LIGHT_MM || asked.machine?.powerW === undefined;
  if (light || shop.habits.pilot !== 'web' || !beyondMotor(usual)) return usual;
  const wider = chain('generous');
  return beyondMotor(wider) ? usual : wider;
}

/** Every bore in order, widest first, each starting from the floor of the one before. */
function boreOperations(
  hole: HoleToMake,
  ctx: Context,
  pilots: readonly Drill[],
  startsIn: StartsIn,
  main: (found: Found) => Operation,
): Operation[] {
  const piloted = pilots[pilots.length - 1]?.diameterMm ?? hole.existingMm ?? 0;
  const places = { upper: 0, lower: 0 };
  return hole.bores.map((bore, i) => {
    const first = i === 0;
    const found: Found = {
      fromMm: first ? 0 : hole.bores[i - 1].fullMm,
      inHoleMm: first ? piloted : (hole.existingMm ?? 0),
      startsIn: first && pilots.length === 0 ? startsIn : undefined,
    };
    if (bore.role === 'main') return main(found);
    return bore.role === 'upper'
      ? partOperation('open', bore, places.upper++, found, ctx)
      : partOperation('deepen', bore, places.lower++, found, ctx);
  });
}

/** The point that a ring cutter starts from: its pilot drill, mm. */
const RING_PILOT_MM = 4;

/**
 * The operations that make the bores and mouth of a hole, in the order of the trade: layout, start, pilots, the bores
 * from the widest to the narrowest, reamers, counterbore, chamfer. Tapping, deburring and checking come after.
 */
export function holeOperations(hole: HoleToMake, ctx: Context): Operation[] {
  const main = mainBore(hole);
  const plain = hole.chamferMm === undefined && hole.bores.length === 1 && hole.existingMm === undefined;
  const ways = plain ? ringWays(hole, ctx, main.chosen.drill.diameterMm) : [];
  const ring = ways.find((w) => w.chosen);
  const pilots = ring || hole.existingMm !== undefined ? [] : pilotsFor(hole, ctx);
  const first = ring ? sizedDrill(RING_PILOT_MM) : (pilots[0] ?? hole.bores[0].chosen.drill);
  const started: Started = ring?.id === 'annular' ? { chamfered: false } : startWith(hole, ctx, first);
  const leftMm = hole.serves ? hole.existingMm : undefined;
  const finalMm = leftMm ?? (main.ream ? main.diameterMm : main.chosen.drill.diameterMm);
  const counterbored = written(hole.callout, 'counterbore').length > 0;
  return [
    layOut(hole, ctx, ring ? undefined : first),
    tiltOperation(ctx),
    started.op,
    ...pilotOperations(hole, ctx, pilots, started.startsIn),
    ...boreOperations(hole, ctx, pilots, started.startsIn, (found) => mainOperationOf(hole, ways, ring, found, ctx)),
    ...hole.bores.map((bore) => reamOperation(bore, ctx)),
    ...mouthOperations(hole, counterbored ? Math.max(aboveMm(hole), finalMm) : finalMm, ctx),
    chamferOperation(hole, finalMm, started, ctx),
  ].filter((op): op is Operation => op !== undefined);
}
