import { phrase, type Phrase } from '../answer/answer';
import { LEARNED_FIGURES, type LearnedFigure } from '../answer/estimate';
import { START_LABEL, START_MEANS, type StartMeans } from '../drills/expected-hole';
import { MEANS } from '../layout/means-of-layout';
import { KINDS } from '../operation/kinds';
import type { OperationCode } from '../operation/operation';
import { GEOMETRY_LABEL } from '../tapping/tap';
import { WAY_FACTS, type WayId } from '../tapping/ways';

/** What the shop calls what levels name by their ids. */
export interface Names {
  material: (id: string) => string;
  machine: (id: string) => string;
  /** A drill, a tap or a hand by its level. */
  tool: (level: string) => string;
}

/** Unit in which a figure is shown. */
export const FIGURE_UNIT = {
  oversize: 'mm',
  'formed-minor': 'mm',
  seconds: 'ratio',
  turns: 'ratio',
  coast: 'turns',
  lean: 'deg',
  place: 'mm',
  torque: 'ratio',
} as const satisfies Record<LearnedFigure, string>;

/** What is learned, in the order in which people ask for it, with what it means. */
export const FIGURE_WORDS: Record<LearnedFigure, { title: string; says: string; up: string; down: string }> = {
  oversize: {
    title: 'Holes over their drills',
    says: 'How much larger or smaller than usual a drilled hole comes out, by pins and gauges.',
    up: 'lips ground unevenly, a spindle with play, or a start that wanders',
    down: 'a drill worn under size, or a metal that closes in',
  },
  'formed-minor': {
    title: 'Minor diameter of formed threads',
    says: 'How far a metal closes in or leaves more than the model, by pins.',
    up: 'a metal that flows less, or a drill that cut large',
    down: 'a metal that flows more, or a drill worn under size',
  },
  torque: {
    title: 'Torque of taps',
    says: 'What a torque wrench told, over the model.',
    up: 'a tap that dulls, a harder bar, or too little fluid',
    down: 'a softer bar, or a new tap',
  },
  seconds: {
    title: 'Times',
    says: 'Seconds over the usual ones, by kind of work and machine.',
    up: 'a slower hand, a harder bar, or a tool that dulls',
    down: 'a practised hand',
  },
  turns: {
    title: 'Turns of taps',
    says: 'Turns that were counted over those planned.',
    up: 'a start that does not bite at once',
    down: 'turns that were not counted',
  },
  coast: {
    title: 'Coasting of spindles',
    says: 'Revolutions after the switch is thrown, at the speed at which the machine’s own figure holds.',
    up: 'a brake or belt that slips',
    down: 'a stiffer belt, or a load that brakes',
  },
  lean: {
    title: 'Lean of taps',
    says: 'Degrees from square, by the way of driving.',
    up: 'a start without a guide, or a hurried one',
    down: 'a start that is looked at from two sides',
  },
  place: {
    title: 'Place of holes',
    says: 'How far holes lie from where they are drawn, along one axis.',
    up: 'a division misread, or a datum touched wrong',
    down: 'a division misread, or a datum touched wrong',
  },
};

const STEEL: Record<string, string> = { hss: 'High-speed drills', cobalt: 'Cobalt drills', carbide: 'Carbide drills' };
const BAND: Record<string, string> = {
  'to 3': 'to 3 mm',
  'to 6': 'over 3 to 6 mm',
  'to 10': 'over 6 to 10 mm',
  'to 16': 'over 10 to 16 mm',
  'to 25': 'over 16 to 25 mm',
  'over 25': 'over 25 mm',
};
/** The word for a name that comes from outside: itself where the table has none. */
const wordOf = (table: Readonly<Record<string, string>>, name: string): string =>
  Object.hasOwn(table, name) ? table[name] : name;
const wayName = (id: string): string => (Object.hasOwn(WAY_FACTS, id) ? WAY_FACTS[id as WayId].label : id);
const isTool = (part: string): boolean => /^(drill|tap|hand) /.test(part);
const isStart = (part: string): part is StartMeans => (START_MEANS as readonly string[]).includes(part);

/**
 * A level in words.
 * @example levelWords('seconds', 'drill|lathe', { machine: () => 'Lathe' }) // 'Drill, Lathe'
 */
export function levelWords(figure: LearnedFigure, level: string, names: Names): string {
  const parts = level.split('|');
  const tool = parts.find(isTool);
  const rest = parts.filter((p) => p !== tool);
  const head = tool === undefined ? '' : names.tool(tool);
  const tail = ((): string[] => {
    switch (figure) {
      case 'oversize': {
        const [steel, band, metal, start] = rest;
        if (steel === undefined) return [];
        const of = tool === undefined ? [`${wordOf(STEEL, steel)} ${wordOf(BAND, band)}`] : [];
        return [...of, names.material(metal), ...(start && isStart(start) ? [START_LABEL[start]] : [])];
      }
      case 'formed-minor':
        return [names.material(rest[0]), ...(rest[1] ? [wordOf(BAND, rest[1])] : [])];
      case 'seconds': {
        if (rest[0] === 'tap') return ['Tapping', ...(rest[1] ? [wayName(rest[1])] : [])];
        const kind = Object.hasOwn(KINDS, rest[0]) ? KINDS[rest[0] as OperationCode].verb : rest[0];
        return [kind, ...(rest[1] ? [names.machine(rest[1])] : [])];
      }
      case 'turns':
        return [wordOf(GEOMETRY_LABEL, rest[0])];
      case 'coast':
        return [names.machine(rest[0])];
      case 'lean':
        return [wayName(rest[0])];
      case 'place': {
        const [means, punching, starting] = rest;
        const label = MEANS.find((m) => m.id === means)?.label ?? means;
        return [
          label,
          ...(punching && starting ? [`punched by ${punching}`, `begun by ${starting.replace('-', ' ')}`] : []),
        ];
      }
      case 'torque':
        return [...(rest[0] ? [names.material(rest[0])] : []), ...(rest[1] ? [rest[1]] : [])];
      default:
        return rest;
    }
  })();
  const words = [head, ...tail].filter(Boolean).join(', ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** Figures in the order in which they are told. */
export const FIGURES_TOLD = Object.keys(FIGURE_WORDS).filter((f): f is LearnedFigure =>
  (LEARNED_FIGURES as readonly string[]).includes(f),
);

/** What a signal in a run of readings usually means here, and what to do. */
export function meaningOf(figure: LearnedFigure, way: 1 | -1, changed: string | undefined): Phrase {
  const { up, down } = FIGURE_WORDS[figure];
  const cause = way > 0 ? up : down;
  return changed === undefined
    ? phrase('Usually {cause}. Measure the next one before going on.', { cause })
    : phrase('It began after {changed}. Usually {cause}. Measure the next one before going on.', { cause, changed });
}
