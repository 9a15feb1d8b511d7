import { caution, depth, mm, phrase, type Phrase } from '../answer/answer';
import { isHandHeld } from '../cutting/machine';
import { chamferDepth } from '../drills/drill-point';
import { drillName, type Drill } from '../drills/drill';
import { pilotChain } from '../drills/pilot-chain';
import { pickTool } from '../drills/tool';
import { choosePlainDrill, type ChosenDrill } from './choose-plain-drill';
import { written, type FeatureContext } from './feature-context';
import { byHandwork, cutting, drillOrder, drillSpec } from './make-operation';
import { mouthOperations, reamOperation } from './mouth-operations';
import type { CutSpec, Operation } from './operation';
import { ringCut, ringWays, type RingWay } from './ring-cutting';
import { layOut, leaning, startWith, type Started } from './starting';

function pilotOperations(ctx: FeatureContext, pilots: readonly Drill[], startsIn: CutSpec['startsIn']): Operation[] {
  return pilots.map((pilot, i) =>
    cutting(
      `pilot-${i + 1}`,
      'pilot',
      (op) => drillOrder('pilot', op),
      drillSpec(pilot, true, {
        inHoleMm: i > 0 ? pilots[i - 1].diameterMm : 0,
        fromMm: 0,
        fullMm: ctx.main.fullMm,
        through: ctx.through,
        startsIn: i === 0 ? startsIn : undefined,
      }),
      ctx,
    ),
  );
}

/** The larger, shallower part, which comes first. */
function openOperation(
  ctx: FeatureContext,
  clear: ChosenDrill,
  depthMm: number,
  pilots: readonly Drill[],
  startsIn: CutSpec['startsIn'],
): Operation {
  return cutting(
    'open',
    'open',
    (op) => drillOrder('open', op),
    drillSpec(clear.drill, clear.owned, {
      inHoleMm: pilots[pilots.length - 1]?.diameterMm ?? ctx.existingMm ?? 0,
      fromMm: 0,
      fullMm: depthMm,
      through: false,
      startsIn: pilots.length > 0 ? undefined : startsIn,
    }),
    ctx,
    [
      ...clear.cautions,
      caution(
        'note',
        'larger-first',
        'The larger, shallower part first: the next drill starts from its floor and is guided by it.',
      ),
    ],
  );
}

function mainBore(ctx: FeatureContext, startsIn: CutSpec['startsIn'], pilots: Drill[]): Operation {
  const { main, clearance, through } = ctx;
  const { drill } = main.chosen;
  const under = clearance?.depthMm ?? 0;
  const inHole = pilots[pilots.length - 1]?.diameterMm ?? ctx.existingMm ?? 0;
  const existing = ctx.existingMm !== undefined && pilots.length === 0;
  const order = (op: Operation): Phrase =>
    existing
      ? phrase(
          through
            ? 'Open the hole of {from} with {drill}, through.'
            : 'Open the hole of {from} with {drill} to {full}; set the stop at {total} from touch.',
          {
            from: mm(inHole),
            drill: drillName(drill),
            full: depth(main.fullMm),
            total: depth(op.cut?.travel.value ?? 0),
          },
        )
      : drillOrder('drill', op);
  return cutting(
    'drill',
    'drill',
    order,
    drillSpec(drill, main.chosen.owned, {
      inHoleMm: inHole,
      fromMm: under,
      fullMm: main.fullMm,
      through,
      startsIn: pilots.length > 0 || under > 0 ? undefined : startsIn,
    }),
    ctx,
    [
      ...main.chosen.cautions,
      ...(existing
        ? [
            caution(
              'warn',
              'follows',
              'A drill follows the hole that is there, and one that is out of place or oval pushes it sideways: clamp, guide it, feed by hand.',
            ),
          ]
        : []),
    ],
  );
}

/** Nothing to drill: the hole that is there is inside the class. */
const servingHole = (ctx: FeatureContext): Operation =>
  byHandwork(
    'drill',
    'note',
    phrase('Leave the hole that is there: at {existing} it is what the thread wants. Pin it before tapping.', {
      existing: mm(ctx.existingMm ?? 0),
    }),
    [phrase('An old thread: chase it only where the gauge asks for it, and let the tap find the old turns by hand.')],
    15,
    'pin the hole',
  );

