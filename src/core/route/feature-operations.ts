import {
  answer,
  caution,
  depth,
  mm,
  phrase,
  quantity,
  type Answer,
  type Caution,
  type Phrase,
  type Problem,
} from '../answer/answer';
import { isHandHeld } from '../cutting/machine';
import { chamferDepth, chiselEdge, coneDepth } from '../drills/drill-point';
import { drillName, type Drill } from '../drills/drill';
import type { DrillPool } from '../drills/drill-sets';
import { pilotChain } from '../drills/pilot-chain';
import type { StartMeans } from '../drills/predicted-hole';
import { pickTool, type Tool } from '../drills/tool';
import { boltThrough, rowFor, SOCKET_HEADS } from '../layout/heads.table';
import type { Callout, CalloutFeature } from '../threads/callout';
import { choosePlainDrill, chooseReamDrill, h7UpperMm, reamAllowance, type ChosenDrill } from './choose-plain-drill';
import { cutFigures, cuttingTime, isSet, type CutContext } from './cut';
import type { CutSpec, Operation, OperationCode } from './operation';

/** One hole as it is to be made: the bores of its stack, what is worked on its mouth, and what the shop has for it. */
export interface FeatureContext extends CutContext {
  callout: Callout;
  start: StartMeans;
  pool: DrillPool;
  /** Undefined where the crib is not known: the usual tools are then taken as there. */
  tools?: readonly Tool[];
  through: boolean;
  /** The hole that is there serves as it is. */
  serves?: boolean;
  /** Lean of an angled hole from square to the face, degrees. */
  tiltDeg?: number;
  /** The hole that is tapped, reamed or left plain: its drill, and how far down at full diameter, mm from the face. */
  main: { chosen: ChosenDrill; fullMm: number };
  /** Larger part above it, from the face. */
  clearance?: { diameterMm: number; depthMm: number };
  /** Mouth that opens the first thread; undefined where there is no thread. */
  chamferMm?: number;
}

/** Largest dimple that a centre punch makes well, mm. Our judgement. */
const WIDEST_DIMPLE_MM = 2.6;
/** Sheet, where a step drill is at home, mm. Trade rule. */
const SHEET_MM = 3;
/** Plain through holes from here on are cut as a ring where the crib has a cutter, mm. Trade rule. */
const RING_FROM_MM = 14;

/** Time of work that is not cutting, s for one hole. Our judgement. */
const HANDS_S = { 'lay-out': 45, 'lay-out-dials': 12, deburr: 8, check: 25, chamfer: 8, note: 0 } as const;

export function handTime(seconds: number, what: string): Answer {
  return answer(seconds, 's', {
    rule: `Time to ${what}`,
    formula: 'usual time for one hole',
    inputs: [['usual', quantity(seconds, 's')]],
    source: { kind: 'model', name: 'our judgement, until the shop’s own times are logged' },
  });
}

const byHandwork = (
  key: string,
  code: OperationCode,
  order: Phrase,
  details: Phrase[],
  seconds: number,
  what: string,
  cautions: Caution[] = [],
): Operation => ({ key, code, order, details, time: handTime(seconds, what), cautions });

