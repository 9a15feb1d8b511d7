import { z } from 'zod';
import { queryOf } from '@/server/http/catalogue';
import { answering, checked } from '@/server/http/respond';
import { inspectionPdf } from '@/server/services/inspection-pdf';
import { existingJob } from '@/server/services/job-service';
import { inspectionOf } from '@/server/services/run-service';
import { pdfResponse } from '@/server/services/sheet-pdf';
import { database } from '@/server/start';

const query = z.strictObject({ paper: z.enum(['a4', 'letter']).default('a4') });

export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
  answering(async () => {
    const { id } = await params;
    const { paper } = checked(query, queryOf(request));
    const db = await database();
    await existingJob(db, id);
    return pdfResponse(await inspectionPdf(await inspectionOf(db, id), paper), 'inspection');
  });