/** The chamfer that opens the first thread; none where a larger part or a countersink does. */
function chamferOperation(ctx: FeatureContext, chamferMm: number, holeMm: number): Operation {
  const deep = chamferDepth(chamferMm, holeMm, 90);
  return cutting(
    'chamfer',
    'chamfer',
    () =>
      phrase('Countersink the mouth to {chamfer}, {deep} from touching the rim, before tapping.', {
        chamfer: depth(chamferMm),
        deep: depth(deep),
      }),
    {
      family: 'countersink',
      tool: pickTool.countersink(ctx.tools, chamferMm, 90),
      diameterMm: chamferMm,
      inHoleMm: holeMm,
      fromMm: 0,
      fullMm: deep,
      through: false,
      pointAngleDeg: 90,
    },
    ctx,
  );
}

/** The bore itself with what could cut it: ring, drill, or nothing where the hole that is there serves. */
function boreOperation(
  ctx: FeatureContext,
  ways: readonly RingWay[],
  ring: RingWay | undefined,
  startsIn: CutSpec['startsIn'],
  pilots: Drill[],
): Operation {
  if (ctx.serves) return servingHole(ctx);
  const bore = ring?.tool ? ringCut(ctx, ring, ring.tool) : mainBore(ctx, startsIn, pilots);
  const { chosen } = ctx.main;
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
      label: `drill ${drillName(chosen.drill)}`,
      why: chosen.owned ? phrase('To hand.') : phrase('Not to hand.'),
      possible: chosen.owned,
      used: ring === undefined,
    },
  ].filter((c) => c.possible || c.used);
  return choices.length > 1 ? { ...bore, choices } : bore;
}

/**
 * The operations that make the bores and mouth of a hole, in the order of the trade: layout, start, pilots, the larger
 * shallow part, the main drill, reamer or counterbore, chamfer. Tapping, deburring and checking come after.
 */
export function holeOperations(ctx: FeatureContext): Operation[] {
  const { main, clearance, material, pool, chamferMm } = ctx;
  const { drill } = main.chosen;
  const plain = chamferMm === undefined && !clearance && ctx.existingMm === undefined;
  const ways = plain ? ringWays(ctx, drill.diameterMm) : [];
  const ring = ways.find((w) => w.chosen);
  const clear = clearance ? choosePlainDrill(clearance.diameterMm, pool, false) : undefined;
  const largest = clear?.drill ?? drill;
  const pilots =
    ring || ctx.existingMm !== undefined
      ? []
      : pilotChain(
          largest,
          pool.drills,
          isHandHeld(ctx.machine),
          material,
          ctx.habits.pilot,
          clear ? 0 : main.fullMm,
        ).filter((p) => !clear || p.diameterMm < drill.diameterMm);
  const first = pilots[0] ?? largest;
  const started: Started =
    ring?.id === 'annular' ? { chamfered: false } : startWith(ctx, ring ? { ...first, diameterMm: 4 } : first);
  const ream = reamOperation(ctx);
  const holeMm = ream?.cut?.spec.diameterMm ?? drill.diameterMm;
  const sunk = written(ctx.callout, 'counterbore').length > 0;
  const bore = boreOperation(ctx, ways, ring, started.startsIn, clear ? [] : pilots);
  const mouths = mouthOperations(ctx, sunk && clearance ? clearance.diameterMm : holeMm);
  const opened = mouths.some((op) => op.code === 'countersink');
  const wanted = chamferMm !== undefined && !opened && (!started.chamfered || ctx.habits.chamfer === 'both');
  const floorOpens = wanted && (clearance?.diameterMm ?? 0) >= chamferMm;
  if (floorOpens)
    bore.details.push(phrase('The floor of the larger part opens the first thread: no chamfer is wanted.'));
  return [
    layOut(ctx, ring ? undefined : first),
    leaning(ctx),
    started.op,
    ...pilotOperations(ctx, pilots, started.startsIn),
    clear && clearance && openOperation(ctx, clear, clearance.depthMm, pilots, started.startsIn),
    bore,
    ream,
    ...mouths,
    wanted && !floorOpens ? chamferOperation(ctx, chamferMm, holeMm) : undefined,
  ].filter((op): op is Operation => op !== undefined);
}
