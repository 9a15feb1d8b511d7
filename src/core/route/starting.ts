import { caution, depth, mm, phrase, quantity, type Caution } from '../answer/answer';
import { chiselEdge, coneDepth } from '../drills/drill-point';
import { drillName, type Drill } from '../drills/drill';
import { pickTool } from '../drills/tool';
import type { FeatureContext } from './feature-context';
import { byHandwork, cutting, HANDS_S } from './make-operation';
import type { CutSpec, Operation } from './operation';

/** Largest dimple that a centre punch makes well, mm. Our judgement. */
const WIDEST_DIMPLE_MM = 2.6;

/** A tailstock drills on the axis and nowhere else. */
const offAxis = ({ machine, offAxisMm: off }: FeatureContext): Caution[] =>
  machine?.kind === 'lathe' && off !== undefined && off > 0.05
    ? [
        caution(
          'stop',
          'off-axis',
          Number.isFinite(off)
            ? 'A lathe drills on its axis; this hole lies {off} beside it: take a drill press or mill.'
            : 'A lathe drills into the end of a round part, on its axis; this face has none: take a drill press or mill.',
          { off: mm(Number.isFinite(off) ? off : 0) },
        ),
      ]
    : [];

/** A drill that meets a round side off its middle slides down it. */
const roundSide = ({ curved }: FeatureContext): Caution[] =>
  curved
    ? [
        caution(
          'note',
          'round-side',
          'On a round side a drill slides off: exactly on the middle, spot deep, or file a flat.',
        ),
      ]
    : [];

/** Finding and marking the place. */
export function layOut(ctx: FeatureContext, first: Drill | undefined): Operation {
  if (ctx.existingMm !== undefined)
    return byHandwork(
      'lay-out',
      'lay-out',
      phrase('Bring the spindle over the hole that is there: indicate it, or centre it with a cone.'),
      [],
      HANDS_S['lay-out'],
      'find the hole',
      [...offAxis(ctx), ...roundSide(ctx)],
    );
  if (ctx.machine?.kind === 'mill' || ctx.machine?.kind === 'lathe')
    return byHandwork(
      'lay-out',
      'lay-out',
      ctx.machine.kind === 'mill'
        ? ctx.curved
          ? phrase('Touch both sides of the round and go to its middle, then along from the end, by dial or readout.')
          : phrase('Find two edges and go to the place by dial or readout.')
        : phrase('Face the end; the tailstock is on the axis.'),
      [],
      HANDS_S['lay-out-dials'],
      'find the place',
      [...offAxis(ctx), ...roundSide(ctx)],
    );
  const dimple = first ? 1.1 * chiselEdge(first.diameterMm) : 1.5;
  const started = ctx.start === 'centre-drill' || ctx.start === 'bushing';
  const wide = first && !started && dimple > WIDEST_DIMPLE_MM;
  return byHandwork(
    'lay-out',
    'lay-out',
    ctx.curved
      ? phrase('Lay it in V-blocks, scribe its centre line, then along it; prick, look, centre punch once.')
      : phrase('Scribe, prick, look, then centre punch once.'),
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
    [
      ...roundSide(ctx),
      ...(wide
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
        : []),
    ],
  );
}

export interface Started {
  op?: Operation;
  /** The spot leaves the chamfer, so that none is cut later. */
  chamfered: boolean;
  startsIn?: CutSpec['startsIn'];
}

/** The start of a hole by the means chosen; a spot may leave the chamfer in the same stroke. */
export function startWith(ctx: FeatureContext, first: Drill): Started {
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

/** What an angled hole wants before it is started; undefined for a square one. */
export function leaning(ctx: FeatureContext): Operation | undefined {
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
