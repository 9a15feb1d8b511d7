import { answer, caution, depth, mm, phrase, quantity, type Answer, type Caution, type Phrase } from '../answer/answer';
import { lowestRpm } from '../cutting/machine';
import { toolsOf, type ToolUse } from '../shop/tool';
import type { OutsideKind } from '../threads/callout';
import type { Thread } from '../threads/thread';
import type { Context } from './context';
import { CHECKS, gaugingSeconds } from './hand-times';
import { handStep, type Step } from './step';

/** A thread on a rod, with its figures. Lengths in mm. */
export interface OutsideThread {
  thread: Thread;
  kind: OutsideKind;
  leftHand: boolean;
  lengthMm: number;
  /** Diameter of the blank before the die. */
  blank: Answer;
  /** Diameter to which the end is chamfered. */
  chamfer: Answer;
  turns: Answer;
  die: ToolUse;
  /** A long thread is finished with it. */
  chaser?: ToolUse;
  /** Speed of the lathe; undefined where the die is turned by hand. */
  rpm?: number;
}

interface Asked {
  thread: Thread;
  kind: OutsideKind;
  leftHand: boolean;
  lengthMm: number;
}

/** Dies under this size are turned by hand, mm. Trade rule. */
const BY_HAND_UNDER_MM = 6;
/** Fastest that a lathe may turn under a die, rev/min. Trade rule. */
const FASTEST_RPM = 30;
/** A thread longer than this is finished with a chasing nut, in diameters. Our judgement. */
const LONG_D = 2.5;
/** Threads of a trial, on which the die is set. Trade rule. */
const TRIAL = { least: 3, most: 5 } as const;
/** Threads that a die spends on its own lead. */
const LEAD_THREADS = 3;

const blankOf = ({ majorMm, pitchMm }: Thread): Answer =>
  answer(majorMm - 0.1 * pitchMm, 'mm', {
    rule: 'Blank for a die',
    formula: 'major − 0.1 × pitch',
    inputs: [
      ['major diameter', mm(majorMm)],
      ['pitch', mm(pitchMm)],
    ],
    source: { kind: 'trade rule', name: 'a shade under nominal, so that the die does not tear' },
  });

const chamferOf = ({ majorMm, pitchMm }: Thread): Answer =>
  answer(majorMm - 1.2269 * pitchMm - 0.2, 'mm', {
    rule: 'Chamfer of the end',
    formula: 'major − 1.2269 × pitch − 0.2',
    inputs: [
      ['major diameter', mm(majorMm)],
      ['pitch', mm(pitchMm)],
    ],
    source: { kind: 'trade rule', name: '45°, to under the minor diameter' },
  });

/** What an outside thread is cut with in this shop, and its figures. */
export function outsideThread({ thread, kind, leftHand, lengthMm }: Asked, { asked, shop }: Context): OutsideThread {
  const own = (tool: 'die' | 'chasing-nut') => toolsOf(shop.tools, tool).find((t) => t.thread === thread.designation);
  const toolFor = (tool: 'die' | 'chasing-nut', name: string): ToolUse => {
    const found = own(tool);
    return found
      ? { name: found.name, owned: true, tool: found }
      : { name: `${name} ${thread.designation}${leftHand ? ' LH' : ''}`, owned: shop.tools === undefined };
  };
  const { machine } = asked;
  const lathe = machine?.kind === 'lathe' && thread.majorMm >= BY_HAND_UNDER_MM ? lowestRpm(machine) : undefined;
  return {
    thread,
    kind,
    leftHand,
    lengthMm,
    blank: blankOf(thread),
    chamfer: chamferOf(thread),
    turns: answer(lengthMm / thread.pitchMm + LEAD_THREADS, 'turns', {
      rule: 'Turns of the die',
      formula: 'length ÷ pitch + lead of the die',
      inputs: [
        ['length', mm(lengthMm)],
        ['pitch', mm(thread.pitchMm)],
        ['lead of the die', quantity(LEAD_THREADS, 'count')],
      ],
      source: { kind: 'trade rule', name: 'count the turns' },
    }),
    die: toolFor('die', 'die'),
    ...(lengthMm > LONG_D * thread.majorMm ? { chaser: toolFor('chasing-nut', 'chasing nut') } : {}),
    ...(lathe !== undefined && lathe <= FASTEST_RPM * 1.5 ? { rpm: lathe } : {}),
  };
}

const lacking = (tool: ToolUse): Caution[] =>
  tool.owned ? [] : [caution('note', 'die-to-buy', 'Not in the crib: {tool}. To buy.', { tool: tool.name })];

