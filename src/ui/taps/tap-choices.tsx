'use client';

import { useState } from 'react';
import { depth } from '@/core/answer/answer';
import { drillName } from '@/core/drills/drill';
import type { AskForm } from '@/core/hole/form';
import type { HolePlan, ThreadPart } from '@/core/hole/hole-plan';
import { forAndAgainst } from '@/core/tapping/for-and-against';
import { ROOM_LABEL } from '@/core/tapping/room-below';
import { turnStrip } from '@/core/tapping/turn-strip';
import type { OwnTap } from '@/core/tapping/own-tap';
import { substitutesFor } from '@/core/tapping/substitutes';
import type { TappingWay } from '@/core/tapping/ways-of-tapping';
import { isTapered } from '@/core/threads/thread';
import { show, showText, tell, turnsText, type Display } from '@/core/units/show';
import { Working } from '../working';
import { LEVEL } from './levels';
import { SpeedsLeft, TurnStrip } from './turn-strip';

const LEVEL_CLASS = {
  calm: 'text-pass',
  careful: 'font-bold',
  warn: 'font-bold text-danger',
  stop: 'font-bold text-danger',
};

interface Props {
  plan: HolePlan;
  display: Display;
  change: (part: Partial<AskForm>) => void;
  /** Taps of the crib, where they are known. */
  taps?: readonly OwnTap[];
}
interface PartProps extends Props {
  part: ThreadPart;
}

