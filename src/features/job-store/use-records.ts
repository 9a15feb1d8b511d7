'use client';

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { BENCH_KINDS, type RecordInput, type RecordKept, type RecordKind } from '@/contracts/record';
import type { BenchKind, BenchRecord, BodyOf } from '@/core/inspection/bench-record';
import { send } from '@/ui/send';
import { dropWaiting, putWaiting, waitingRecords, type WaitingRecord } from './outbox';
import { happenedNow, sendRecords } from './send-records';
import { tellSaved, whenSaved } from './tabs';

type Kept<K extends RecordKind> = Extract<RecordKept, { kind: K }>;
type Own<K extends RecordKind> = Omit<Extract<RecordInput, { kind: K }>, 'id' | 'jobId' | 'kind'>;

const RETRY_MS = 3000;

/** Kinds that are read and sent together. */
type Of = RecordKind | 'bench';
const isOf = (of: Of, { kind }: RecordInput): boolean =>
  of === 'bench' ? (BENCH_KINDS as readonly string[]).includes(kind) : kind === of;

/**
 * What was recorded at a job: what the server has and what waits for it, in the order in which it happened.
 * A record is kept in the browser at once and sent until the server has it, or says why it cannot be.
 * @param everyMs how often what others record is looked for; never where left out
 */
function useRecordsOf<R extends RecordKept>(jobId: string, kind: Of, everyMs?: number) {
  const client = useQueryClient();
  const key = ['records', jobId, kind];
  const { data: there } = useQuery({
    queryKey: key,
    queryFn: async (): Promise<R[]> => {
      const got = await send<{ records: R[] }>('GET', `/api/v1/jobs/${jobId}/records?kind=${kind}`);
      if (!got.ok) throw new Error(got.fault);
      return got.value.records;
    },
    refetchInterval: everyMs,
  });
  const [waiting, setWaiting] = useState<R[]>([]);
  const [refused, setRefused] = useState<WaitingRecord[]>([]);
  const [fault, setFault] = useState<string>();
  const busy = useRef(false);
  /** Something was recorded while the last batch was on its way. */
  const more = useRef(false);
  const wake = useRef<() => void>(undefined);
  const reload = useCallback(() => client.invalidateQueries({ queryKey: ['records', jobId] }), [client, jobId]);

  const sendAll = useCallback(async (): Promise<void> => {
    if (busy.current) {
      more.current = true;
      return;
    }
    busy.current = true;
    more.current = false;
    try {
      const rows = (await waitingRecords(jobId)).filter((w) => isOf(kind, w.record));
      const left = rows.filter((w) => w.refused !== undefined);
      setRefused((before) => (before.length === 0 && left.length === 0 ? before : left));
      const records = rows.filter((w) => w.refused === undefined).map((w) => w.record);
      setWaiting((list) =>
        records.every((r) => list.some((shown) => shown.id === r.id)) &&
        !left.some((w) => list.some((s) => s.id === w.id))
          ? list
          : [
              ...records.map((r) => ({ arrivedAt: '', happenedAt: '', ...r }) as unknown as R),
              ...list.filter((shown) => !rows.some((w) => w.id === shown.id)),
            ],
      );
      if (records.length === 0) return;
      const { receipt, fault: why } = await sendRecords(records);
      if (!receipt) {
        setFault(`${records.length} waiting for the server. ${why}`);
        return;
      }
      if (receipt.taken.length + receipt.known.length < records.length) more.current = true;
      dropWaiting('records', [...receipt.taken, ...receipt.known]);
      const kept = receipt.refused.flatMap(({ id, detail, remedy }): WaitingRecord[] => {
        const row = rows.find((w) => w.id === id);
        return row ? [{ ...row, refused: `${detail} ${remedy}` }] : [];
      });
      kept.forEach((row) => putWaiting('records', row));
      if (kept.length > 0) setRefused((before) => [...before, ...kept]);
      setFault(undefined);
      await reload();
      setWaiting((list) => list.filter((r) => !records.some((sent) => sent.id === r.id)));
      tellSaved(jobId);
    } finally {
      busy.current = false;
      if (more.current) setTimeout(() => wake.current?.(), 0);
    }
  }, [jobId, kind, reload]);

  useEffect(() => {
    wake.current = () => void sendAll();
    const first = setTimeout(() => void sendAll(), 0);
    const again = setInterval(() => void sendAll(), RETRY_MS);
    const stop = whenSaved((id) => id === jobId && void reload());
    return () => {
      clearTimeout(first);
      clearInterval(again);
      stop();
    };
  }, [sendAll, reload, jobId]);

  const append = useCallback(
    (own: Omit<RecordInput, 'id' | 'jobId' | 'happenedAt'>): string => {
      const made = { ...own, id: uuidv7(), jobId, happenedAt: happenedNow() } as RecordInput;
      putWaiting('records', { id: made.id, jobId, record: made });
      setWaiting((list) => [...list, { ...made, arrivedAt: '' } as unknown as R]);
      // What was done is shown first; a tab that is not seen sends at the next retry.
      requestAnimationFrame(() => setTimeout(() => void sendAll(), 0));
      return made.id;
    },
    [jobId, sendAll],
  );
  const toSend = useMemo(() => {
    const known = new Set(there?.map((r) => r.id));
    return waiting.filter((r) => !known.has(r.id));
  }, [there, waiting]);
  const records = useMemo(() => [...(there ?? []), ...toSend], [there, toSend]);
  const leaveOut = useCallback((id: string): void => {
    dropWaiting('records', [id]);
    setRefused((list) => list.filter((w) => w.id !== id));
  }, []);
  return {
    records,
    append,
    /** Records that the server does not have yet. */
    toSend: toSend.length,
    /** Whether anything was read yet, from the server or from what was kept here. */
    known: there !== undefined,
    /** What waits, and why. */
    fault,
    /** What the server will not have, with why. */
    refused: refused.map((w) => ({ id: w.id, why: w.refused ?? '' })),
    leaveOut,
  };
}

/** What was recorded of one kind at a job. */
export function useRecords<K extends RecordKind>(jobId: string, kind: K) {
  const { append, ...all } = useRecordsOf<Kept<K>>(jobId, kind);
  const record = useCallback(
    (own: Own<K>): void => void append({ ...own, kind } as unknown as Omit<RecordInput, 'id' | 'jobId' | 'happenedAt'>),
    [append, kind],
  );
  return { ...all, record };
}

/** How often a bench looks for what others recorded, ms. */
const LOOK_MS = 4000;

interface About {
  featureId?: string;
  holeNumber?: number;
  corrects?: string;
  routeId?: string;
}

/** Everything that the bench and its checks recorded at a job. */
export function useBenchRecords(jobId: string) {
  const { append, records, ...all } = useRecordsOf<Extract<RecordKept, { kind: BenchKind }>>(jobId, 'bench', LOOK_MS);
  const record = useCallback(
    <K extends BenchKind>(kind: K, body: BodyOf<K>, about: About = {}): string =>
      append({ ...about, kind, body } as unknown as Omit<RecordInput, 'id' | 'jobId' | 'happenedAt'>),
    [append],
  );
  return { ...all, records: records as BenchRecord[], record };
}
