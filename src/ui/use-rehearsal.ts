'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { PlannedJob } from '@/core/rehearsal/alternatives';
import type { Blame } from '@/core/rehearsal/blame';
import type { HoleModel } from '@/core/rehearsal/hole-model';
import type { Proposal, Saved } from '@/core/rehearsal/proposals';
import type { Landed, Rehearsed } from '@/core/rehearsal/rehearse';
import type { OtherwiseMessage, OtherwiseRequest } from '@/workers/plan-otherwise';
import type { RehearsalMessage, RehearsalRequest } from '@/workers/rehearse';

/** Kinds of hole that are worth changing: those that make the most trouble. */
const MOST_CHANGED = 8;

/** A planned job, ready to be rehearsed. */
export interface ToRehearse extends PlannedJob {
  models: HoleModel[];
  besideS: number;
}

/** What a rehearsal has come to so far. */
export interface Found {
  of: ToRehearse;
  /** Whose luck it is: the same for every plan of a job until it is asked for once more, so that a change is told from chance. */
  seed: number;
  /** 0 to 1. */
  share: number;
  rehearsed?: Rehearsed;
  landed?: Landed[];
  blamed?: Blame[];
  proposals?: Proposal[];
  saved?: Saved[];
  fault?: string;
}

/** Letters of the kinds that make the most trouble. */
const worthChanging = ({ models }: ToRehearse, { kinds }: Rehearsed): string[] =>
  models
    .map(({ letter }, i) => ({ letter, n: kinds[i] }))
    .filter(({ n }) => n > 0)
    .sort((a, b) => b.n - a.n)
    .slice(0, MOST_CHANGED)
    .map(({ letter }) => letter);

/**
 * Rehearses a job beside the page: first figures at once, finer while one looks, and meanwhile what could be done otherwise is
 * planned. Ended by cancel; another plan of the job is rehearsed anew.
 */
export function useRehearsal(request: ToRehearse) {
  const [last, setLast] = useState<Found>();
  /** How often it was asked for; 0 while it is not. */
  const [seed, setSeed] = useState(0);
  const workers = useRef<Worker[]>([]);
  const end = useCallback((): void => {
    workers.current.forEach((w) => w.terminate());
    // One that was ended may still have something to say.
    workers.current = [];
  }, []);
  useEffect(() => {
    if (seed === 0) return undefined;
    const { models, besideS, ...planned } = request;
    const own = new Worker(new URL('../workers/rehearse.ts', import.meta.url), { type: 'module' });
    const all = [own];
    workers.current = all;
    const say = (more: Partial<Found>): void =>
      setLast((before) =>
        workers.current === all
          ? { share: 0, ...(before?.of === request && before.seed === seed ? before : {}), of: request, seed, ...more }
          : before,
      );
    const plan = (rehearsed: Rehearsed): void => {
      const other = new Worker(new URL('../workers/plan-otherwise.ts', import.meta.url), { type: 'module' });
      all.push(other);
      other.onmessage = ({ data }: MessageEvent<OtherwiseMessage>) => {
        other.terminate();
        if ('fault' in data) say(data);
        else own.postMessage({ alternatives: data.alternatives } satisfies RehearsalRequest);
      };
      other.onerror = ({ message }) => say({ fault: message });
      other.postMessage({ ...planned, letters: worthChanging(request, rehearsed) } satisfies OtherwiseRequest);
    };
    own.onmessage = ({ data }: MessageEvent<RehearsalMessage>) => {
      say(data);
      if ('rehearsed' in data && all.length === 1) plan(data.rehearsed);
    };
    own.onerror = ({ message }) => say({ fault: message });
    own.postMessage({
      models,
      rehearsing: { quantity: planned.job.quantity, seed, besideS },
    } satisfies RehearsalRequest);
    return end;
  }, [request, seed, end]);
  const found = last?.of === request && last.seed === seed ? last : undefined;
  return {
    found,
    /** What another plan of the job came to, until this one has come to something. */
    last,
    isRunning: seed > 0 && !found?.fault && !(found?.proposals && found.blamed),
    begin: () => setSeed((before) => before + 1),
    cancel: () => {
      end();
      setSeed(0);
      setLast(undefined);
    },
  };
}