/** The details that every cut has: speed, withdrawals, breakthrough, holding, fluid. */
function cutDetails(op: Operation, ctx: CutContext): Phrase[] {
  const { cut } = op;
  if (!cut) return [];
  const details: Phrase[] = [];
  if (isSet(cut.speed))
    details.push(
      phrase('{rpm}, {label}: {percent} of the ideal {ideal}.', {
        rpm: quantity(cut.speed.rpm, 'rpm'),
        label: cut.speed.label,
        percent: quantity(cut.speed.percentOfIdeal, 'percent'),
        ideal: quantity(cut.ideal.value, 'rpm'),
      }),
    );
  if (cut.pecks.length > 0)
    details.push(
      phrase(
        cut.pecks.length === 1
          ? 'Withdraw fully once, at {first}, and clear the chips.'
          : 'Withdraw fully and clear the chips at {first}, then every {every}: {count} times in all.',
        { first: depth(cut.pecks[0]), every: depth(cut.peckEveryMm), count: cut.pecks.length },
      ),
    );
  if (cut.breaksThroughMm !== undefined && cut.spec.family === 'drill')
    details.push(
      phrase('From {from} on the stop the point comes through: hold back until {to}.', {
        from: depth(cut.breaksThroughMm),
        to: depth(cut.breaksThroughMm + cut.tipMm),
      }),
    );
  if (cut.grab && op.code !== 'start')
    details.push(
      phrase('If it grabs it pulls with {force} at the edge: {holding}.', {
        force: quantity(cut.grab.force.value, 'N'),
        holding: cut.grab.holding.label,
      }),
    );
  if (op.code !== 'start' && op.code !== 'chamfer')
    details.push(phrase('Fluid: {fluid}.', { fluid: ctx.dry ? 'dry, as asked' : ctx.material.lubricant }));
  return details;
}

/** A cutting operation with its figures, from what it is to do. */
export function cutting(
  key: string,
  code: OperationCode,
  order: (op: Operation) => Phrase,
  spec: CutSpec,
  ctx: CutContext,
  more: Caution[] = [],
  over?: Parameters<typeof cutFigures>[2],
): Operation {
  const { cut, cautions } = cutFigures(spec, ctx, over);
  const op: Operation = {
    key,
    code,
    order: phrase(''),
    details: [],
    cut,
    time: cuttingTime(cut),
    cautions: [...more, ...cautions],
  };
  op.order = order(op);
  op.details = cutDetails(op, ctx);
  return op;
}

const drillSpec = (
  drill: Drill,
  owned: boolean,
  at: Omit<CutSpec, 'family' | 'tool' | 'drill' | 'diameterMm'>,
): CutSpec => ({
  family: 'drill',
  tool: { name: drillName(drill), owned },
  drill,
  diameterMm: drill.diameterMm,
  ...at,
  pointAngleDeg: drill.pointAngleDeg ?? 118,
});

/** The imperative of a drilling operation: what, how deep, where the stop holds. */
export function drillOrder(code: OperationCode, op: Operation): Phrase {
  const { cut } = op;
  if (!cut) return op.order;
  const { spec, travel } = cut;
  const values = {
    drill: spec.drill ? drillName(spec.drill) : spec.tool.name,
    full: depth(spec.fullMm),
    total: depth(travel.value),
    tip: depth(cut.tipMm),
  };
  if (code === 'pilot')
    return phrase(
      spec.through ? 'Pilot with {drill}, through.' : 'Pilot with {drill} to {full}; stop at {total} from touch.',
      values,
    );
  if (code === 'open') return phrase('Open to {drill}, {full} deep first; set the stop at {total} from touch.', values);
  return spec.through
    ? phrase('Drill {drill} through; the tip passes {tip} beyond the back.', values)
    : phrase('Drill {drill} to {full}; set the stop at {total} from touch.', values);
}

function layOut(ctx: FeatureContext, first: Drill | undefined): Operation {
  if (ctx.existingMm !== undefined)
    return byHandwork(
      'lay-out',
      'lay-out',
      phrase('Bring the spindle over the hole that is there: indicate it, or centre it with a cone.'),
      [],
      HANDS_S['lay-out'],
      'find the hole',
    );
  if (ctx.machine?.kind === 'mill' || ctx.machine?.kind === 'lathe')
    return byHandwork(
      'lay-out',
      'lay-out',
      ctx.machine.kind === 'mill'
        ? phrase('Find two edges and go to the place by dial or readout.')
        : phrase('Face the end; the tailstock is on the axis.'),
      [],
      HANDS_S['lay-out-dials'],
      'find the place',
    );
  const dimple = first ? 1.1 * chiselEdge(first.diameterMm) : 1.5;
  const started = ctx.start === 'centre-drill' || ctx.start === 'bushing';
  const wide = first && !started && dimple > WIDEST_DIMPLE_MM;
  return byHandwork(
    'lay-out',
    'lay-out',
    phrase('Scribe, prick, look, then centre punch once.'),
    first
      ? [
          phrase('The dimple must take the chisel edge of drill {drill}: at least {dimple} across.', {
            drill: drillName(first),
            dimple: depth(dimple),
          }),
        ]
      : [],
    HANDS_S['lay-out'],
    'scribe and punch',
    wide
      ? [
          caution(
            'warn',
            'wander',
            'A dimple of {dimple} is wider than a punch makes well: the drill wanders. Pilot or centre drill first.',
            {
              dimple: depth(dimple),
            },
          ),
        ]
      : [],
  );
}

