import { caution, mm, phrase } from '../answer/answer';
import { isHandHeld } from '../cutting/machine';
import { coneDepth } from '../drills/drill-point';
import { drillName, FLAT_DEG, pointAngleOf, sizedDrill, type Drill } from '../drills/drill';
import { pilotChain, type PilotHabit } from '../drills/pilot-chain';
import { mainBore, type BoreToMake, type HoleToMake } from './bore';
import { written, type Context } from './context';
import { motorDrives } from './cut';
import { aboveMm, chamferStep, FLOOR_OPENS, floorOpens, mouthSteps, reamStep } from './mouth-steps';
import { MAIN_KEY, type CutSpec } from './operation';
import { ringCutting, type RingCutting } from './ring-cutting';
import { layOut, startWith, tiltSteps, type Started } from './starting';
import { cutStep, drillSpec, handStep, type CutStep, type Step } from './step';

type StartsIn = CutSpec['startsIn'];

/** What the bores above this one leave it: its first metal, and the existing hole. */
interface Found {
  fromMm: number;
  inHoleMm: number;
  startsIn?: StartsIn;
}

function pilotSteps(hole: HoleToMake, pilots: readonly Drill[], startsIn: StartsIn): Step[] {
  const deepest = hole.bores[hole.bores.length - 1];
  return pilots.map((pilot, i) =>
    cutStep({
      key: `pilot-${i + 1}`,
      kind: 'pilot',
      spec: drillSpec(pilot, true, {
        inHoleMm: i > 0 ? pilots[i - 1].diameterMm : 0,
        fromMm: 0,
        // Over a flat floor the point of a pilot stays above it.
        fullMm: deepest.fullMm - (isFlat(deepest) ? coneDepth(pilot.diameterMm, pointAngleOf(pilot)) : 0),
        through: deepest.through,
        startsIn: i === 0 ? startsIn : undefined,
      }),
    }),
  );
}

const boreSpec = ({ chosen, fullMm, through }: BoreToMake, found: Found): CutSpec =>
  drillSpec(chosen.drill, chosen.owned, { fullMm, through, ...found });

const isFlat = ({ chosen }: BoreToMake): boolean => pointAngleOf(chosen.drill) === FLAT_DEG;

const numbered = (key: string, place: number): string => (place === 0 ? key : `${key}-${place + 1}`);

const LARGER_FIRST = caution(
  'note',
  'larger-first',
  'The larger, shallower part first: the next drill starts from its floor and is guided by it.',
);

/** A part beside the main bore: opened above it, which comes first, or deepened from its floor. */
const partStep = (kind: 'open' | 'counterdrill' | 'deepen', bore: BoreToMake, place: number, found: Found): Step =>
  cutStep({
    key: numbered(kind, place),
    kind,
    spec: boreSpec(bore, found),
    cautions: [...bore.chosen.cautions, ...(kind === 'deepen' ? [] : [LARGER_FIRST])],
  });

const FOLLOWS = caution(
  'warn',
  'follows',
  'A drill follows the existing hole, and one that is out of place or oval pushes it sideways: clamp, guide it, feed by hand.',
);

function drillMain(hole: HoleToMake, bore: BoreToMake, found: Found): CutStep {
  const opens = hole.existingMm !== undefined && found.inHoleMm > 0;
  return cutStep({
    key: MAIN_KEY,
    kind: 'drill',
    ...(opens ? { opens } : {}),
    spec: boreSpec(bore, found),
    details: floorOpens(hole) ? [FLOOR_OPENS] : [],
    cautions: [...bore.chosen.cautions, ...(opens ? [FOLLOWS] : [])],
  });
}

/** Nothing to drill: the existing hole is inside the class. */
const servingHole = (hole: HoleToMake): Step =>
  handStep({
    key: MAIN_KEY,
    kind: 'note',
    order: phrase('Leave the existing hole of {existing}: it is tapped as it is. Pin it before tapping.', {
      existing: mm(hole.existingMm ?? 0),
    }),
    details: floorOpens(hole) ? [FLOOR_OPENS] : [],
    seconds: 15,
    purpose: 'pin the hole',
    cautions: mainBore(hole).chosen.cautions,
  });

/** The main bore with the tools that could cut it: ring, drill, or nothing where the existing hole serves. */
function mainBoreStep(hole: HoleToMake, { ways, ring, cut }: RingCutting, found: Found): Step {
  if (hole.serves) return servingHole(hole);
  const bore = mainBore(hole);
  const step = cut ?? drillMain(hole, bore, found);
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
  return choices.length > 1 ? { ...step, choices } : step;
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
    return !motorDrives(boreSpec(widest, { fromMm: 0, inHoleMm }), ctx);
  };
  const light = widest.chosen.drill.diameterMm <= LIGHT_MM || asked.machine?.powerW === undefined;
  if (light || shop.habits.pilot !== 'web' || !beyondMotor(usual)) return usual;
  const wider = chain('generous');
  return beyondMotor(wider) ? usual : wider;
}

/** Every bore in order, widest first, each starting from the floor of the one before. */
function boreSteps(
  hole: HoleToMake,
  pilots: readonly Drill[],
  startsIn: StartsIn,
  main: (found: Found) => Step,
): Step[] {
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
      ? partStep(bore.counterdrilled ? 'counterdrill' : 'open', bore, places.upper++, found)
      : partStep('deepen', bore, places.lower++, found);
  });
}

/** The point that a ring cutter starts from: its pilot drill, mm. */
const RING_PILOT_MM = 4;

/**
 * The steps that make the bores and mouth of a hole, in the order of the trade: layout, start, pilots, the bores
 * from the widest to the narrowest, reamers, counterbore, chamfer. Tapping, deburring and checking come after.
 */
export function holeSteps(hole: HoleToMake, ctx: Context): Step[] {
  const main = mainBore(hole);
  const plain = hole.chamferMm === undefined && hole.bores.length === 1 && hole.existingMm === undefined;
  const cutting = plain ? ringCutting(hole, ctx, main) : { ways: [] };
  const { ring } = cutting;
  const pilots = ring || hole.existingMm !== undefined ? [] : pilotsFor(hole, ctx);
  const first = ring ? sizedDrill(RING_PILOT_MM) : (pilots[0] ?? hole.bores[0].chosen.drill);
  const started: Started = ring?.id === 'annular' ? { chamfered: false } : startWith(hole, ctx, first);
  const leftMm = hole.serves ? hole.existingMm : undefined;
  const finalMm = leftMm ?? (main.ream ? main.diameterMm : main.chosen.drill.diameterMm);
  const place = layOut(hole, ctx, ring ? undefined : first);
  const [tilt, flat] = tiltSteps(ctx);
  const counterbored = written(hole.callout, 'counterbore').length > 0;
  return [
    // By dial or readout the place is found once the part is tilted; a mark is scribed and punched before.
    ...(ctx.asked.machine?.kind === 'mill' ? [tilt, place, flat] : [place, tilt, flat]),
    started.step,
    ...pilotSteps(hole, pilots, started.startsIn),
    ...boreSteps(hole, pilots, started.startsIn, (found) => mainBoreStep(hole, cutting, found)),
    ...hole.bores.map((bore) => reamStep(bore, ctx)),
    ...mouthSteps(hole, counterbored ? Math.max(aboveMm(hole), finalMm) : finalMm, ctx),
    chamferStep(hole, finalMm, started.chamfered, ctx),
  ].filter((step): step is Step => step !== undefined);
}
