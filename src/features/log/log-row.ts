import type { LogEntry } from '@/contracts/log';
import type { LogRow } from '@/core/formats/log-csv';
import type { Told } from '@/core/run/record-words';

/** An entry of the log as it is read. */
export function logRow({ record, job, hole }: LogEntry): LogRow {
  const { body } = record;
  return {
    happenedAt: record.happenedAt,
    job: job?.name ?? '',
    hole: hole ? `${hole.letter}${('holeNumber' in record && record.holeNumber) || ''}` : '',
    callout: hole?.callout ?? '',
    ...('part' in body && typeof body.part === 'number' ? { part: body.part } : {}),
    told: record as Told,
    who: record.who ?? '',
  };
}
