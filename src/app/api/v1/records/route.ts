import { recordBatch } from '@/contracts/record';
import { sessionOf } from '@/server/access/at-the-door';
import { database } from '@/server/start';
import { answering, JOB_BODY, json, readBody } from '@/server/http/respond';
import { takeRecords } from '@/server/services/record-service';

export const POST = (request: Request): Promise<Response> =>
  answering(async () => {
    const { records, sentAt } = await readBody(request, recordBatch, JOB_BODY);
    const who = (await sessionOf(request))?.who;
    const signed = who ? records.map((r) => ({ who, ...r })) : records;
    return json(await takeRecords(await database(), signed, sentAt));
  });
