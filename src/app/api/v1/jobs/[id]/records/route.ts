import { recordQuery } from '@/contracts/record';
import { database } from '@/server/start';
import { queryOf } from '@/server/http/catalogue';
import { answering, checked, json } from '@/server/http/respond';
import { listArrived, listRecords } from '@/server/repositories/record-repository';
import { existingHead } from '@/server/services/job-service';

export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
  answering(async () => {
    const { kind, after } = checked(recordQuery, queryOf(request));
    const db = await database();
    const { id } = await existingHead(db, (await params).id);
    return json(after === undefined ? { records: await listRecords(db, id, kind) } : await listArrived(db, id, after));
  });