interface Started {
  op?: Operation;
  /** The spot leaves the chamfer, so that none is cut later. */
  chamfered: boolean;
  startsIn?: CutSpec['startsIn'];
}

function startWith(ctx: FeatureContext, first: Drill): Started {
  if (ctx.existingMm !== undefined || ctx.start === 'hand' || ctx.start === 'punch' || ctx.start === 'bushing')
    return { chamfered: false };
  const flat = { inHoleMm: 0, fromMm: 0, through: false };
  if (ctx.start === 'centre-drill') {
    const tool = pickTool.centreDrill(ctx.tools, chiselEdge(first.diameterMm));
    const tip = tool.tool?.smallMm ?? 2.5;
    return {
      chamfered: false,
      op: cutting(
        'start',
        'start',
        () =>
          tool.tool
            ? phrase('Start with {tool} on the punch mark.', { tool: tool.name })
            : phrase('Start with a centre drill on the punch mark.'),
        {
          ...flat,
          family: 'centre',
          tool,
          diameterMm: tip,
          fullMm: Math.min(1.5 * tip, 0.6 * (ctx.thicknessMm ?? Infinity)),
          pointAngleDeg: 118,
        },
        ctx,
      ),
    };
  }
  const plainMouth = ctx.clearance?.diameterMm ?? 0;
  const sunk = ctx.callout.features.some((f) => f.kind === 'counterbore' || f.kind === 'countersink');
  const wanted = sunk || plainMouth > 0 ? 0 : (ctx.chamferMm ?? 0);
  const tool = pickTool.spotDrill(ctx.tools, wanted);
  const body = tool.tool?.diameterMm ?? Infinity;
  const angleDeg = tool.tool?.angleDeg ?? 90;
  const room = 0.6 * (ctx.thicknessMm ?? Infinity);
  const chamfered = wanted > 0 && body >= wanted - 1e-9 && coneDepth(wanted, angleDeg) <= room;
  const mouth = chamfered
    ? wanted
    : Math.min(
        body,
        Math.max(1.2 * chiselEdge(first.diameterMm), 0.5 * first.diameterMm),
        2 * room * Math.tan((angleDeg * Math.PI) / 360),
      );
  return {
    chamfered,
    startsIn: { mouthMm: mouth, angleDeg },
    op: cutting(
      'start',
      'start',
      () =>
        chamfered
          ? phrase('Spot with a 90° spot drill, {depth} deep: it leaves the chamfer of {chamfer} too.', {
              depth: depth(coneDepth(mouth, angleDeg)),
              chamfer: depth(mouth),
            })
          : phrase('Spot with {tool}, {depth} deep, {mouth} across.', {
              tool: tool.tool ? tool.name : 'a 90° spot drill',
              depth: depth(coneDepth(mouth, angleDeg)),
              mouth: depth(mouth),
            }),
      { ...flat, family: 'spot', tool, diameterMm: mouth, fullMm: coneDepth(mouth, angleDeg), pointAngleDeg: angleDeg },
      ctx,
      first.material === 'carbide' && angleDeg < (first.pointAngleDeg ?? 118)
        ? [
            caution(
              'warn',
              'spot-angle',
              'A spot of {angle} meets the corners of a carbide drill first and chips them: spot wider than its point.',
              {
                angle: quantity(angleDeg, 'deg'),
              },
            ),
          ]
        : [],
    ),
  };
}

