import { depth, mm, percent, phrase, quantity, turnsRead } from '../answer/answer';
import { drillName } from '../drills/drill';
import type { HolePlan } from '../hole/hole-plan';
import type { TapDrillCandidate } from '../tap-drill/tap-drill-candidate';
import { formingVerdict } from '../tap-drill/forming';
import { GEOMETRY_LABEL } from '../tapping/tap';
import { causesOf, signsAt, SIGNS, type SignFelt } from '../tapping/trouble';
import { writeCallout } from '../threads/write-callout';
import type { Chance } from './chance';
import { type Choice, type Made } from './exercise';
import { someHole, type PracticeSource } from './some-hole';

const aboutHole = ({ callout, material, machine }: HolePlan): Made['facts'] => [
  { label: 'Hole', value: phrase('{text}', { text: writeCallout(callout) }) },
  { label: 'Material', value: phrase('{text}', { text: material.label }) },
  ...(machine ? [{ label: 'Machine', value: phrase('{text}', { text: machine.name }) }] : []),
];

/** Drills that are offered on each side of the right one. */
const BESIDE = 2;

function drillChoice(c: TapDrillCandidate, best: TapDrillCandidate, plan: HolePlan): Choice {
  const limits = plan.thread?.limits;
  const values = { hole: mm(c.holeMm), percent: percent(c.percentOnHole ?? 0), drill: drillName(c.drill) };
  const why =
    c === best
      ? 'Comes out at about {hole}: in the class, {percent} of thread, nearest to what this metal asks for.'
      : c.verdict === 'outside'
        ? c.holeMm > (limits?.minorMaxMm ?? Infinity)
          ? 'Comes out at about {hole}: over the class, so the crests are cut away.'
          : 'Comes out at about {hole}: under the class, so the tap binds.'
        : c.holeMm > best.holeMm
          ? 'Comes out at about {hole}, {percent} of thread: the class takes it, but a tighter drill suits this metal better.'
          : 'Comes out at about {hole}, {percent} of thread: the class takes it, but the tap works harder than it needs to.';
  return { id: drillName(c.drill), says: phrase('{drill}', values), why: phrase(why, values) };
}

/** The drill from the index as it stands: what the hole comes to, not what the shank says. */
export function tapDrillExercise(source: PracticeSource, chance: Chance): Made | undefined {
  const plan = someHole(source, chance, {
    machines: ['drill-press', 'mill'],
    form: { drills: 'crib', tap: 'cut', drill: '', taps: '' },
    fits: (p) => p.thread?.kind === 'cut' && p.thread.limits !== undefined && p.thread.tapDrill.because === 'chosen',
  });
  if (!plan?.thread?.limits) return undefined;
  const { tapDrill, limits, thread } = plan.thread;
  const owned = tapDrill.candidates.filter((c) => c.owned);
  const at = owned.findIndex((c) => c.drill.label === tapDrill.used.drill.label);
  const best = owned[at];
  if (!best) return undefined;
  const choices = owned.slice(Math.max(0, at - BESIDE), at + BESIDE + 1);
  if (choices.length < 3) return undefined;
  return {
    ask: phrase('Which drill from the index?'),
    facts: [
      ...aboutHole(plan),
      {
        label: 'Class',
        value: phrase('{name}: {min} to {max}', {
          name: limits.className,
          min: mm(limits.minorMinMm),
          max: mm(limits.minorMaxMm),
        }),
      },
      { label: 'Percent aimed at', value: percent(tapDrill.target.value) },
      { label: 'A drill here cuts larger by about', value: mm(best.holeMm - best.drill.diameterMm) },
    ],
    asked: { by: 'choice', choices: choices.map((c) => drillChoice(c, best, plan)), best: [drillName(best.drill)] },
    hints: [
      phrase('The hole is the drill and what it cuts larger.'),
      phrase('100 % of {thread} is a hole of {full}; each percent less is {step} more.', {
        thread: thread.designation,
        full: mm(thread.majorMm - 1.299 * thread.pitchMm),
        step: mm(0.01299 * thread.pitchMm),
      }),
    ],
    mistake: 'nominal',
    reason: 'predicted',
  };
}

