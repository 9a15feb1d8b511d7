import { mm, phrase, turnsRead } from '../answer/answer';
import { checksOf } from '../gauging/checks-of';
import { ownSpread, signalsOf, type SignalKind } from '../learning/signals';
import { KINDS } from '../operation/kinds';
import type { OperationCode } from '../operation/operation';
import { writeCallout } from '../threads/write-callout';
import type { Chance } from './chance';
import { text, type Choice, type Made } from './exercise';
import { someHole, type PracticeSource } from './some-hole';

/** Kinds of step whose order is fixed in every hole. */
const FIXED: readonly OperationCode[] = ['lay-out', 'start', 'drill', 'ream', 'tap', 'check'];
const AFTER: Partial<Record<OperationCode, string>> = {
  start: 'A drill follows what it meets first: it needs a start on the mark.',
  drill: 'The drill starts in the mark, and everything after stands in its hole.',
  ream: 'A reamer needs its hole, and its size has to be there before anything else uses it.',
  tap: 'The tap needs the hole in its class, chamfered and clean.',
  check: 'Gauged last: all that went before shows in it.',
};

/** What comes next, of what is left to do. */
export function orderExercise(source: PracticeSource, chance: Chance): Made | undefined {
  const plan = someHole(source, chance, { machines: ['drill-press'], fits: (p) => p.operations.length >= 6 });
  if (!plan) return undefined;
  const codes = plan.operations.map((o) => o.code).filter((c, i, all) => FIXED.includes(c) && all.indexOf(c) === i);
  if (codes.length < 4) return undefined;
  const done = chance.whole(0, codes.length - 3);
  const left = codes.slice(done);
  const [next] = left;
  const verb = (code: OperationCode): string => KINDS[code].verb;
  return {
    ask:
      done === 0
        ? phrase('What comes first?')
        : phrase('Done: {done}. What comes next?', { done: codes.slice(0, done).map(verb).join(', ') }),
    facts: [{ label: 'Hole', value: text(writeCallout(plan.callout)) }],
    asked: {
      by: 'choice',
      choices: chance.shuffled(left).map((code): Choice => ({
        id: code,
        says: text(verb(code)),
        why: text(
          code === next
            ? (AFTER[code] ?? 'Everything is measured from the lines, so they come first.')
            : `Too soon: ${verb(next).toLowerCase()} comes before it.`,
        ),
      })),
      best: [next],
    },
    hints: [phrase('What does the next tool need to find?')],
    mistake: 'order',
    reason: 'order',
  };
}

/** A gauge reading: good, not good, or not a reading at all. */
export function gaugeExercise(source: PracticeSource, chance: Chance): Made | undefined {
  const plan = someHole(source, chance, { fits: (p) => p.thread?.limits !== undefined && p.thread.kind === 'cut' });
  if (!plan?.thread?.limits) return undefined;
  const notGoTurns = Number(source.shop.habits.notGoTurns);
  const checks = checksOf(plan, { notGoTurns });
  const kind = chance.pick(['go', 'not-go', 'minor'] as const);
  const check = checks.find((c) => c.kind === kind);
  if (!check) return undefined;
  const { at, thread, limits } = plan.thread;
  const full = at.lengthMm / thread.pitchMm;
  const room = limits.minorMaxMm - limits.minorMinMm;
  const read =
    kind === 'go'
      ? { turns: chance.pick([Math.ceil(full * 10) / 10, Math.max(0.5, Math.round(full * 5) / 10)]) }
      : kind === 'not-go'
        ? { turns: chance.pick([0, 0.5, 1, notGoTurns + 1, notGoTurns + 2.5]) }
        : (() => {
            const at = Math.round((limits.minorMinMm + room * (chance.even() * 2 - 0.5)) * 100) / 100;
            return { in: at, out: Math.round((at + 0.01) * 100) / 100 };
          })();
  const verdict = check.judge(read);
  if (verdict.state === 'open') return undefined;
  const isDirty = chance.even() < 0.3;
  const said =
    'turns' in read
      ? phrase('{title}: enters {turns}', { title: check.title, turns: turnsRead(read.turns) })
      : phrase('{in} enters, {out} does not', { in: mm(read.in), out: mm(read.out) });
  const dirty = phrase('Chips were left in the hole: that is no reading. Clean it, then gauge again.');
  const why = isDirty ? dirty : verdict.reason;
  return {
    ask: phrase('What do you say of this hole?'),
    facts: [
      { label: 'Hole', value: text(writeCallout(plan.callout)) },
      { label: 'Read', value: said },
      { label: 'Held to', value: check.limits },
      { label: 'The hole', value: text(isDirty ? 'as it came from the tap' : 'brushed out and wiped') },
    ],
    asked: {
      by: 'choice',
      choices: [
        { id: 'good', says: phrase('Good'), why },
        { id: 'bad', says: phrase('Not good'), why },
        {
          id: 'clean',
          says: phrase('Clean it and gauge again'),
          why: isDirty ? dirty : phrase('It is clean already: what was read counts.'),
        },
      ],
      best: [isDirty ? 'clean' : verdict.state],
    },
    hints: [phrase('Is it a reading at all? Then against the limit.')],
    mistake: isDirty ? 'chips' : 'drawing',
    reason: 'class',
  };
}

