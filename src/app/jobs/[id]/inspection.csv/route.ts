import { writeInspectionCsv } from '@/core/formats/inspection-csv';
import { answering } from '@/server/http/respond';
import { existingHead } from '@/server/services/job-service';
import { inspectionOf } from '@/server/services/run-service';
import { csvResponse } from '@/server/services/sheet-pdf';
import { database } from '@/server/start';

export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
  answering(async () => {
    const { id } = await params;
    const db = await database();
    const { units } = await existingHead(db, id);
    const { rows, papers } = await inspectionOf(db, id);
    return csvResponse(writeInspectionCsv(rows, units ?? 'mm', papers.serial), 'inspection');
  });
