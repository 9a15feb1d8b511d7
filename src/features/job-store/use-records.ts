'use client';

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import {
  MOST_RECORDS,
  type RecordInput,
  type RecordKept,
  type RecordKind,
  type RecordReceipt,
} from '@/contracts/record';
import { send } from '@/ui/send';
import { dropWaiting, putWaiting, waitingRecords, type WaitingRecord } from './outbox';
import { tellSaved, whenSaved } from './tabs';

type Kept<K extends RecordKind> = Extract<RecordKept, { kind: K }>;
type Own<K extends RecordKind> = Omit<Extract<RecordInput, { kind: K }>, 'id' | 'jobId' | 'kind'>;

const RETRY_MS = 3000;

/**
 * What was recorded of a kind at a job: what the server has and what waits for it, in the order in which it happened.
 * A record is kept in the browser at once and sent until the server has it, or says why it cannot be.
 */
export function useRecords<K extends RecordKind>(jobId: string, kind: K) {
  const client = useQueryClient();
  const key = ['records', jobId, kind];
  const { data: there } = useQuery({
    queryKey: key,
    queryFn: async (): Promise<Kept<K>[]> => {
      const got = await send<{ records: Kept<K>[] }>('GET', `/api/v1/jobs/${jobId}/records?kind=${kind}`);
      if (!got.ok) throw new Error(got.fault);
      return got.value.records;
    },
  });
  const [waiting, setWaiting] = useState<Kept<K>[]>([]);
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
      const rows = (await waitingRecords(jobId)).filter((w) => w.record.kind === kind);
      setRefused(rows.filter((w) => w.refused !== undefined));
      const records = rows.filter((w) => w.refused === undefined).map((w) => w.record);
      setWaiting((list) => [
        ...records.map((r) => ({ arrivedAt: '', happenedAt: '', ...r }) as Kept<K>),
        ...list.filter((shown) => !rows.some((w) => w.id === shown.id)),
      ]);
      if (records.length === 0) return;
      const got = await send<RecordReceipt>('POST', '/api/v1/records', { records: records.slice(0, MOST_RECORDS) });
      const receipt = got.ok ? got.value : got.status === 422 ? (got.partial as RecordReceipt | undefined) : undefined;
      if (!receipt) {
        setFault(`${records.length} waiting for the server. ${got.ok ? '' : got.fault}`);
        return;
      }
      dropWaiting('records', [...receipt.taken, ...receipt.known]);
      const kept = receipt.refused.flatMap(({ id, detail, remedy }): WaitingRecord[] => {
        const row = rows.find((w) => w.id === id);
        return row ? [{ ...row, refused: `${detail} ${remedy}` }] : [];
      });
      kept.forEach((row) => putWaiting('records', row));
      setRefused((before) => [...before, ...kept]);
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

  const record = useCallback(
    (own: Own<K>): void => {
      const made = {
        ...own,
        id: uuidv7(),
        kind,
        jobId,
        happenedAt: new Date().toISOString(),
      } as unknown as RecordInput;
      putWaiting('records', { id: made.id, jobId, record: made });
      setWaiting((list) => [...list, { ...made, arrivedAt: '' } as unknown as Kept<K>]);
      void sendAll();
    },
    [jobId, kind, sendAll],
  );
  const known = new Set(there?.map((r) => r.id));
  const leaveOut = useCallback((id: string): void => {
    dropWaiting('records', [id]);
    setRefused((list) => list.filter((w) => w.id !== id));
  }, []);
  return {
    records: [...(there ?? []), ...waiting.filter((r) => !known.has(r.id))],
    record,
    /** What waits, and why. */
    fault,
    /** What the server will not have, with why. */
    refused: refused.map((w) => ({ id: w.id, why: w.refused ?? '' })),
    leaveOut,
  };
}
