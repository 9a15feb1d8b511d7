import { missingDrill } from '@/contracts/crib';
import { mayChangeCrib } from '@/server/access/at-the-door';
import { database } from '@/server/start';
import { answering, json, readBody } from '@/server/http/respond';
import { markMissing } from '@/server/services/crib-service';

export const POST = (request: Request): Promise<Response> =>
  answering(async () => {
    await mayChangeCrib(await database(), request);
    return json(await markMissing(await database(), await readBody(request, missingDrill)));
  });
