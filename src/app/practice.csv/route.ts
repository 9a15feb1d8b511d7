import { writePracticeCsv } from '@/core/formats/practice-csv';
import { answering } from '@/server/http/respond';
import { findNames } from '@/server/repositories/job-repository';
import { findPractised } from '@/server/repositories/practice-repository';
import { csvResponse } from '@/server/services/sheet-pdf';
import { database } from '@/server/start';

export const GET = (): Promise<Response> =>
  answering(async () => {
    const db = await database();
    const rows = await findPractised(db);
    const names = await findNames(db, [...new Set(rows.flatMap((r) => r.jobId ?? []))]);
    return csvResponse(
      writePracticeCsv(rows, (id) => names.get(id)?.name),
      'practice',
    );
  });
