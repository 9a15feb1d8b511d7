import { phrase, type Phrase } from '../answer/answer';
import { expectedPlace, usualPlacing } from '../layout/means-of-layout';
import type { HoleModel } from './hole-model';
import { rehearsal, type Rehearsed, type Rehearsing } from './rehearse';

/** Something that could be done otherwise, and how the job then comes out. */
export interface Proposal {
  id: 'first-through' | 'readout' | 'drill-down' | 'drill-up' | 'guide' | 'new-tap';
  letters: readonly string[];
  says: Phrase;
  /** Bad parts in a hundred, before and after, on the same jobs. */
  before: number;
  after: number;
}

type Change = (model: HoleModel) => HoleModel;

/** Lean of a tap that a spring centre or a block guides, degrees. Our judgement. */
const GUIDED = { mean: 0.3, sigma: 0.25 };

const READOUT = usualPlacing('mill', 'spot');

const CHANGES: readonly {
  id: Proposal['id'];
  applies: (m: HoleModel) => boolean;
  change: Change;
  says: (letters: string) => Phrase;
}[] = [
  {
    id: 'first-through',
    applies: (m) => !m.isFirstThrough && m.points.length > 1 && m.size !== undefined,
    change: (m) => ({ ...m, isFirstThrough: true }),
    says: (letters) =>
      phrase('One hole of {letters} through to its pins first; the rest take what it teaches.', { letters }),
  },
  {
    id: 'readout',
    applies: (m) => m.zoneMm > 0 && m.placing.means !== 'readout',
    change: (m) => ({
      ...m,
      placing: READOUT,
      lineSigma: 0,
      ownSigma: expectedPlace(READOUT).sigma,
      slip: { ...m.slip, oneIn: Infinity },
    }),
    says: (letters) => phrase('Place {letters} on the mill, by its readout.', { letters }),
  },
  {
    id: 'drill-down',
    applies: (m) => m.size !== undefined,
    change: (m) => (m.size ? { ...m, size: { ...m.size, mean: m.size.mean - m.size.stepMm } } : m),
    says: (letters) => phrase('The next smaller drill for {letters}.', { letters }),
  },
  {
    id: 'drill-up',
    applies: (m) => m.size !== undefined,
    change: (m) => (m.size ? { ...m, size: { ...m.size, mean: m.size.mean + m.size.stepMm } } : m),
    says: (letters) => phrase('The next larger drill for {letters}.', { letters }),
  },
  {
    id: 'guide',
    applies: (m) => m.tap !== undefined && m.tap.leanMean > GUIDED.mean,
    change: (m) => (m.tap ? { ...m, tap: { ...m.tap, leanMean: GUIDED.mean, leanSigma: GUIDED.sigma } } : m),
    says: (letters) => phrase('Guide the tap of {letters} by a spring centre or a block.', { letters }),
  },
  {
    id: 'new-tap',
    applies: (m) => m.tap !== undefined,
    change: (m) => (m.tap ? { ...m, tap: { ...m.tap, wear: 0 } } : m),
    says: (letters) => phrase('A new tap for {letters}, and another before it dulls.', { letters }),
  },
];

const badShare = ({ badParts, parts }: Rehearsed): number => (100 * badParts) / Math.max(1, parts);

/** Under this nothing is worth a change, bad parts in a hundred. */
const WORTH = 0.2;

/** What would help, the most first: each change rehearsed over the same jobs with the same luck. */
export function proposalsFor(models: readonly HoleModel[], rehearsing: Rehearsing, jobs: number): Proposal[] {
  const outcome = (changed: readonly HoleModel[]): number => {
    const run = rehearsal(changed, rehearsing);
    run.go(jobs);
    return badShare(run.now());
  };
  const before = outcome(models);
  return CHANGES.flatMap(({ id, applies, change, says }): Proposal[] => {
    const those = models.filter(applies);
    if (those.length === 0) return [];
    // Each kind of hole by itself: what helps one may spoil another.
    return those.flatMap((one): Proposal[] => {
      const after = outcome(models.map((m) => (m === one ? change(m) : m)));
      return before - after > WORTH ? [{ id, letters: [one.letter], says: says(one.letter), before, after }] : [];
    });
  }).sort((a, b) => a.after - b.after);
}
