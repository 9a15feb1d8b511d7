import { composed, phrase, type Phrase } from '../answer/answer';
import { USUAL_PART, type Part } from '../layout/part';
import { stageOf, type Progress, type Stage, type WayView } from './stage';

/** What is known of a job for the way through it. */
export interface WayKnown extends Progress {
  part: Part;
  /** Kinds of holes. */
  kinds: number;
  /** Records of the job. */
  records: number;
}

/** Nothing yet; something; done; somebody has to decide. */
export type StopState = 'empty' | 'open' | 'done' | 'waits';

/** One view on the way through a job. */
export interface WayStop {
  view: WayView;
  name: string;
  state: StopState;
  /** What there is, in a few words. */
  said: Phrase;
  /** Share done, 0 to 1, where it is counted. */
  share?: number;
}

export interface Way {
  stops: WayStop[];
  next: Pick<Stage, 'next' | 'label' | 'view' | 'tab'>;
}

const mm0 = (value: number) => ({ value, unit: 'mm' as const, places: value % 1 === 0 ? 0 : 1 });

/** The stock of a part in its sizes: 180 × 180 × 16. */
export function partSaid({ stock }: Part): Phrase {
  switch (stock.shape) {
    case 'plate':
      return phrase('{w} × {h} × {t}', {
        w: mm0(stock.widthMm),
        h: mm0(stock.heightMm),
        t: mm0(stock.thicknessMm),
      });
    case 'disc':
      return phrase('ø{d} × {t}', { d: mm0(stock.diameterMm), t: mm0(stock.thicknessMm) });
    case 'bar':
    case 'tube':
      return phrase('ø{d} × {l}', { d: mm0(stock.diameterMm), l: mm0(stock.lengthMm) });
  }
}

const isAssumed = ({ stock }: Part): boolean => JSON.stringify(stock) === JSON.stringify(USUAL_PART.stock);

function partStop({ part, holes }: WayKnown): Omit<WayStop, 'view' | 'name'> {
  if (!isAssumed(part)) return { state: 'done', said: partSaid(part) };
  return holes === 0
    ? { state: 'empty', said: phrase('no stock yet') }
    : { state: 'open', said: composed(`${partSaid(part).text}, assumed`, partSaid(part).values) };
}

function layoutStop({ features, unplaced, holes, punched }: WayKnown): Omit<WayStop, 'view' | 'name'> {
  if (features === 0) return { state: 'empty', said: phrase('nothing placed') };
  if (unplaced > 0)
    return {
      state: unplaced === features ? 'empty' : 'open',
      said: phrase('{placed} of {features} placed', { placed: features - unplaced, features }),
    };
  if (punched > 0 && punched < holes)
    return { state: 'open', said: phrase('{punched} of {holes} punched', { punched, holes }), share: punched / holes };
  return { state: 'done', said: holes === 1 ? phrase('1 place') : phrase('{holes} places', { holes }) };
}

function holesStop({ kinds, holes, impossible }: WayKnown): Omit<WayStop, 'view' | 'name'> {
  if (holes === 0) return { state: 'empty', said: phrase('none yet') };
  if (impossible > 0) return { state: 'waits', said: phrase('{impossible} can’t be made', { impossible }) };
  return {
    state: 'done',
    said: phrase(`${kinds === 1 ? '1 kind' : '{kinds} kinds'}, ${holes === 1 ? '1 hole' : '{holes} holes'}`, {
      kinds,
      holes,
    }),
  };
}

function routeStop({ issued, holes }: WayKnown): Omit<WayStop, 'view' | 'name'> {
  if (!issued) return { state: holes === 0 ? 'empty' : 'open', said: phrase('not issued') };
  return issued.current
    ? { state: 'done', said: phrase('issued {number}', { number: issued.number }) }
    : { state: 'open', said: phrase('changed since {number}', { number: issued.number }) };
}

function benchStop({ issued, bench }: WayKnown): Omit<WayStop, 'view' | 'name'> {
  if (!issued) return { state: 'empty', said: phrase('needs a route') };
  if (!bench || bench.done === 0) return { state: 'open', said: phrase('not begun'), share: 0 };
  const { done, steps } = bench;
  return {
    state: done >= steps ? 'done' : 'open',
    said: phrase('{done} of {steps} steps', { done, steps }),
    share: done / Math.max(1, steps),
  };
}

function checkStop({ bench, issued }: WayKnown): Omit<WayStop, 'view' | 'name'> {
  if (bench && bench.waiting > 0)
    return { state: 'waits', said: bench.waiting === 1 ? phrase('1 waits') : phrase('{n} wait', { n: bench.waiting }) };
  if (!issued) return { state: 'empty', said: phrase('needs a route') };
  if (bench?.ungauged) return { state: 'open', said: phrase('{n} not gauged', { n: bench.ungauged }) };
  return bench && bench.done >= bench.steps
    ? { state: 'done', said: phrase('nothing waits') }
    : { state: 'open', said: phrase('nothing waits') };
}

/** The way through a job: every view with how far it is, and the one thing to do next. */
export function wayOf(known: WayKnown): Way {
  const { records, holes, issued } = known;
  const stops: [WayView, string, Omit<WayStop, 'view' | 'name'>][] = [
    ['part', 'Part', partStop(known)],
    ['plate', 'Lay out', layoutStop(known)],
    ['holes', 'Holes', holesStop(known)],
    ['route', 'Route', routeStop(known)],
    ['bench', 'Bench', benchStop(known)],
    ['check', 'Check', checkStop(known)],
    [
      'papers',
      'Papers',
      {
        state: holes === 0 ? 'empty' : 'open',
        said: issued ? phrase('card, traveller, sheet') : phrase('card'),
      },
    ],
    [
      'log',
      'Log',
      records === 0
        ? { state: 'empty', said: phrase('no records') }
        : { state: 'open', said: records === 1 ? phrase('1 record') : phrase('{records} records', { records }) },
    ],
  ];
  const { next, label, view, tab } = stageOf(known);
  return { stops: stops.map(([view, name, stop]) => ({ view, name, ...stop })), next: { next, label, view, tab } };
}