const work = (
  key: string,
  order: Phrase,
  seconds: number,
  purpose: string,
  details: Phrase[] = [],
  cautions: Caution[] = [],
  tool?: ToolUse,
) => handStep({ key, kind: 'note', order, seconds, purpose, details, cautions, ...(tool ? { tool } : {}) });

function squareBy({ asked }: Context, { rpm }: OutsideThread): Phrase {
  if (asked.machine?.kind !== 'lathe')
    return phrase('Start it square with a die guide, or look from two sides and check with a square.');
  return rpm === undefined
    ? phrase('Press the stock flat against the tailstock barrel, turn the chuck by hand.')
    : phrase('Press the stock flat against the tailstock barrel, {rpm} at most; let it draw itself on.', {
        rpm: quantity(rpm, 'rpm'),
      });
}

/** The operations of a thread on a rod: to length, blank, chamfer, a trial with the die open, closed until it fits, cut to length, chased where long. */
export function outsideSteps(o: OutsideThread, ctx: Context, count: number): Step[] {
  const { thread, lengthMm, blank, chamfer, turns, die, chaser, kind, leftHand } = o;
  const turned = ctx.asked.machine?.kind === 'lathe';
  const hand = leftHand ? [phrase('Left-hand thread: a left-hand die, turned anticlockwise.')] : [];
  const fluid = phrase('Fluid: {fluid}.', { fluid: ctx.asked.dry ? 'dry, as asked' : ctx.asked.material.lubricant });
  const secondsATurn = 1.5 + thread.majorMm / 8;
  return [
    work(
      'cut-rod',
      phrase('Saw the rod {over} over length and face both ends.', { over: depth(2) }),
      120,
      'saw and face',
      [phrase('Each piece costs its length, the saw kerf and the facing.')],
    ),
    work(
      'blank',
      turned
        ? phrase('Turn the end to {blank} over {length}.', {
            blank: mm(blank.value),
            length: depth(lengthMm + 2 * thread.pitchMm),
          })
        : phrase('Use rod of {blank}, a shade under {major}.', { blank: mm(blank.value), major: mm(thread.majorMm) }),
      turned ? 90 : 10,
      'turn the blank',
    ),
    work(
      'end-chamfer',
      phrase('Chamfer the end 45° to {chamfer}, so that the die finds its start.', { chamfer: mm(chamfer.value) }),
      20,
      'chamfer',
    ),
    work(
      'die-open',
      phrase('Open the die and cut a trial of {least} to {most} threads, then back it off and look.', TRIAL),
      TRIAL.most * secondsATurn + 60,
      'cut a trial',
      [
        ...hand,
        squareBy(ctx, o),
        phrase('Square, clean, even all round? If it leans, saw it off and start again: it only gets worse.'),
        fluid,
      ],
      lacking(die),
      die,
    ),
    work(
      'die-close',
      kind === 'stud'
        ? phrase(
            'Close the die little by little, and stop while the trial still binds in its tapped hole: this end stays in.',
          )
        : phrase('Close the die little by little until the trial runs in its tapped hole without shake.'),
      2 * TRIAL.most * secondsATurn + 30,
      'close and fit',
      [
        phrase('A sixth of a turn of the adjusting screw at a time; try it in the hole after each.'),
        phrase('The tapped hole is cut first: it sets the standard.'),
      ],
      [],
      die,
    ),
    work(
      'die-run',
      phrase('Cut on to {length}: {turns} in all.', { length: depth(lengthMm), turns: quantity(turns.value, 'turns') }),
      turns.value * secondsATurn,
      'cut to length',
      [...hand, phrase('A half turn on, a quarter back; clear the chips and oil.'), fluid],
      [],
      die,
    ),
    ...(chaser
      ? [
          work(
            'chase-rod',
            phrase('Finish the long thread with {nut}: no more than {least} to {most} at a time.', {
              nut: chaser.name,
              least: mm(0.1),
              most: mm(0.25),
            }),
            turns.value * secondsATurn,
            'chase',
            [phrase('It follows the thread and makes it true; it never cuts into bare stock.')],
            lacking(chaser),
            chaser,
          ),
        ]
      : []),
    handStep({
      key: 'check',
      kind: 'check',
      order: phrase(
        'Clean, then try it in the tapped hole, or with a ring gauge: go over the whole length, not-go at most two turns.',
      ),
      details: count > 1 ? [phrase('The first of {count} sets the die: measure it before the rest.', { count })] : [],
      seconds: gaugingSeconds(CHECKS.taper),
      purpose: 'check',
    }),
  ];
}
