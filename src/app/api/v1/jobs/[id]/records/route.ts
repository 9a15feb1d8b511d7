import { recordQuery } from '@/contracts/record';
import { database } from '@/server/start';
import { queryOf } from '@/server/http/catalogue';
import { answering, checked, json } from '@/server/http/respond';
import { listRecords } from '@/server/repositories/record-repository';
import { existingJob } from '@/server/services/job-service';

export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
  answering(async () => {
    const { kind } = checked(recordQuery, queryOf(request));
    const db = await database();
    const { id } = await existingJob(db, (await params).id);
    return json({ records: await listRecords(db, id, kind) });
  });
