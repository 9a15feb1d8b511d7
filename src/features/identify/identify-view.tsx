'use client';

import Link from 'next/link';
import { useState } from 'react';
import { mm } from '@/core/answer/answer';
import { identifyThread, pitchWords, type ThreadReading } from '@/core/threads/identify';
import { isTapUsable, tapName, type OwnTap } from '@/core/tapping/own-tap';
import { substitutesFor } from '@/core/tapping/substitutes';
import type { TapNames } from '@/core/tapping/tap';
import { inchToMm, parseLength } from '@/core/units/length';
import { showText, tell, type Display } from '@/core/units/show';
import { Choice } from '@/ui/choice';
import { TextField } from '@/ui/field';
import { useUnits } from '@/ui/units';

interface Props {
  taps: readonly OwnTap[];
  names: TapNames;
}

interface Typed {
  of: ThreadReading['of'];
  diameter: string;
  /** Pitch, or threads per inch. */
  pitch: string;
  by: 'pitch' | 'tpi' | 'count';
  count: string;
  length: string;
  worn: 'sound' | 'worn';
}

const BLANK: Typed = { of: 'screw', diameter: '', pitch: '', by: 'pitch', count: '10', length: '', worn: 'sound' };

/** Shown until something is typed. */
const EXAMPLE: ThreadReading = { of: 'screw', diameterMm: 4.7, pitchMm: 0.8, worn: false };

interface Read {
  reading?: ThreadReading;
  errors: Partial<Record<'diameter' | 'pitch' | 'count' | 'length', string>>;
}

/** What was typed as readings; a pitch is not needed. */
function read(t: Typed, display: Display): Read {
  const unit = display === 'inch' ? 'in' : 'mm';
  const errors: Read['errors'] = {};
  const length = (field: 'diameter' | 'pitch' | 'length'): number | undefined => {
    if (t[field].trim() === '') return undefined;
    const parsed = parseLength(t[field], unit);
    if (parsed.ok && parsed.value.mm > 0 && parsed.value.mm < 500) return parsed.value.mm;
    errors[field] = 'Enter a length, such as 4.7 or 0.187 in.';
    return undefined;
  };
  const number = (field: 'pitch' | 'count'): number | undefined => {
    if (t[field].trim() === '') return undefined;
    const value = Number(t[field].replace(',', '.'));
    if (Number.isFinite(value) && value > 0 && value <= 200) return value;
    errors[field] = 'Enter a number above zero, at most 200.';
    return undefined;
  };
  const diameterMm = length('diameter');
  const count = t.by === 'count' ? number('count') : undefined;
  const over = t.by === 'count' ? length('length') : undefined;
  const tpi = t.by === 'tpi' ? number('pitch') : undefined;
  const pitchMm =
    t.by === 'pitch' ? length('pitch') : tpi ? inchToMm(1 / tpi) : count && over ? over / count : undefined;
  if (diameterMm === undefined) return { errors };
  return { errors, reading: { of: t.of, diameterMm, pitchMm, countedOver: count, worn: t.worn === 'worn' } };
}

/** What is this thread? As one types: what it may be, what tells them apart, and whether the crib has a tap for it. */
export function IdentifyView({ taps, names }: Props) {
  const { display } = useUnits();
  const [typed, setTyped] = useState(BLANK);
  const { reading, errors } = read(typed, display);
  const shown = reading ?? (typed.diameter.trim() === '' ? EXAMPLE : undefined);
  const found = shown ? identifyThread(shown) : [];
  const [best] = found;
  const tapsFor = (name: string): OwnTap[] => taps.filter((t) => t.thread === name && isTapUsable(t));
  const near = best && tapsFor(best.thread.designation).length === 0 ? substitutesFor(best.thread, taps) : [];
  return (
    <main id="main" className="mx-auto flex max-w-[1280px] flex-col gap-3 p-3 sm:px-5">
      <h1 className="font-cond text-3xl font-semibold">What thread is this?</h1>
      <div className="grid items-start gap-3 md:grid-cols-[330px_minmax(0,1fr)]">
        <Readings
          typed={typed}
          errors={errors}
          display={display}
          set={(part) => setTyped((now) => ({ ...now, ...part }))}
        />
        <section aria-label="What it may be" aria-live="polite" className="flex min-w-0 flex-col gap-3">
          {!reading && (
            <p className="dye p-5 text-lg">
              Measure the outside of the screw, or inside the crests of the hole. Ten threads counted over a length tell
              more than a gauge. For example {showText(mm(EXAMPLE.diameterMm), display)} and a pitch gauge of{' '}
              {showText(mm(EXAMPLE.pitchMm ?? 0), display)}:
            </p>
          )}
          {shown && found.length === 0 && (
            <p className="dye p-5 text-lg">
              No thread in the list agrees. Measure again: three places, away from the worn end; or mark it as worn.
            </p>
          )}
          {found.length > 0 && <Candidates found={found} tapsFor={tapsFor} names={names} display={display} />}
          {best && near.length > 0 && <Nearest to={best.thread.designation} substitutes={near} display={display} />}
        </section>
      </div>
    </main>
  );
}

