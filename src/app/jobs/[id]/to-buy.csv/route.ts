import { writeToBuyCsv } from '@/core/formats/to-buy-csv';
import { answering } from '@/server/http/respond';
import { existingHead } from '@/server/services/job-service';
import { csvResponse } from '@/server/services/sheet-pdf';
import { toBuyFor } from '@/server/services/to-buy-service';
import { database } from '@/server/start';

export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
  answering(async () => {
    const { id } = await params;
    const db = await database();
    const { units } = await existingHead(db, id);
    return csvResponse(writeToBuyCsv((await toBuyFor(db, id)).list, units ?? 'mm'), 'to-buy');
  });
