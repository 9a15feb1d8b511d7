'use client';

import { memo } from 'react';
import { tell, type Display } from '@/core/units/show';
import type { Phrase } from '@/core/answer/answer';
import type { Followed } from './hand';
import { Key } from './key';
import { useNextFrame } from './use-next-frame';

/** What a key does, in words, and the key as it is written on it. */
export type HandKey = readonly [label: string, key: string, shown?: string];
/** What two hands can do, by key. */
export type HandActs = Readonly<Record<string, () => void>>;

interface KeysProps {
  keys: readonly HandKey[];
  acts: HandActs;
  /** Keys that do nothing now; all where it is over. */
  off?: string;
  over: boolean;
}

/** Everything two hands can do, each by touch and by key. */
export const HandKeys = memo(function HandKeys({ keys, acts, off = '', over }: KeysProps) {
  return (
    <div className="grid grid-cols-2 gap-2">
      {keys.map(([label, key, shown = key.toUpperCase()]) => (
        <button
          key={key}
          type="button"
          className="btn h-12 justify-between text-left leading-tight"
          disabled={over || off.split(' ').includes(key)}
          onClick={acts[key]}
        >
          {label} <Key>{shown}</Key>
        </button>
      ))}
    </div>
  );
});

interface SaidProps<T> {
  /** What was drawn last. */
  drawn: Followed<T>;
  says: (of: T) => string;
  className?: string;
}

function SaidLater<T>({ drawn, says, className = 'text-xl' }: SaidProps<T>) {
  const of = useNextFrame(drawn);
  return (
    <p role="status" className={`min-h-[1.5em] font-cond first-letter:uppercase ${className}`}>
      {of && says(of)}
    </p>
  );
}

/** What is to be seen, heard and felt, in words: a frame after it is drawn. */
export const Said = memo(SaidLater) as typeof SaidLater;

/** Sound, with the key that puts it off. */
export const SoundSwitch = memo(function SoundSwitch({ sound, turnSound }: { sound: boolean; turnSound: () => void }) {
  return (
    <label className="flex min-h-11 items-center gap-2">
      <input type="checkbox" className="size-5 accent-ink" checked={sound} onChange={turnSound} />
      Sound <Key>M</Key>
    </label>
  );
});

interface ToldProps {
  told: { right: boolean; says: Phrase };
  display: Display;
  /** What comes next: another mark, another line. */
  another: string;
  again: () => void;
}

/** How it came out, and what would have helped. */
export function Told({ told: { right, says }, display, another, again }: ToldProps) {
  return (
    <div role="status" className={`border-l-4 pl-3 ${right ? 'border-l-pass' : 'border-l-brass-dark'}`}>
      <p className="text-lg">
        <b className={right ? 'text-pass' : 'text-brass-dark'}>{right ? '✓ Right.' : '✕ Not so.'}</b>{' '}
        {tell(says, display)}
      </p>
      <button type="button" className="btn-next mt-2" onClick={again}>
        {another}
      </button>
    </div>
  );
}
