import { writeRouteCsv } from '@/core/formats/route-csv';
import { database } from '@/server/start';
import { answering } from '@/server/http/respond';
import { existingJob } from '@/server/services/job-service';
import { issuedRoute } from '@/server/services/route-service';

export const GET = (_: Request, { params }: { params: Promise<{ id: string; number: string }> }): Promise<Response> =>
  answering(async () => {
    const { id, number } = await params;
    const db = await database();
    const { units } = await existingJob(db, id);
    const { route } = await issuedRoute(db, id, Number(number));
    return new Response(writeRouteCsv(route, units ?? 'mm'), {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': `attachment; filename="route-${number}.csv"`,
      },
    });
  });