/** Every tap of the sequence with its load, turn by turn. */
function EachTap({ plan, part, display }: PartProps) {
  const { best } = part.tapping;
  const strips = isTapered(part.thread)
    ? []
    : best.each.map((use) => turnStrip(best, use, part.thread, plan.material, plan.machine));
  return (
    <section className="min-w-0">
      <h2 className="font-cond text-xl font-semibold">{best.label}</h2>
      <p className="text-[15px]">{tell(best.wrench, display)}</p>
      <div className="relative overflow-x-auto">
        <table className="mt-1 w-full text-right text-[15px] whitespace-nowrap">
          <thead className="label text-right">
            <tr>
              <th className="py-1 text-left">Tap</th>
              <th className="px-1.5">Takes, of what it holds</th>
              <th className="px-1.5">Safety</th>
              <th className="px-1.5">Tooth</th>
              <th className="px-1.5">Turns</th>
              <th className="px-1.5">Tip at</th>
              <th className="pl-2 text-left">Risk</th>
            </tr>
          </thead>
          <tbody>
            {best.each.map(({ tap, load, turns, tipMm }, i) => (
              <tr key={`${i} ${tap.key}`} className="border-t border-steel-200">
                <th scope="row" className="py-1 pr-3 text-left">
                  {tap.name} {tap.chamferThreads}
                  <span className="ml-1.5 text-sm font-normal text-steel-700">
                    {tap.owned ? tap.where : 'to buy'}
                    {(tap.wear ?? 1) >= 1.5 && ' worn'}
                  </span>
                </th>
                <td className="px-1.5">
                  {load ? (
                    <>
                      <Working of={load.torque} name={`torque, ${tap.name}`} display={display}>
                        {show(load.torque, display).number}
                      </Working>{' '}
                      of <Working of={load.breaking} name={`what ${tap.name} holds`} display={display} />
                    </>
                  ) : (
                    '—'
                  )}
                </td>
                <td className="px-1.5">{load ? load.safety.toFixed(1) : '—'}</td>
                <td className="px-1.5">
                  {load ? showText({ value: load.toothLoadMm, unit: 'mm', places: 3 }, display) : '—'}
                </td>
                <td className="px-1.5">
                  <Working of={turns} name={`turns, ${tap.name}`} display={display}>
                    {turnsText(turns.value)}
                  </Working>
                </td>
                <td className="px-1.5">{showText(depth(tipMm), display)}</td>
                <td className={`pl-2 text-left ${load ? LEVEL_CLASS[load.level] : ''}`}>
                  {load ? LEVEL[load.level] : 'by the gauge'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {strips.map((strip, i) => (
        <div key={best.each[i].tap.key} className="dye mt-2 px-2 py-1">
          <TurnStrip strip={strip} name={`${best.taps[i].name} ${best.taps[i].chamferThreads}`} />
        </div>
      ))}
      {strips.slice(-1).map((strip) => (
        <SpeedsLeft key="speeds" strip={strip} />
      ))}
    </section>
  );
}

function Use({ name, used, onUse }: { name: string; used: boolean; onUse: () => void }) {
  return used ? (
    <span className="rounded-sm bg-ink px-1.5 font-cond text-sm text-white">used</span>
  ) : (
    <button type="button" className="link min-h-8" aria-label={`Use: ${name}`} onClick={onUse}>
      use
    </button>
  );
}

const figures = (way: TappingWay, display: Display): string =>
  [
    way.load ? `safety ${way.load.safety.toFixed(1)}` : '',
    `leans ${way.leanDeg}°`,
    `${(way.secondsAll / 60).toFixed(1)} min for all`,
    way.clutch ? `clutch ${showText(way.clutch, display)}` : '',
  ]
    .filter(Boolean)
    .join(', ');

/** Every way of driving the taps, ranked; the others with what rules them out. */
function Ways({ part, display, change }: PartProps) {
  const { ways, best } = part.tapping;
  const [all, setAll] = useState(false);
  const out = ways.filter((w) => !w.possible);
  return (
    <section className="min-w-0">
      <h2 className="font-cond text-xl font-semibold">Ways to drive it</h2>
      <ol className="mt-1 flex flex-col">
        {ways
          .filter((w) => w.possible || all)
          .map((way, i) => (
            <li
              key={way.id}
              className={`border-t border-steel-200 py-1.5 first:border-0 ${way.possible ? '' : 'text-steel-700'}`}
            >
              <strong>
                {way.possible ? `${i + 1}. ` : '✕ '}
                {way.label}
              </strong>{' '}
              {way.possible && (
                <Use
                  name={way.label}
                  used={way.id === best.id}
                  onUse={() => change({ way: i === 0 ? 'auto' : way.id })}
                />
              )}
              {way.possible && (
                <span className="ml-2 text-sm text-steel-700">
                  {way.taps.map((t) => t.name).join(' + ')}, {figures(way, display)}
                </span>
              )}
              <p className="text-[15px]">{tell(way.reason, display)}</p>
            </li>
          ))}
      </ol>
      {out.length > 0 && (
        <button type="button" className="link min-h-8" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'Only what can be done' : `${out.length} ruled out, and by what`}
        </button>
      )}
    </section>
  );
}

/** The taps that the way chosen could drive, with for and against each. */
function Sequences({ part, display, change }: PartProps) {
  const { best } = part.tapping;
  const [all, setAll] = useState(false);
  const out = best.others.filter((o) => !o.possible).length;
  const rows = [
    { key: best.sequenceKey, way: best, possible: true },
    ...best.others.map(({ key, way, possible }) => ({ key, way, possible })),
  ];
  return (
    <section className="min-w-0">
      <h2 className="font-cond text-xl font-semibold">Taps for this way</h2>
      <ul className="mt-1">
        {rows.map(({ key, way, possible }) => {
          if (!possible && !all) return null;
          const name = way.taps.map((t) => `${t.name} ${t.chamferThreads}`).join(', then ');
          return (
            <li
              key={key}
              className={`border-t border-steel-200 py-1.5 first:border-0 ${possible ? '' : 'text-steel-700'}`}
            >
              <strong>
                {possible ? '' : '✕ '}
                {name}
              </strong>{' '}
              {possible && <Use name={name} used={way === best} onUse={() => change({ taps: key })} />}
              {way.load && possible && (
                <span className={`ml-2 text-sm ${LEVEL_CLASS[way.load.level]}`}>
                  {LEVEL[way.load.level]}, safety {way.load.safety.toFixed(1)}
                </span>
              )}
              <p className="text-[15px]">
                {possible || !way.ruledOut
                  ? tell(forAndAgainst(way.taps, part.thread), display)
                  : tell(way.ruledOut, display)}
              </p>
            </li>
          );
        })}
      </ul>
      {out > 0 && (
        <button type="button" className="link mr-4 min-h-8" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'Only what can be done' : `${out} ruled out, and by what`}
        </button>
      )}
      <button type="button" className="link min-h-8" onClick={() => change({ taps: '', way: 'auto' })}>
        Back to the taps and way proposed
      </button>
    </section>
  );
}

/** How the room at the bottom is made, and what each way of it gains. */
function Rooms({ part, display, change }: PartProps) {
  if (part.rooms.length === 0) return null;
  return (
    <section className="min-w-0">
      <h2 className="font-cond text-xl font-semibold">Room at the bottom</h2>
      <div className="relative overflow-x-auto">
        <table className="mt-1 w-full text-right text-[15px]">
          <thead className="label text-right">
            <tr>
              <th className="py-1 text-left">How</th>
              <th className="px-2">Tip at</th>
              <th className="px-2">Gains</th>
              <th className="px-2">Wall</th>
              <th className="px-2">Most thread</th>
              <td />
            </tr>
          </thead>
          <tbody>
            {part.rooms.map((room) => (
              <tr key={room.id} className="border-t border-steel-200">
                <th scope="row" className="py-1 text-left font-normal">
                  {ROOM_LABEL[room.id]}
                </th>
                <td className="px-2 whitespace-nowrap">{showText(depth(room.totalMm), display)}</td>
                <td className="px-2 whitespace-nowrap">{showText(depth(room.gainMm), display)}</td>
                <td className={`px-2 whitespace-nowrap ${room.fits ? '' : 'font-bold text-danger'}`}>
                  {room.wallMm === undefined
                    ? '—'
                    : room.wallMm <= 0
                      ? '✕ through'
                      : `${room.fits ? '' : '! '}${showText(depth(room.wallMm), display)}`}
                </td>
                <td className="px-2 whitespace-nowrap">
                  {room.mostThreadMm === undefined
                    ? '—'
                    : `${showText(depth(room.mostThreadMm), display)}, ${Math.floor(room.mostThreadMm / part.thread.pitchMm + 1e-9)} threads`}
                </td>
                <td className="pl-2">
                  {(room.wallMm ?? 1) > 0 && (
                    <Use
                      name={ROOM_LABEL[room.id]}
                      used={room.id === part.room?.id}
                      onUse={() => change({ room: room.id, taps: '' })}
                    />
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** Cut or formed: the other of the two, with its own drill. */
function CutOrForm({ part, display, change }: PartProps) {
  const { other, forming, kind } = part;
  return (
    <section className="min-w-0">
      <h2 className="font-cond text-xl font-semibold">{kind === 'form' ? 'Formed' : 'Cut'}</h2>
      <p className="text-[15px]">{tell(forming.verdict.reason, display)}</p>
      {other && (
        <p className="text-[15px]">
          {other.kind === 'form' ? 'Formed' : 'Cut'} instead: drill {drillName(other.drill)},{' '}
          {other.best.taps.map((t) => t.name).join(' + ')}, {other.best.label.toLowerCase()},{' '}
          {(other.best.secondsAll / 60).toFixed(1)} min for all.{' '}
          <Use
            name={other.kind === 'form' ? 'form it' : 'cut it'}
            used={false}
            onUse={() => change({ tap: other.kind, drill: '', taps: '', way: 'auto' })}
          />
        </p>
      )}
      {!other && kind === 'cut' && forming.verdict.allowed && (
        <p className="text-[15px]">No forming tap for {part.thread.designation} in the crib.</p>
      )}
      {kind === 'form' && (
        <p className="text-[15px]">
          Finished minor {showText({ value: part.tapDrill.used.finishedMinorMm, unit: 'mm' }, display)}, give or take{' '}
          {showText({ value: part.tapDrill.used.sigmaMm, unit: 'mm' }, display)}
          {part.limits &&
            `: check with pins, ${showText({ value: part.limits.minorMinMm, unit: 'mm' }, display)} goes, ${showText({ value: part.limits.minorMaxMm, unit: 'mm' }, display)} does not`}
          . Chamfer both mouths: a formed thread rises there.
        </p>
      )}
    </section>
  );
}

/** Where the crib has no tap for the thread: what is nearest in it, and what that would mean. */
function Nearest({ part, taps, display }: PartProps) {
  if (!taps || part.tapping.best.taps.some((t) => t.owned)) return null;
  const near = substitutesFor(part.thread, taps);
  if (near.length === 0) return null;
  return (
    <section className="min-w-0">
      <h2 className="font-cond text-xl font-semibold">No tap for {part.thread.designation}: nearest in the crib</h2>
      <p className="text-[15px]">Never interchangeable: the screw changes with the thread.</p>
      <ul>
        {near.map(({ thread, meaning }) => (
          <li key={thread.designation} className="border-t border-steel-200 py-1.5 text-[15px] first:border-0">
            <strong>{thread.designation}</strong> {meaning.map((m) => tell(m, display)).join(' ')}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** How the thread is tapped: the taps with their load and turns, other ways and taps, the room below, cut or formed. */
export default function TapChoices(props: Props) {
  const { thread } = props.plan;
  if (!thread) return null;
  const all = { ...props, part: thread };
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-x-6 gap-y-4 lg:grid-cols-[repeat(2,minmax(0,1fr))] 2xl:grid-cols-[5fr_4fr_4fr]">
      <div className="flex min-w-0 flex-col gap-4">
        <EachTap {...all} />
        <Rooms {...all} />
        <CutOrForm {...all} />
        <Nearest {...all} />
      </div>
      <div className="flex min-w-0 flex-col gap-4 2xl:contents">
        <Ways {...all} />
        <Sequences {...all} />
      </div>
    </div>
  );
}
