import { z } from 'zod';
import { queryOf } from '@/server/http/catalogue';
import { answering, checked } from '@/server/http/respond';
import { inspectionPdf } from '@/server/services/inspection-pdf';
import { existingHead } from '@/server/services/job-service';
import { inspectionOf } from '@/server/services/run-service';
import { pdfResponse } from '@/server/services/sheet-pdf';
import { zoneNow } from '@/server/services/zone-service';
import { database } from '@/server/start';

const part = z.coerce.number().int().min(1).max(100_000).optional();
const query = z.strictObject({
  paper: z.enum(['a4', 'letter']).default('a4'),
  from: part.describe('First part on the sheet'),
  to: part.describe('Last part on it'),
});

export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
  answering(async () => {
    const { id } = await params;
    const { paper, ...parts } = checked(query, queryOf(request));
    const db = await database();
    await existingHead(db, id);
    return pdfResponse(await inspectionPdf(await inspectionOf(db, id, parts), paper, await zoneNow(db)), 'inspection');
  });
