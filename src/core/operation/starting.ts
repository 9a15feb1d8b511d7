import { caution, depth, mm, phrase, quantity, type Caution } from '../answer/answer';
import { chiselEdge, coneDepth } from '../drills/drill-point';
import { drillName, pointAngleOf, USUAL_POINT_DEG, type Drill } from '../drills/drill';
import { dimpleFor } from '../layout/punch';
import { pickTool } from '../shop/tool';
import type { HoleToMake } from './bore';
import type { Context } from './context';
import { HANDS_S } from './hand-times';
import { cutStep, handStep, type Step } from './step';
import type { CutSpec } from './operation';

/** Largest dimple that a centre punch makes well, mm. Our judgement. */
const WIDEST_DIMPLE_MM = 2.6;

/** A tailstock drills on the axis and nowhere else. */
const offAxis = ({ asked, setting: { offAxisMm: off } }: Context): Caution[] =>
  asked.machine?.kind === 'lathe' && off !== undefined && off > 0.05
    ? [
        caution(
          'stop',
          'off-axis',
          Number.isFinite(off)
            ? 'A lathe drills on its axis; this hole is {off} off it: use a drill press or mill.'
            : 'A lathe drills into the end of a round part, on its axis; this face has none: use a drill press or mill.',
          { off: mm(Number.isFinite(off) ? off : 0) },
        ),
      ]
    : [];

/** A drill that meets a round side off its middle slides down it. */
const roundSide = ({ setting }: Context): Caution[] =>
  setting.curved
    ? [
        caution(
          'note',
          'round-side',
          'On a round side a drill slides off: stay exactly on the middle, spot deep, or file a flat.',
        ),
      ]
    : [];

const onDials = (ctx: Context): Step =>
  handStep({
    key: 'lay-out',
    kind: 'lay-out',
    order:
      ctx.asked.machine?.kind !== 'mill'
        ? phrase('Face the end; the tailstock is on the axis.')
        : ctx.setting.curved
          ? phrase('Touch both sides of the round, go to its middle, then along from the end, by dial or readout.')
          : phrase('Find two edges and go to the place by dial or readout.'),
    seconds: HANDS_S['lay-out-dials'],
    purpose: 'find the place',
    tool: { name: ctx.asked.machine?.kind === 'mill' ? 'edge finder' : 'facing tool', owned: true },
    cautions: [...offAxis(ctx), ...roundSide(ctx)],
  });

function punched(ctx: Context, first: Drill | undefined): Step {
  const { start } = ctx.asked;
  const dimple = first ? dimpleFor(first.diameterMm) : 0;
  const wide = start !== 'centre-drill' && start !== 'bushing' && dimple > WIDEST_DIMPLE_MM;
  return handStep({
    key: 'lay-out',
    kind: 'lay-out',
    order: ctx.setting.curved
      ? phrase('Set it in V-blocks, scribe its centre line, then along it; prick-punch, check, centre-punch once.')
      : phrase('Scribe, prick-punch, check, then centre-punch once.'),
    details: first
      ? [
          phrase('The dimple must take the chisel edge of the {drill} drill: at least {dimple} across.', {
            drill: drillName(first),
            dimple: depth(dimple),
          }),
        ]
      : [],
    seconds: HANDS_S['lay-out'],
    purpose: 'scribe and punch',
    cautions: [
      ...roundSide(ctx),
      ...(wide
        ? [
            caution(
              'warn',
              'wander',
              'A {dimple} dimple is wider than a punch makes cleanly: the drill wanders. Pilot or centre drill first.',
              { dimple: depth(dimple) },
            ),
          ]
        : []),
    ],
  });
}

/**
 * Finding and marking the place.
 * @param first the drill that meets the mark; undefined where a ring cutter does
 */
export function layOut(hole: HoleToMake, ctx: Context, first: Drill | undefined): Step {
  if (hole.existingMm !== undefined)
    return handStep({
      key: 'lay-out',
      kind: 'lay-out',
      order: phrase('Bring the spindle over the existing hole: indicate it, or find it with a cone.'),
      seconds: HANDS_S['lay-out'],
      purpose: 'find the hole',
      cautions: [...offAxis(ctx), ...roundSide(ctx)],
    });
  const { machine } = ctx.asked;
  return machine?.kind === 'mill' || machine?.kind === 'lathe' ? onDials(ctx) : punched(ctx, first);
}