const SAFE = [
  'eye protection on',
  'sleeves rolled up',
  'key hung up',
  'belt cover closed',
  'part clamped against the column',
  'brush beside the table',
  'hair tied back',
] as const;
const UNSAFE: readonly (readonly [seen: string, why: string])[] = [
  ['the key in the chuck', 'It flies out when the spindle starts.'],
  ['a glove on the feed hand', 'A glove is caught and takes the hand with it.'],
  ['the part held by hand', 'It swings like a blade when the drill breaks through.'],
  ['a long sleeve over the wrist', 'Cloth winds up on the spindle faster than one can let go.'],
  ['a rag beside the spindle', 'A rag is caught and pulls the hand in: chips are brushed.'],
  ['the part on a tall stack of blocks, unclamped', 'It tips when the drill grabs.'],
  ['a necklace that hangs free', 'It is caught before one feels it.'],
  ['eyes uncovered', 'Chips fly as soon as it cuts.'],
  ['the belt cover open', 'Belts are changed with the power off, and covered before it is on.'],
];

/** Is it safe to start? */
export function safeExercise(_: PracticeSource, chance: Chance): Made {
  const bad = chance.even() < 0.75 ? chance.pick(UNSAFE) : undefined;
  const seen = chance.shuffled([...chance.shuffled(SAFE).slice(0, bad ? 4 : 5), ...(bad ? [bad[0]] : [])]);
  return {
    ask: phrase('The drill is over the mark. What do you do?'),
    facts: [],
    asked: {
      by: 'choice',
      choices: [
        {
          id: 'start',
          says: phrase('Start'),
          why: text(bad ? `Not yet: ${bad[0]}. ${bad[1]}` : 'Nothing is in the way of it.'),
        },
        ...seen.map((s): Choice => ({
          id: s,
          says: phrase('Put this right first: {seen}', { seen: s }),
          why: text(
            s === bad?.[0]
              ? bad[1]
              : bad
                ? `That is as it should be. What is wrong: ${bad[0]}.`
                : 'That is as it should be: it is safe to start.',
          ),
        })),
      ],
      best: [bad ? bad[0] : 'start'],
    },
    hints: [phrase('Look at the chuck, the hands, the part, the belt.')],
    mistake: 'unsafe',
    reason: 'grab',
    scene: { kind: 'bench', seen },
  };
}

const HAPPENED: Record<SignalKind | 'nothing', string> = {
  nothing: 'Nothing: it scatters as it did',
  outside: 'One reading is wrong, or one hole is',
  side: 'Something changed and stayed changed',
  trend: 'Something wears or drifts',
  'near-limit': 'It nears its own limit',
};
const POINTS = 20;

