import { recordBatch } from '@/contracts/record';
import { sessionOf } from '@/server/access/at-the-door';
import { database } from '@/server/start';
import { answering, JOB_BODY, json, readBody } from '@/server/http/respond';
import { takeRecords } from '@/server/services/record-service';

export const POST = (request: Request): Promise<Response> =>
  answering(async () => {
    const batch = await readBody(request, recordBatch, JOB_BODY);
    return json(await takeRecords(await database(), batch, (await sessionOf(request))?.who));
  });
