import { writeInspectionCsv } from '@/core/formats/inspection-csv';
import { answering } from '@/server/http/respond';
import { existingJob } from '@/server/services/job-service';
import { inspectionOf } from '@/server/services/run-service';
import { database } from '@/server/start';

export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
  answering(async () => {
    const { id } = await params;
    const db = await database();
    const { units } = await existingJob(db, id);
    const { rows } = await inspectionOf(db, id);
    return new Response(writeInspectionCsv(rows, units ?? 'mm'), {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': 'attachment; filename="inspection.csv"',
      },
    });
  });