/** A run chart: what has happened? */
export function runChartExercise(_: PracticeSource, chance: Chance): Made | undefined {
  const what = chance.pick(['nothing', 'outside', 'side', 'trend'] as const);
  const noise = (): number => (chance.even() + chance.even() + chance.even() - 1.5) * 0.022;
  const at = chance.whole(8, 11);
  const values = Array.from({ length: POINTS }, (_n, i) => {
    const shift = what === 'side' && i >= at ? 0.035 : what === 'trend' && i >= at ? 0.011 * (i - at) : 0;
    return 5.07 + noise() * (what === 'trend' && i >= at ? 0.25 : 1) + shift;
  });
  if (what === 'outside') values[at] += chance.pick([-1, 1]) * 0.12;
  const { centre, sigma } = ownSpread(values.slice(0, at));
  const kinds = new Set(signalsOf(values, centre, sigma).map((s) => s.kind));
  const found: SignalKind | 'nothing' = kinds.has('trend')
    ? 'trend'
    : kinds.has('side')
      ? 'side'
      : kinds.has('outside')
        ? 'outside'
        : 'nothing';
  const alone =
    what === 'outside'
      ? !kinds.has('side') && !kinds.has('trend')
      : what === 'nothing'
        ? kinds.size === 0
        : what === 'side'
          ? !kinds.has('trend')
          : true;
  if (found !== what || !alone) return undefined;
  const why: Record<typeof what, string> = {
    nothing: 'Up and down about one middle, none far out: leave it alone.',
    outside: 'One point far from all others: gauge that hole again before changing anything.',
    side: 'From one hole on all lie on one side: a new drill, a sharpening, another bar. Find what changed there.',
    trend:
      'One after another goes the same way: a tool wears, or something comes loose. Act before it reaches the limit.',
  };
  return {
    ask: phrase('Pins of {n} holes in their order. What has happened?', { n: String(POINTS) }),
    facts: [{ label: 'Class', value: phrase('{from} to {to}', { from: mm(4.97), to: mm(5.2) }) }],
    asked: {
      by: 'choice',
      choices: (['nothing', 'outside', 'side', 'trend'] as const).map((k): Choice => ({
        id: k,
        says: text(HAPPENED[k]),
        why: text(why[what]),
      })),
      best: [what],
    },
    hints: [phrase('Look for one far out, nine on one side, six in a row going up or down.')],
    mistake: 'signals',
    reason: 'predicted',
    scene: { kind: 'run', values: values.map((v) => Math.round(v * 1000) / 1000), from: 4.97, to: 5.2 },
  };
}

/** Reads a callout: what does the drawing ask for? */
export function calloutExercise(_: PracticeSource, chance: Chance): Made {
  const [name, pitch] = chance.pick([
    ['M5', 0.8],
    ['M6', 1],
    ['M8', 1.25],
    ['M10', 1.5],
    ['M12', 1.75],
  ] as const);
  const count = chance.whole(2, 8);
  const deep = chance.whole(8, 24);
  const drilled = deep + chance.whole(3, 8);
  const ways = [
    {
      callout: `${count}x ${name} x ${deep} DEEP`,
      is: `${count} holes, full thread at least ${deep} mm deep, pitch ${pitch} mm`,
    },
    {
      callout: `${count}x ${name}-6H THRU`,
      is: `${count} holes threaded all the way through, class 6H, pitch ${pitch} mm`,
    },
    {
      callout: `${count}x ${name} LH x ${deep} DEEP`,
      is: `${count} left-hand threads, full thread at least ${deep} mm deep`,
    },
  ];
  const right = chance.pick(ways);
  const wrong = [
    ...ways.filter((w) => w !== right).map((w) => w.is),
    `${count} holes drilled ${deep} mm deep to the tip of the drill, then tapped`,
    `${deep} holes of ${name}, ${count} mm deep`,
    `${count} holes, clearance for an ${name} screw, ${drilled} mm deep`,
  ];
  const why = phrase('{callout}: {is}. The depth of a thread is of full threads; drill tip and chamfer come on top.', {
    callout: right.callout,
    is: right.is,
  });
  return {
    ask: phrase('The drawing says {callout}. What does it ask for?', { callout: right.callout }),
    facts: [],
    asked: {
      by: 'choice',
      choices: chance.shuffled([
        { id: right.is, says: text(right.is), why },
        ...chance
          .shuffled(wrong)
          .slice(0, 3)
          .map((w): Choice => ({ id: w, says: text(w), why })),
      ]),
      best: [right.is],
    },
    hints: [phrase('Count, thread, class, depth: in that order.')],
    mistake: 'drawing',
    reason: 'room',
  };
}
