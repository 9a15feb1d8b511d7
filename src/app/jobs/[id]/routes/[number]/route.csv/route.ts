import { writeRouteCsv } from '@/core/formats/route-csv';
import { database } from '@/server/start';
import { answering } from '@/server/http/respond';
import { existingHead } from '@/server/services/job-service';
import { issuedRoute } from '@/server/services/route-service';
import { csvResponse } from '@/server/services/sheet-pdf';

export const GET = (_: Request, { params }: { params: Promise<{ id: string; number: string }> }): Promise<Response> =>
  answering(async () => {
    const { id, number } = await params;
    const db = await database();
    const { units } = await existingHead(db, id);
    const { route } = await issuedRoute(db, id, number);
    return csvResponse(writeRouteCsv(route, units ?? 'mm'), `route-${number}`);
  });
