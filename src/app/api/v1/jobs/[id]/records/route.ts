import { recordQuery, type RecordKept } from '@/contracts/record';
import { sessionOf } from '@/server/access/at-the-door';
import { withDataMark } from '@/server/http/data-mark';
import { recordMark } from '@/server/services/record-service';
import { database } from '@/server/start';
import { queryOf } from '@/server/http/catalogue';
import { answering, checked, json } from '@/server/http/respond';
import { findRecord, listArrived, listRecords } from '@/server/repositories/record-repository';
import { existingHead } from '@/server/services/job-service';

export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
  answering(async () => {
    const { id: one, kind, after } = checked(recordQuery, queryOf(request));
    const db = await database();
    const { id } = await existingHead(db, (await params).id);
    const found = await asked();
    const signed = (await sessionOf(request)) !== undefined;
    const records = signed
      ? found.records.map((r) => (r.who ? { ...r, mark: recordMark(r.id, r.who) } : r))
      : found.records;
    return withDataMark(db, json({ ...found, records }));

    async function asked(): Promise<{ records: RecordKept[] }> {
      if (one !== undefined) {
        const record = await findRecord(db, id, one);
        return { records: record ? [record] : [] };
      }
      return after === undefined ? { records: await listRecords(db, id, kind) } : listArrived(db, id, after);
    }
  });
