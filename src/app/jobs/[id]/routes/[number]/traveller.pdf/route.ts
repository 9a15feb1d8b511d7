import { z } from 'zod';
import { database } from '@/server/start';
import { queryOf } from '@/server/http/catalogue';
import { publicAddress } from '@/server/http/hosts';
import { answering, checked } from '@/server/http/respond';
import { existingHead } from '@/server/services/job-service';
import { issuedRoute } from '@/server/services/route-service';
import { pdfResponse } from '@/server/services/sheet-pdf';
import { zoneNow } from '@/server/services/zone-service';
import { travellerPdf } from '@/server/services/traveller-pdf';

const query = z.strictObject({ paper: z.enum(['a4', 'letter']).default('a4') });

export const GET = (
  request: Request,
  { params }: { params: Promise<{ id: string; number: string }> },
): Promise<Response> =>
  answering(async () => {
    const { id, number } = await params;
    const { paper } = checked(query, queryOf(request));
    const db = await database();
    const { papers = {} } = await existingHead(db, id);
    const issue = await issuedRoute(db, id, number);
    const bytes = await travellerPdf(issue, papers, publicAddress(request.headers), paper, await zoneNow(db));
    return pdfResponse(bytes, `traveller-${number}`);
  });
