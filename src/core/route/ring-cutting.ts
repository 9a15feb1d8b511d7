import { caution, depth, mm, phrase, type Phrase } from '../answer/answer';
import { isHandHeld } from '../cutting/machine';
import { pickTool, type Tool } from '../drills/tool';
import type { FeatureContext } from './feature-context';
import { cutting } from './make-operation';
import type { CutFamily, Operation } from './operation';

/** Sheet, where a step drill is at home, mm. Trade rule. */
const SHEET_MM = 3;
/** Plain through holes from here on are cut as a ring where the crib has a cutter, mm. Trade rule. */
const RING_FROM_MM = 14;

export type RingId = 'step-drill' | 'annular' | 'saw';

/** A way to cut a large or thin plain hole other than with a drill. */
export interface RingWay {
  id: RingId;
  label: string;
  tool?: Tool;
  why: Phrase;
  chosen: boolean;
}

const FAMILY: Record<RingId, CutFamily> = { 'step-drill': 'step', annular: 'annular', saw: 'saw' };

/** The ways that there are, with the one to take by the user's wish, else by the rule of the trade; maybe none. */
export function ringWays(ctx: FeatureContext, diameterMm: number): RingWay[] {
  const { machine, thicknessMm = Infinity, wish, main } = ctx;
  const hand = isHandHeld(machine);
  const step = thicknessMm <= SHEET_MM ? pickTool.stepDrill(ctx.tools, diameterMm) : undefined;
  const annular = hand ? undefined : pickTool.annularCutter(ctx.tools, diameterMm, thicknessMm);
  const saw = pickTool.holeSaw(ctx.tools, diameterMm, thicknessMm);
  const large = diameterMm >= RING_FROM_MM && ctx.through;
  const ways: (Omit<RingWay, 'chosen'> & { good: boolean })[] = [
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
        ? phrase('Slow and rough, {over} over at best: where nothing else is there.', { over: depth(0.5) })
        : phrase('The crib has none of this size.'),
    },
  ];
  const asked = wish === 'drill' && main.chosen.owned ? 'drill' : ways.find((w) => w.id === wish && w.tool)?.id;
  const usual =
    ways.find((w) => w.good)?.id ?? (main.chosen.owned ? 'drill' : ways.find((w) => w.id === 'saw' && w.tool)?.id);
  return ways.map(({ good: _, ...way }) => ({ ...way, chosen: way.id === (asked ?? usual) }));
}

/** The operation that cuts the whole bore with a step drill, ring cutter or hole saw. */
export function ringCut(ctx: FeatureContext, way: RingWay, tool: Tool): Operation {
  const size = ctx.main.chosen.drill.diameterMm;
  return cutting(
    'drill',
    way.id,
    () => phrase('Cut {size} through with {tool}.', { size: mm(size), tool: tool.name }),
    {
      family: FAMILY[way.id],
      tool: { name: tool.name, owned: true, tool },
      diameterMm: way.id === 'step-drill' ? size : (tool.diameterMm ?? size),
      inHoleMm: 0,
      fromMm: 0,
      fullMm: ctx.main.fullMm,
      through: ctx.through,
    },
    ctx,
    way.id === 'annular' ? [caution('note', 'core', 'The core drops or flies out hot: catch it.')] : [],
  );
}
