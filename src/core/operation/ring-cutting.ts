import { caution, depth, mm, phrase, type Phrase } from '../answer/answer';
import { isHandHeld } from '../cutting/machine';
import { pickTool, type Tool } from '../shop/tool';
import type { BoreToMake, BoreTool, HoleToMake } from './bore';
import type { Context } from './context';
import { cutStep, type CutStep } from './step';
import { MAIN_KEY, type CutFamily } from './operation';

/** Sheet, where a step drill is at home, mm. Trade rule. */
const SHEET_MM = 3;
/** Plain through holes from here on are cut as a ring where the crib has a cutter, mm. Trade rule. */
const RING_FROM_MM = 14;

export type RingId = Exclude<BoreTool, 'drill'>;

/** A way to cut a large or thin plain hole other than with a drill. */
export interface RingWay {
  id: RingId;
  label: string;
  tool?: Tool;
  why: Phrase;
  chosen: boolean;
}

const FAMILY: Record<RingId, CutFamily> = { 'step-drill': 'step', annular: 'annular', saw: 'saw' };

type Way = Omit<RingWay, 'chosen'> & { good: boolean };

function allWays(hole: HoleToMake, { asked, shop, setting }: Context, diameterMm: number): Way[] {
  const { thicknessMm = Infinity } = setting;
  const hand = isHandHeld(asked.machine);
  const step = thicknessMm <= SHEET_MM ? pickTool.stepDrill(shop.tools, diameterMm) : undefined;
  const annular = hand ? undefined : pickTool.annularCutter(shop.tools, diameterMm, thicknessMm);
  const saw = pickTool.holeSaw(shop.tools, diameterMm, thicknessMm);
  const large = diameterMm >= RING_FROM_MM && hole.through;
  return [
    {
      id: 'step-drill',
      label: 'step drill',
      tool: step,
      good: step !== undefined && diameterMm >= 6,
      why: step
        ? phrase('Sheet: it makes a round hole without grabbing, and deburrs with its next step.')
        : phrase('For sheet to {most} with a step of this size: the crib has none.', { most: depth(SHEET_MM) }),
    },
    {
      id: 'annular',
      label: 'annular cutter',
      tool: annular,
      good: annular !== undefined && large,
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
        ? phrase('Slow and rough, {over} over at best: when there is nothing else.', { over: depth(0.5) })
        : phrase('The crib has none of this size.'),
    },
  ];
}

/** The ways to cut a bore as a ring, the one to use, and its step; no ring where it is drilled. */
export interface RingCutting {
  ways: RingWay[];
  ring?: RingWay;
  cut?: CutStep;
}

/** The ways that there are, with the one to use by the user's choice, else by the rule of the trade; maybe none. */
export function ringCutting(hole: HoleToMake, ctx: Context, bore: BoreToMake): RingCutting {
  const all = allWays(hole, ctx, bore.chosen.drill.diameterMm);
  const { owned } = bore.chosen;
  const wished = hole.tool === 'drill' && owned ? 'drill' : all.find((w) => w.id === hole.tool && w.tool)?.id;
  const usual = all.find((w) => w.good)?.id ?? (owned ? 'drill' : all.find((w) => w.id === 'saw' && w.tool)?.id);
  const ways = all.map(({ good: _, ...way }): RingWay => ({ ...way, chosen: way.id === (wished ?? usual) }));
  const ring = ways.find((w) => w.chosen);
  return { ways, ring, cut: ring?.tool && ringCut(bore, ring, ring.tool) };
}

/** The step that cuts the whole bore with a step drill, ring cutter or hole saw. */
function ringCut({ chosen, fullMm, through }: BoreToMake, way: RingWay, tool: Tool): CutStep {
  const size = chosen.drill.diameterMm;
  return cutStep({
    key: MAIN_KEY,
    kind: way.id,
    order: phrase('Cut {size} through with {tool}.', { size: mm(size), tool: tool.name }),
    spec: {
      family: FAMILY[way.id],
      tool: { name: tool.name, owned: true, tool },
      diameterMm: way.id === 'step-drill' ? size : (tool.diameterMm ?? size),
      inHoleMm: 0,
      fromMm: 0,
      fullMm,
      through,
    },
    cautions: way.id === 'annular' ? [caution('note', 'core', 'The core drops out hot, or flies: catch it.')] : [],
  });
}
