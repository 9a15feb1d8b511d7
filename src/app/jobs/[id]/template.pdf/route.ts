import { z } from 'zod';
import { faceSchema } from '@/contracts/part';
import { layOutFace } from '@/core/layout/lay-out';
import { database } from '@/server/start';
import { queryOf } from '@/server/http/catalogue';
import { answering, checked } from '@/server/http/respond';
import { existingJob } from '@/server/services/job-service';
import { pdfResponse } from '@/server/services/sheet-pdf';
import { templatePdf } from '@/server/services/template-pdf';

const query = z.strictObject({ face: faceSchema.default('top'), paper: z.enum(['a4', 'letter']).default('a4') });

export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
  answering(async () => {
    const { face, paper } = checked(query, queryOf(request));
    const job = await existingJob(await database(), (await params).id);
    const features = job.holes.map((h) => ({ ...h, callout: h.question.callout }));
    const of = new Map(job.holes.map((h) => [h.id, h]));
    // The callout once a feature; each hole by its own name.
    const label = (id: string, number: number): string =>
      [`${of.get(id)?.letter ?? ''}${number}`, ...(number === 1 ? [of.get(id)?.question.callout] : [])].join('  ');
    const bytes = await templatePdf(layOutFace(job.part, face, features), job.name, label, paper);
    return pdfResponse(bytes, `template-${face}`);
  });
