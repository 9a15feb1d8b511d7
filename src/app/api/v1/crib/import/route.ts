import { cribImport } from '@/contracts/crib';
import { mayChangeCrib } from '@/server/access/at-the-door';
import { database } from '@/server/start';
import { answering, JOB_BODY, readBody } from '@/server/http/respond';
import { importCrib } from '@/server/services/crib-service';

export const POST = (request: Request): Promise<Response> =>
  answering(async () => {
    await mayChangeCrib(await database(), request);
    await importCrib(await database(), await readBody(request, cribImport, JOB_BODY));
    return new Response(null, { status: 204 });
  });