/** Cut or formed, by metal, drive and count. */
export function cutOrFormExercise(source: PracticeSource, chance: Chance): Made | undefined {
  const parts = chance.pick([1, 24, 60]);
  const plan = someHole(source, chance, {
    form: { parts: String(parts), tap: 'auto', taps: '', drill: '' },
    fits: (p) => p.thread !== undefined && p.thread.limits !== undefined,
  });
  if (!plan?.thread) return undefined;
  const { thread } = plan.thread;
  const verdict = formingVerdict(thread, plan.material);
  const isHandHeld = plan.machine?.kind === 'hand-drill';
  const enough = parts >= 10;
  const forms = verdict.allowed && verdict.level === 'good' && !isHandHeld && enough;
  // With care, or for a few, either may be chosen: no exercise.
  if (verdict.allowed && !forms && !isHandHeld) return undefined;
  const why = !verdict.allowed
    ? verdict.reason
    : isHandHeld
      ? phrase('A forming tap needs a steady drive: never a hand drill.')
      : phrase(
          '{material} flows, the machine drives it and there are {n} holes: no chips, a stronger tap, and longer life.',
          {
            material: plan.material.label,
            n: String(parts),
          },
        );
  return {
    ask: phrase('Cut this thread, or form it?'),
    facts: [
      ...aboutHole(plan),
      { label: 'Stretches before it breaks', value: percent(plan.material.elongationPercent) },
      { label: 'Chips', value: phrase('{text}', { text: plan.material.chips }) },
      { label: 'Parts', value: quantity(parts, 'count') },
    ],
    asked: {
      by: 'choice',
      choices: [
        { id: 'cut', says: phrase('Cut it'), why },
        { id: 'form', says: phrase('Form it'), why },
      ],
      best: [forms ? 'form' : 'cut'],
    },
    hints: [
      phrase('A formed thread is squeezed: the metal has to flow.'),
      phrase('Long chips flow; powder and short chips tear.'),
    ],
    mistake: 'brittle',
    reason: 'forming',
  };
}

/** Turns until the full thread is deep enough: the only warning before the bottom. */
export function turnsExercise(source: PracticeSource, chance: Chance): Made | undefined {
  const plan = someHole(source, chance, {
    blind: true,
    form: { tap: 'cut', taps: '' },
    fits: (p) => p.thread?.kind === 'cut' && p.thread.limits !== undefined && !p.thread.at.through,
  });
  if (!plan?.thread) return undefined;
  const { thread, at, tapping } = plan.thread;
  const { tap } = tapping.best.each[tapping.best.each.length - 1];
  const pitches = at.lengthMm / thread.pitchMm;
  const value = pitches + tap.chamferThreads;
  return {
    ask: phrase('After how many turns from the first bite is the thread deep enough?'),
    facts: [
      { label: 'Thread', value: phrase('{text}', { text: thread.designation }) },
      { label: 'Pitch', value: mm(thread.pitchMm) },
      { label: 'Full thread', value: depth(at.lengthMm) },
      { label: 'Chamfer threads of the tap', value: quantity(tap.chamferThreads, 'count') },
    ],
    asked: {
      by: 'figure',
      unit: 'turns',
      value,
      within: 0.5,
      why: phrase('{depth} is {pitches} pitches, and {chamfer} threads of chamfer go ahead: {turns}.', {
        depth: depth(at.lengthMm),
        pitches: pitches.toFixed(1),
        chamfer: String(tap.chamferThreads),
        turns: turnsRead(value),
      }),
      slips:
        tap.chamferThreads > 1
          ? [
              {
                value: pitches,
                says: phrase('That is the thread alone: the chamfer of {n} threads goes ahead of it.', {
                  n: String(tap.chamferThreads),
                }),
              },
            ]
          : [],
    },
    hints: [phrase('One turn is one pitch deeper.'), phrase('Depth ÷ pitch, and the threads of the chamfer.')],
    mistake: 'bottomed',
    reason: 'turns',
  };
}