const written = <K extends CalloutFeature['kind']>(callout: Callout, kind: K) =>
  callout.features.filter((f): f is Extract<CalloutFeature, { kind: K }> => f.kind === kind);

/** Ways to cut a large or thin plain hole other than with a drill, where the crib has them. */
function ringChoices(ctx: FeatureContext, diameterMm: number) {
  const { machine, thicknessMm = Infinity } = ctx;
  const hand = isHandHeld(machine);
  const step = thicknessMm <= SHEET_MM ? pickTool.stepDrill(ctx.tools, diameterMm) : undefined;
  const annular = pickTool.annularCutter(ctx.tools, diameterMm, thicknessMm);
  const saw = pickTool.holeSaw(ctx.tools, diameterMm, thicknessMm);
  const large = diameterMm >= RING_FROM_MM && ctx.through;
  return [
    {
      id: 'step-drill',
      label: 'step drill',
      tool: step,
      good: step !== undefined && diameterMm >= 6,
      why:
        thicknessMm > SHEET_MM
          ? phrase('For sheet to {most}; this is thicker.', { most: depth(SHEET_MM) })
          : step
            ? phrase('Sheet: it makes a round hole without grabbing, and deburrs with its next step.')
            : phrase('The crib has none with a step of this size.'),
    },
    {
      id: 'annular',
      label: 'annular cutter',
      tool: annular,
      good: annular !== undefined && large && !hand,
      why: hand
        ? phrase('Needs a spindle that holds it: not by hand.')
        : annular
          ? phrase('Cuts a ring and leaves the core: a fifth of the work of a drill this size.')
          : phrase('The crib has none of this size and reach.'),
    },
    {
      id: 'saw',
      label: 'hole saw',
      tool: saw,
      good: false,
      why: saw
        ? phrase('Slow and rough, {over} over at best: where nothing else is there.', { over: depth(0.5) })
        : phrase('The crib has none of this size.'),
    },
  ];
}