export interface Started {
  step?: Step;
  /** The spot leaves the chamfer, so that none is cut later. */
  chamfered: boolean;
  startsIn?: CutSpec['startsIn'];
}

const FLAT = { inHoleMm: 0, fromMm: 0, through: false };
/** A start goes no deeper than this share of the part. Our judgement. */
const DEEPEST_SHARE = 0.6;

/** A centre drill of which nothing is known: its tip, mm. */
const USUAL_TIP_MM = 2.5;
/** From the end of its tip a centre drill opens; sunk so deep, in tips, its cone has opened the mouth so far, in tips. */
const SUNK_TIPS = 1.5;
const OPENS_TIPS = 1.35;
/** Holes under this size are only touched with a centre drill, mm. Trade rule. */
const TOUCHED_UNDER_MM = 3;
/** A touch leaves a mark of this share of the hole. Our judgement. */
const TOUCH_SHARE = 0.7;

/** A start with a centre drill: its tip stays under the hole that follows and its cone under the chamfer, else it only touches. */
function centreDrilled(hole: HoleToMake, ctx: Context, first: Drill): Started {
  const holeMm = Math.min(...hole.bores.map((b) => b.chosen.drill.diameterMm));
  const tool = pickTool.centreDrill(ctx.shop.tools, chiselEdge(first.diameterMm), holeMm);
  const tip = tool.tool?.smallMm ?? USUAL_TIP_MM;
  const opensTo = hole.chamferMm ?? Math.max(...hole.bores.map((b) => b.chosen.drill.diameterMm));
  const touches = holeMm < TOUCHED_UNDER_MM || tip >= holeMm || OPENS_TIPS * tip > opensTo + 1e-9;
  const markMm = touches ? Math.min(tip, TOUCH_SHARE * holeMm) : OPENS_TIPS * tip;
  const name = tool.tool ? tool.name : 'a centre drill';
  const deepest = DEEPEST_SHARE * (ctx.setting.thicknessMm ?? Infinity);
  return {
    chamfered: false,
    startsIn: { mouthMm: markMm, angleDeg: touches ? USUAL_POINT_DEG : CENTRE_DEG, name: 'centre hole' },
    step: cutStep({
      key: 'start',
      kind: 'start',
      order: touches
        ? phrase('Only touch with {tool} on the punch mark: a mark {mouth} across, no wider than the drill.', {
            tool: name,
            mouth: depth(markMm),
          })
        : phrase('Start with {tool} on the punch mark.', { tool: name }),
      spec: {
        ...FLAT,
        family: 'centre',
        tool,
        diameterMm: tip,
        fullMm: Math.min(touches ? coneDepth(markMm, USUAL_POINT_DEG) : SUNK_TIPS * tip, deepest),
        pointAngleDeg: USUAL_POINT_DEG,
      },
    }),
  };
}
/** Of the cone of a centre drill, degrees. */
const CENTRE_DEG = 60;

/** Width of a spot, mm: as wide as the chamfer where it can leave that, else wide enough to guide the first drill. */
function spotMouth(body: number, angleDeg: number, chamferMm: number, room: number, first: Drill) {
  const chamfered = chamferMm > 0 && body >= chamferMm - 1e-9 && coneDepth(chamferMm, angleDeg) <= room;
  const guiding = Math.max(1.2 * chiselEdge(first.diameterMm), 0.5 * first.diameterMm);
  const fits = 2 * room * Math.tan((angleDeg * Math.PI) / 360);
  return { chamfered, mouthMm: chamfered ? chamferMm : Math.min(body, guiding, fits) };
}