/** Full threads that fit into a hole that is there. */
export function threadsThatFit(_: PracticeSource, chance: Chance): Made {
  const [name, pitch] = chance.pick([
    ['M4', 0.7],
    ['M5', 0.8],
    ['M6', 1],
    ['M8', 1.25],
    ['M10', 1.5],
  ] as const);
  const chamfer = chance.pick([1.5, 2, 4]);
  const room = pitch;
  const count = chance.whole(3, 12);
  // Room for so many and a part of one more.
  const deep = Math.round((count + chamfer + 0.2 + 0.6 * chance.even()) * pitch * 10 + room * 10) / 10;
  const value = Math.floor((deep - room) / pitch - chamfer + 1e-9);
  return {
    ask: phrase('How many full threads fit?'),
    facts: [
      { label: 'Thread', value: phrase('{name} x {pitch}', { name, pitch: mm(pitch) }) },
      { label: 'Depth of the hole at full diameter', value: depth(deep) },
      { label: 'Chamfer threads of the tap', value: quantity(chamfer, 'count') },
      { label: 'Left for chips', value: mm(room) },
    ],
    asked: {
      by: 'figure',
      unit: 'threads',
      value,
      within: 0,
      why: phrase('{deep} less {room} for chips is {pitches} pitches; the chamfer takes {chamfer}: {n} whole ones.', {
        deep: depth(deep),
        room: mm(room),
        pitches: ((deep - room) / pitch).toFixed(1),
        chamfer: String(chamfer),
        n: String(value),
      }),
      slips: [
        {
          value: Math.floor(deep / pitch + 1e-9),
          says: phrase('That fills the hole to its bottom: the chamfer cuts no full thread, and chips need room.'),
        },
      ],
    },
    hints: [
      phrase('The chamfer goes ahead and cuts no full thread.'),
      phrase('(Depth less room) ÷ pitch, less the chamfer.'),
    ],
    mistake: 'bottomed',
    reason: 'room',
  };
}

/** What is felt, and what it most likely is on these figures. */
export function feltExercise(source: PracticeSource, chance: Chance): Made | undefined {
  const plan = someHole(source, chance, {
    fits: (p) => p.thread?.tapping.best.worst.load !== undefined && p.thread.limits !== undefined,
  });
  if (!plan?.thread) return undefined;
  const { tapping, kind, at, thread, tapDrill } = plan.thread;
  const about = { way: tapping.best, kind, dry: plan.dry, through: at.through };
  const felt = signsAt(about).filter((s): s is SignFelt => s !== 'broken');
  const sign = chance.pick(felt);
  const causes = causesOf(sign, about);
  if (causes.length < 2) return undefined;
  const most = Math.max(...causes.map((c) => c.weight));
  return {
    ask: phrase('{sign}. What is it most likely here?', { sign: SIGNS[sign] }),
    facts: [
      ...aboutHole(plan),
      { label: 'Tap', value: phrase('{text}', { text: GEOMETRY_LABEL[tapping.best.worst.tap.geometry] }) },
      { label: 'Predicted hole', value: mm(tapDrill.used.holeMm) },
      { label: 'Depth', value: phrase('{d} diameters', { d: (at.lengthMm / thread.majorMm).toFixed(1) }) },
      { label: 'Fluid', value: phrase('{text}', { text: plan.dry ? 'none' : plan.material.lubricant }) },
    ],
    asked: {
      by: 'choice',
      choices: chance.shuffled(causes.slice(0, 4)).map((c) => ({ id: c.id, says: c.cause, why: c.remedy })),
      best: causes
        .slice(0, 4)
        .filter((c) => c.weight > most - 0.05)
        .map((c) => c.id),
    },
    hints: [causes[0].ask],
    mistake: 'went-on',
    reason: 'torque',
  };
}
