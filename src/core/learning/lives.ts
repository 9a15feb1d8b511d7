import type { TapFeel } from '../run/bench-record';
import type { ToolRecord } from '../shop/tool-life';
import type { Observation } from '../run/observations';

/** What a drill or tap has done since it was made or sharpened. */
export interface ToolLife {
  /** Its level: `tap tap-m6-plug`, `drill d-5.0`. */
  tool: string;
  holes: number;
  /** Holes by metal. */
  metals: Readonly<Record<string, number>>;
  /** A hole two diameters deep in mild steel is 1. */
  use: number;
  seconds: number;
  feels: Readonly<Partial<Record<TapFeel, number>>>;
  /** Sharpened or renewed so often, and broken or dull so often, over all its lives. */
  begun: number;
  broken: number;
  /** Use of each earlier life. */
  before: readonly number[];
  since?: string;
  last?: string;
  /** It broke, and nothing replaced it. */
  isBroken: boolean;
}

type Event = Pick<Observation, 'recordId' | 'happenedAt' | 'material' | 'observed'>;

const fresh = (tool: string): ToolLife => ({
  tool,
  holes: 0,
  metals: {},
  use: 0,
  seconds: 0,
  feels: {},
  begun: 0,
  broken: 0,
  before: [],
  isBroken: false,
});

function counted(life: ToolLife, { observed, material, happenedAt }: Event): ToolLife {
  switch (observed.what) {
    case 'made': {
      // A name in a crib that does work after a break hangs there anew.
      const now = life.isBroken ? begunAnew(life, happenedAt) : life;
      const { feel, seconds = 0, use = 0 } = observed;
      return {
        ...now,
        holes: now.holes + 1,
        metals: { ...now.metals, [material]: (now.metals[material] ?? 0) + 1 },
        use: now.use + use,
        seconds: now.seconds + seconds,
        feels: feel ? { ...now.feels, [feel]: (now.feels[feel] ?? 0) + 1 } : now.feels,
        since: now.since ?? happenedAt,
        last: happenedAt,
      };
    }
    case 'broken':
      return { ...life, broken: life.broken + 1, isBroken: true, last: happenedAt };
    case 'renewed':
      return { ...begunAnew(life, happenedAt), begun: life.begun + 1 };
    default:
      return life;
  }
}

const begunAnew = (life: ToolLife, at: string): ToolLife => ({
  ...fresh(life.tool),
  begun: life.begun,
  broken: life.broken,
  before: life.use > 0 ? [...life.before, life.use] : life.before,
  since: at,
});

/** Lives of all tools that observations name, in the order in which things happened, whatever the order in which they came. */
export function livesOf(observations: readonly Event[]): Map<string, ToolLife> {
  const lives = new Map<string, ToolLife>();
  const inOrder = [...observations].sort(
    (a, b) => a.happenedAt.localeCompare(b.happenedAt) || a.recordId.localeCompare(b.recordId),
  );
  for (const event of inOrder) addToLives(lives, event);
  return lives;
}

/** Counts what happened after all that is counted. */
export function addToLives(lives: Map<string, ToolLife>, event: Event): void {
  const tool = 'tool' in event.observed ? event.observed.tool : undefined;
  if (tool !== undefined) lives.set(tool, counted(lives.get(tool) ?? fresh(tool), event));
}

/** What is known of a tool without its log: its kind, and the use after which one of it usually ends. */
export interface ToolFacts {
  kind: string;
  typical: number;
}

/** What every tool has done, beside all others of its kind: ended lives count as failures, those that hold by what they did. */
export function toolRecords(
  lives: ReadonlyMap<string, ToolLife>,
  factsOf: (tool: string) => ToolFacts | undefined,
): Record<string, ToolRecord> {
  const kinds = new Map<string, { squares: number; failures: number }>();
  const known = [...lives.values()].flatMap((life) => {
    const facts = factsOf(life.tool);
    return facts ? [{ life, facts }] : [];
  });
  for (const { life, facts } of known) {
    const kind = kinds.get(facts.kind) ?? { squares: 0, failures: 0 };
    kind.squares += [...life.before, life.use].reduce((sum, use) => sum + use ** 2, 0);
    kind.failures += life.broken + life.begun;
    kinds.set(facts.kind, kind);
  }
  return Object.fromEntries(
    known.map(({ life, facts }) => {
      const { squares, failures } = kinds.get(facts.kind) ?? { squares: 0, failures: 0 };
      // One that broke is replaced: the next begins at nothing.
      const done = life.isBroken ? 0 : life.use;
      return [life.tool, { typical: facts.typical, squares: squares - done ** 2, failures, done }];
    }),
  );
}
