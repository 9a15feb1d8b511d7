'use client';

import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import type { RecordInput, RecordKept, RecordKind } from '@/contracts/record';
import type { BenchKind, BenchRecord, BodyOf } from '@/core/run/bench-record';
import { logOf, type LogState } from './record-log';
import { sendingNow, sendRecords, whenSending, type Sending } from './sender';
import { whenRecorded, whenSaved } from './tabs';
import { useNotKept } from './use-not-kept';

type Kept<K extends RecordKind> = Extract<RecordKept, { kind: K }>;
type Own<K extends RecordKind> = Omit<
  Extract<RecordInput, { kind: K }>,
  'id' | 'jobId' | 'kind' | 'device' | 'sequence'
>;

/** How often it is looked for what others recorded, ms. */
const LOOK_MS = 4000;
const NOTHING: Sending = {};

/**
 * What was recorded at a job: what the server has and what waits for it, in the order in which it happened.
 * A record is kept in the browser at once and sent until the server has it, or says why it cannot be.
 */
function useLog(jobId: string) {
  const log = logOf(jobId);
  const [state, setState] = useState<LogState>(log.getState);
  const { fault, clockAheadS } = useSyncExternalStore(whenSending, sendingNow, () => NOTHING);
  const notKept = useNotKept();
  useEffect(() => {
    const heard = (): void => setState(log.getState());
    const stops = [
      log.subscribe(heard),
      whenSaved((id) => id === jobId && void log.poll()),
      whenRecorded((row) => row.jobId === jobId && log.heard(row)),
    ];
    heard();
    void log.open().then(() => Promise.all([log.poll(), sendRecords()]));
    const again = setInterval(() => document.visibilityState === 'visible' && void log.poll(), LOOK_MS);
    return () => {
      clearInterval(again);
      stops.forEach((stop) => stop());
    };
  }, [log, jobId]);
  const append = useCallback(
    (own: Omit<RecordInput, 'id' | 'jobId' | 'happenedAt'>): string => {
      const id = log.append(own);
      // What was done is shown first; a tab that is not seen sends at the next retry.
      requestAnimationFrame(() => setTimeout(() => void sendRecords(), 0));
      return id;
    },
    [log],
  );
  return {
    ...state,
    append,
    fault: state.toSend > 0 && fault ? `${state.toSend} waiting for the server. ${fault}` : undefined,
    clockAheadS,
    notKept,
    leaveOut: log.leaveOut,
    sendLost: (): void => {
      log.sendLost();
      void sendRecords();
    },
    leaveLost: log.leaveLost,
  };
}

/** What was recorded of one kind at a job. */
export function useRecords<K extends RecordKind>(jobId: string, kind: K) {
  const { append, records: all, ...rest } = useLog(jobId);
  const records = useMemo(() => all.filter((r): r is Kept<K> => r.kind === kind), [all, kind]);
  const record = useCallback(
    (own: Own<K>): void => void append({ ...own, kind } as unknown as Omit<RecordInput, 'id' | 'jobId' | 'happenedAt'>),
    [append, kind],
  );
  return { ...rest, records, record };
}

interface About {
  featureId?: string;
  holeNumber?: number;
  corrects?: string;
  routeId?: string;
}

/** Everything that the bench and its checks recorded at a job. */
export function useBenchRecords(jobId: string) {
  const { append, bench, ...all } = useLog(jobId);
  const record = useCallback(
    <K extends BenchKind>(kind: K, body: BodyOf<K>, about: About = {}): string =>
      append({ ...about, kind, body } as unknown as Omit<RecordInput, 'id' | 'jobId' | 'happenedAt'>),
    [append],
  );
  const tick = useCallback(
    (line: string): void =>
      void append({ kind: 'layout-tick', body: { line, ticked: true } } as Omit<
        RecordInput,
        'id' | 'jobId' | 'happenedAt'
      >),
    [append],
  );
  return { ...all, records: bench as unknown as readonly BenchRecord[], record, tick };
}