interface ReadingsProps {
  typed: Typed;
  errors: Read['errors'];
  display: Display;
  set: (part: Partial<Typed>) => void;
}

function Readings({ typed, errors, display, set }: ReadingsProps) {
  const unit = display === 'inch' ? 'in' : 'mm';
  return (
    <section aria-label="Readings" className="plate flex flex-col gap-3 p-3">
      <Choice
        label="Read on"
        value={typed.of}
        onChange={(of) => set({ of })}
        options={[
          ['screw', 'a screw'],
          ['hole', 'a hole'],
        ]}
      />
      <TextField
        label={`${typed.of === 'screw' ? 'Outside diameter' : 'Diameter inside the crests'}, ${unit}`}
        value={typed.diameter}
        onChange={(diameter) => set({ diameter })}
        error={errors.diameter}
        placeholder={display === 'inch' ? '.185' : '4.70'}
        autoFocus
      />
      <Choice
        label="Pitch by"
        value={typed.by}
        onChange={(by) => set({ by })}
        options={[
          ['pitch', 'pitch'],
          ['tpi', 'per inch'],
          ['count', 'counting'],
        ]}
      />
      {typed.by === 'count' ? (
        <div className="grid grid-cols-2 gap-2">
          <TextField label="Threads" value={typed.count} onChange={(count) => set({ count })} error={errors.count} />
          <TextField
            label={`over a length, ${unit}`}
            value={typed.length}
            onChange={(length) => set({ length })}
            error={errors.length}
          />
        </div>
      ) : (
        <TextField
          label={typed.by === 'tpi' ? 'Threads per inch' : `Pitch, ${unit}`}
          value={typed.pitch}
          onChange={(pitch) => set({ pitch })}
          error={errors.pitch}
          hint="Not needed; it sharpens the answer."
        />
      )}
      <Choice
        label="It is"
        value={typed.worn}
        onChange={(worn) => set({ worn })}
        options={[
          ['sound', 'sound'],
          ['worn', 'worn'],
        ]}
      />
    </section>
  );
}

interface CandidatesProps {
  found: ReturnType<typeof identifyThread>;
  tapsFor: (name: string) => OwnTap[];
  names: TapNames;
  display: Display;
}

/** Threads that agree with the readings, the likeliest first. */
function Candidates({ found, tapsFor, names, display }: CandidatesProps) {
  return (
    <ol className="dye flex flex-col p-3 sm:p-4">
      {found.map(({ thread, share, tell: tells }, i) => {
        const own = tapsFor(thread.designation);
        return (
          <li key={thread.designation} className="border-t border-dye-500 py-2 first:border-0">
            <div className="flex flex-wrap items-baseline gap-x-4">
              <strong className={`font-cond ${i === 0 ? 'text-[34px] leading-10 text-[#f0cd80]' : 'text-2xl'}`}>
                {thread.designation}
              </strong>
              <span>{(100 * share).toFixed(0)} %</span>
              <span className="text-[#d5def7]">
                outside {showText(mm(thread.majorMm), display)}, {tell(pitchWords(thread), display)}
              </span>
              <Link
                className="dye-link ml-auto"
                href={`/?callout=${encodeURIComponent(thread.designation)}`}
                prefetch={false}
              >
                Ask
              </Link>
            </div>
            {tells && <p className="text-[15px] text-[#d5def7]">{tell(tells, display)}</p>}
            <p className="text-[15px] text-[#d5def7]">
              {own.length > 0 ? `In the crib: ${own.map((t) => tapName(t, names)).join(', ')}.` : 'No tap in the crib.'}
            </p>
          </li>
        );
      })}
    </ol>
  );
}

interface NearestProps {
  to: string;
  substitutes: ReturnType<typeof substitutesFor>;
  display: Display;
}

function Nearest({ to, substitutes, display }: NearestProps) {
  return (
    <section className="plate p-3">
      <h2 className="font-cond text-xl font-semibold">Nearest to {to} in the crib</h2>
      <p className="text-[15px]">Never interchangeable: the screw changes with the thread.</p>
      <ul className="mt-1">
        {substitutes.map(({ thread, meaning }) => (
          <li key={thread.designation} className="border-t border-steel-200 py-1.5 first:border-0">
            <strong>{thread.designation}</strong> {meaning.map((m) => tell(m, display)).join(' ')}
          </li>
        ))}
      </ul>
    </section>
  );
}