function spotted(hole: HoleToMake, ctx: Context, first: Drill): Started {
  const sunk = hole.callout.features.some((f) => f.kind === 'counterbore' || f.kind === 'countersink');
  const opened = hole.bores.some((b) => b.role === 'upper');
  const wanted = sunk || opened ? 0 : (hole.chamferMm ?? 0);
  const tool = pickTool.spotDrill(ctx.shop.tools, wanted);
  const angleDeg = tool.tool?.angleDeg ?? 90;
  const room = DEEPEST_SHARE * (ctx.setting.thicknessMm ?? Infinity);
  const { chamfered, mouthMm } = spotMouth(tool.tool?.diameterMm ?? Infinity, angleDeg, wanted, room, first);
  const deep = coneDepth(mouthMm, angleDeg);
  return {
    chamfered,
    startsIn: { mouthMm, angleDeg },
    step: cutStep({
      key: 'start',
      kind: 'start',
      order: chamfered
        ? phrase('Spot with a 90° spot drill, {depth} deep: it leaves the chamfer of {chamfer} too.', {
            depth: depth(deep),
            chamfer: depth(mouthMm),
          })
        : phrase('Spot with {tool}, {depth} deep, {mouth} across.', {
            tool: tool.tool ? tool.name : 'a 90° spot drill',
            depth: depth(deep),
            mouth: depth(mouthMm),
          }),
      spec: { ...FLAT, family: 'spot', tool, diameterMm: mouthMm, fullMm: deep, pointAngleDeg: angleDeg },
      cautions:
        first.material === 'carbide' && angleDeg < pointAngleOf(first)
          ? [
              caution(
                'warn',
                'spot-angle',
                'A spot of {angle} meets the corners of a carbide drill first and chips them: spot wider than its point.',
                { angle: quantity(angleDeg, 'deg') },
              ),
            ]
          : [],
    }),
  };
}

/** The start of a hole by the means chosen; a spot may leave the chamfer in the same stroke. */
export function startWith(hole: HoleToMake, ctx: Context, first: Drill): Started {
  if (hole.existingMm !== undefined) return { chamfered: false };
  switch (ctx.asked.start) {
    case 'hand':
    case 'punch':
    case 'bushing':
      return { chamfered: false };
    case 'centre-drill':
      return centreDrilled(hole, ctx, first);
    case 'spot':
      return spotted(hole, ctx, first);
  }
}

/** What an angled hole needs before it is started; undefined for a square one. */
export function tiltSteps({ setting, asked: { machine } }: Context): Step[] {
  const { tiltDeg, towardsDeg } = setting;
  if (!tiltDeg) return [];
  const lean = quantity(tiltDeg, 'deg');
  const slope = caution(
    'warn',
    'slope',
    'A drill slides off a slope: spot or mill a flat square to the drill first, and feed very lightly until it cuts all round.',
  );
  const mill = machine?.kind === 'mill';
  return [
    handStep({
      key: 'tilt',
      kind: 'note',
      order:
        towardsDeg === undefined
          ? phrase('Tilt the work {tilt}, lock the quill and sight along the drill.', { tilt: lean })
          : phrase(
              'Turn the part until {way} lies along the tilt, tilt it {tilt}, lock the quill and sight along the drill.',
              {
                tilt: lean,
                way: wayOf(towardsDeg),
              },
            ),
      details: [
        phrase('Once for all holes that lean alike.'),
        ...(mill ? [phrase('Find the edges again: the part lies otherwise now.')] : []),
        phrase('Check the breakthrough with a wire before the next one.'),
      ],
      seconds: TILT_S,
      purpose: 'tilt and sight',
      cautions: mill ? [] : [slope],
    }),
    ...(mill
      ? [
          handStep({
            key: 'flat',
            kind: 'note',
            order: phrase('Mill a flat square to the spindle where the drill meets the slope, as wide as the hole.'),
            seconds: FLAT_S,
            purpose: 'mill a flat',
          }),
        ]
      : []),
  ];
}

/** To turn, tilt and sight, and to mill a flat, s. Our judgement. */
const TILT_S = 240;
const FLAT_S = 60;
const QUARTERS = ['the right', 'the back', 'the left', 'the front'] as const;

/** A way on the face in words: one of its sides, or degrees from X. */
const wayOf = (deg: number): string =>
  Math.abs(deg / 90 - Math.round(deg / 90)) < 1e-6 ? QUARTERS[Math.round(deg / 90) % 4] : `${deg.toFixed(0)}° from X`;