function mainBore(ctx: FeatureContext, startsIn: CutSpec['startsIn'], pilots: Drill[]): Operation {
  const { main, clearance, through } = ctx;
  const { drill } = main.chosen;
  const under = clearance?.depthMm ?? 0;
  const inHole = pilots[pilots.length - 1]?.diameterMm ?? ctx.existingMm ?? 0;
  const existing = ctx.existingMm !== undefined && pilots.length === 0;
  const order = (op: Operation): Phrase => drillOrder('drill', op);
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

/** What an angled hole wants before it is started; undefined for a square one. */
function leaning(ctx: FeatureContext): Operation | undefined {
  if (!ctx.tiltDeg) return undefined;
  return byHandwork(
    'tilt',
    'note',
    phrase('Tilt the vise {tilt}, lock the quill and sight along the drill.', { tilt: quantity(ctx.tiltDeg, 'deg') }),
    [phrase('Prove the way through with a wire before the next one.')],
    90,
    'tilt and sight',
    [
      caution(
        'warn',
        'slope',
        'A drill slides off a slope: spot or mill a flat square to the drill first, and feed by hair until it is round.',
      ),
    ],
  );
}

function mouthOperations(ctx: FeatureContext, holeMm: number): Operation[] {
  const ops: Operation[] = [];
  for (const [i, f] of written(ctx.callout, 'counterbore').entries()) {
    const bolt = boltThrough(holeMm);
    const head = bolt === undefined ? undefined : rowFor(SOCKET_HEADS, bolt);
    const usual = head ? head[2] + (head[0] <= 6 ? 0.3 : 0.6) : 0.5 * f.diameterMm;
    const deep = f.extent?.kind === 'depth' ? f.extent.mm : usual;
    const tool = pickTool.counterbore(ctx.tools, f.diameterMm, holeMm);
    ops.push(
      cutting(
        i === 0 ? 'counterbore' : `counterbore-${i + 1}`,
        'counterbore',
        () =>
          phrase('Counterbore {size}, {deep} deep: touch with the edges, set the stop {deep} on.', {
            size: mm(f.diameterMm),
            deep: depth(deep),
          }),
        {
          family: 'counterbore',
          tool,
          diameterMm: f.diameterMm,
          inHoleMm: holeMm,
          fromMm: 0,
          fullMm: deep,
          through: false,
        },
        ctx,
        f.extent?.kind === 'depth'
          ? []
          : [
              caution('note', 'depth-taken', 'No depth is written: {deep} sinks the usual head.', {
                deep: depth(deep),
              }),
            ],
      ),
    );
  }
  for (const f of written(ctx.callout, 'countersink')) {
    const tool = pickTool.countersink(ctx.tools, f.diameterMm, f.angleDeg);
    const deep = chamferDepth(f.diameterMm, holeMm, f.angleDeg);
    ops.push(
      cutting(
        'countersink',
        'countersink',
        () =>
          phrase('Countersink {angle} to {mouth}: {deep} from where it touches the rim.', {
            angle: quantity(f.angleDeg, 'deg'),
            mouth: depth(f.diameterMm),
            deep: depth(deep),
          }),
        {
          family: 'countersink',
          tool,
          diameterMm: f.diameterMm,
          inHoleMm: holeMm,
          fromMm: 0,
          fullMm: deep,
          through: false,
          pointAngleDeg: f.angleDeg,
        },
        ctx,
      ),
    );
  }
  return ops;
}

function reamOperation(ctx: FeatureContext): Operation | undefined {
  const f = written(ctx.callout, 'hole').find((h) => h.ream || h.fit !== undefined);
  if (!f) return undefined;
  const tool = pickTool.reamer(ctx.tools, f.diameterMm, f.fit);
  return cutting(
    'ream',
    'ream',
    () =>
      phrase(`Ream {size}{fit}, ${ctx.through ? 'through' : '{deep} deep'}; never turn it back.`, {
        size: mm(f.diameterMm),
        fit: f.fit ? ` ${f.fit}` : '',
        deep: depth(ctx.main.fullMm),
      }),
    {
      family: 'ream',
      tool,
      diameterMm: f.diameterMm,
      inHoleMm: ctx.main.chosen.drill.diameterMm,
      fromMm: 0,
      fullMm: ctx.main.fullMm,
      through: ctx.through,
    },
    ctx,
    [
      caution('note', 'ream-allowance', 'The drill leaves the reamer about {leave}; more tears, less rubs.', {
        leave: mm(reamAllowance(f.diameterMm)),
      }),
    ],
  );
}

/**
 * The operations that make the bores and mouth of a hole, in the order of the trade: layout, start, pilots, the larger
 * shallow part, the main drill, reamer or counterbore, chamfer. Tapping, deburring and checking come after.
 */
export function holeOperations(ctx: FeatureContext): Operation[] {
  const { main, clearance, material, pool } = ctx;
  const byHand = isHandHeld(ctx.machine);
  const { drill } = main.chosen;
  const ring =
    ctx.chamferMm === undefined && !clearance && ctx.existingMm === undefined ? ringChoices(ctx, drill.diameterMm) : [];
  const ringUsed =
    ring.find((r) => r.good) ?? (main.chosen.owned ? undefined : ring.find((r) => r.tool && r.id === 'saw'));
  const clear = clearance ? choosePlainDrill(clearance.diameterMm, pool, false) : undefined;
  const largest = clear?.drill ?? drill;
  const pilots =
    ringUsed || ctx.existingMm !== undefined
      ? []
      : pilotChain(largest, pool.drills, byHand, material, ctx.habits.pilot, clear ? 0 : main.fullMm).filter(
          (p) => !clear || p.diameterMm < drill.diameterMm,
        );
  const first = pilots[0] ?? largest;
  const started: Started =
    ringUsed?.id === 'annular' ? { chamfered: false } : startWith(ctx, ringUsed ? { ...first, diameterMm: 4 } : first);
  const lean = leaning(ctx);
  const ops: Operation[] = [layOut(ctx, ringUsed ? undefined : first), ...(lean ? [lean] : [])];
  if (started.op) ops.push(started.op);
  pilots.forEach((pilot, i) =>
    ops.push(
      cutting(
        `pilot-${i + 1}`,
        'pilot',
        (op) => drillOrder('pilot', op),
        drillSpec(pilot, true, {
          inHoleMm: i > 0 ? pilots[i - 1].diameterMm : 0,
          fromMm: 0,
          fullMm: main.fullMm,
          through: ctx.through,
          startsIn: i === 0 ? started.startsIn : undefined,
        }),
        ctx,
      ),
    ),
  );
  if (clear && clearance)
    ops.push(
      cutting(
        'open',
        'open',
        (op) => drillOrder('open', op),
        drillSpec(clear.drill, clear.owned, {
          inHoleMm: pilots[pilots.length - 1]?.diameterMm ?? ctx.existingMm ?? 0,
          fromMm: 0,
          fullMm: clearance.depthMm,
          through: false,
          startsIn: pilots.length > 0 ? undefined : started.startsIn,
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
      ),
    );
  const choices = [
    ...ring.map(({ id, label, tool, why }) => ({
      id,
      label,
      why,
      possible: tool !== undefined,
      used: ringUsed?.id === id,
    })),
    ...(ring.length > 0 && drill.diameterMm >= 6
      ? [
          {
            id: 'drill',
            label: `drill ${drillName(drill)}`,
            why: main.chosen.owned ? phrase('To hand.') : phrase('Not to hand.'),
            possible: main.chosen.owned,
            used: !ringUsed,
          },
        ]
      : []),
  ].filter((c) => c.possible || c.used);
  if (ringUsed?.tool) {
    const families: Record<string, CutSpec['family']> = { 'step-drill': 'step', annular: 'annular', saw: 'saw' };
    const family = families[ringUsed.id];
    ops.push(
      cutting(
        'drill',
        ringUsed.id as OperationCode,
        () =>
          phrase('Cut {size} through with {tool}.', { size: mm(drill.diameterMm), tool: ringUsed.tool?.name ?? '' }),
        {
          family,
          tool: { name: ringUsed.tool.name, owned: true, tool: ringUsed.tool },
          diameterMm: ringUsed.tool.diameterMm && family !== 'step' ? ringUsed.tool.diameterMm : drill.diameterMm,
          inHoleMm: 0,
          fromMm: 0,
          fullMm: main.fullMm,
          through: ctx.through,
        },
        ctx,
        family === 'annular' ? [caution('note', 'core', 'The core drops or flies out hot: catch it.')] : [],
      ),
    );
  } else if (ctx.serves) ops.push(servingHole(ctx));
  else ops.push(mainBore(ctx, started.startsIn, clear ? [] : pilots));
  const bore = ops[ops.length - 1];
  if (choices.length > 1) bore.choices = choices;
  const ream = reamOperation(ctx);
  if (ream) ops.push(ream);
  const holeMm = ream?.cut?.spec.diameterMm ?? drill.diameterMm;
  ops.push(
    ...mouthOperations(
      ctx,
      written(ctx.callout, 'counterbore').length > 0 && clearance ? clearance.diameterMm : holeMm,
    ),
  );
  if (
    ctx.chamferMm !== undefined &&
    (!started.chamfered || ctx.habits.chamfer === 'both') &&
    !ops.some((op) => op.code === 'countersink')
  ) {
    const floor = clearance?.diameterMm ?? 0;
    if (floor >= ctx.chamferMm)
      bore.details.push(phrase('The floor of the larger part opens the first thread: no chamfer is wanted.'));
    else {
      const tool = pickTool.countersink(ctx.tools, ctx.chamferMm, 90);
      ops.push(
        cutting(
          'chamfer',
          'chamfer',
          () =>
            phrase('Countersink the mouth to {chamfer}, {deep} from touching the rim, before tapping.', {
              chamfer: depth(ctx.chamferMm ?? 0),
              deep: depth(chamferDepth(ctx.chamferMm ?? 0, holeMm, 90)),
            }),
          {
            family: 'countersink',
            tool,
            diameterMm: ctx.chamferMm,
            inHoleMm: holeMm,
            fromMm: 0,
            fullMm: chamferDepth(ctx.chamferMm, holeMm, 90),
            through: false,
            pointAngleDeg: 90,
          },
          ctx,
        ),
      );
    }
  }
  return ops;
}

/** The end of every route: far side, mouth, check. */
export function finishing(ctx: FeatureContext, check: Phrase): Operation[] {
  const tapped = ctx.chamferMm !== undefined;
  const ops: Operation[] = [];
  if (ctx.through)
    ops.push(
      byHandwork('deburr', 'deburr', phrase('Deburr the far side, then clean the hole.'), [], HANDS_S.deburr, 'deburr'),
    );
  else if (!tapped)
    ops.push(
      byHandwork(
        'deburr',
        'deburr',
        phrase('Break the edge of the mouth, then clean the hole.'),
        [],
        HANDS_S.deburr,
        'deburr',
      ),
    );
  ops.push(byHandwork('check', 'check', check, [], HANDS_S.check, 'clean and gauge'));
  return ops;
}

/** Mouths that are as deep as the plate or deeper, which leave nothing under a head. */
export function mouthProblems(operations: readonly Operation[], thicknessMm: number | undefined): Problem[] {
  return operations.flatMap(({ code, cut }) =>
    thicknessMm !== undefined &&
    cut &&
    (code === 'counterbore' || code === 'countersink') &&
    cut.spec.fullMm >= thicknessMm
      ? [
          {
            code: 'mouth-deep',
            field: 'callout',
            ...phrase(`A ${code} {deep} deep leaves nothing of a plate of {plate}.`, {
              deep: depth(cut.spec.fullMm),
              plate: depth(thicknessMm),
            }),
            remedy: phrase('Make it shallower, or take thicker stock.'),
          },
        ]
      : [],
  );
}

/** Operations of a hole without a thread. */
export function plainOperations(ctx: FeatureContext): Operation[] {
  const f = written(ctx.callout, 'hole').find((h) => h.ream || h.fit !== undefined);
  const size = ctx.main.chosen.drill.diameterMm;
  const h7 = f?.fit?.replace(/\s/g, '').toUpperCase() === 'H7';
  return [
    ...holeOperations(ctx),
    ...finishing(
      ctx,
      f
        ? h7
          ? phrase('Clean, then check with a plug gauge: {min} goes, {max} does not.', {
              min: mm(f.diameterMm),
              max: mm(f.diameterMm + h7UpperMm(f.diameterMm)),
            })
          : phrase('Clean, then check {size}{fit} with a plug gauge.', {
              size: mm(f.diameterMm),
              fit: f.fit ? ` ${f.fit}` : '',
            })
        : phrase('Clean, then check {size} with a pin or caliper, and the place from the datum edges.', {
            size: mm(size),
          }),
    ),
  ];
}

/** The drill for the main bore of a hole without a thread. */
export function plainMain(
  callout: Callout,
  pool: DrillPool,
  start: StartMeans,
  material: CutContext['material'],
): { chosen: ChosenDrill; feature: Extract<CalloutFeature, { kind: 'hole' }> } | undefined {
  const holes = written(callout, 'hole');
  const feature = holes.reduce<(typeof holes)[number] | undefined>(
    (a, b) => (a && a.diameterMm <= b.diameterMm ? a : b),
    undefined,
  );
  if (!feature) return undefined;
  const fitted = feature.ream || feature.fit !== undefined;
  return {
    feature,
    chosen: fitted
      ? chooseReamDrill(feature.diameterMm, pool, start, material)
      : choosePlainDrill(feature.diameterMm, pool, false),
  };
}
