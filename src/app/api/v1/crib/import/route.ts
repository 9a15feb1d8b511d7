import { cribImport } from '@/contracts/crib';
import { database } from '@/server/start';
import { answering, JOB_BODY, readBody } from '@/server/http/respond';
import { importCrib } from '@/server/services/crib-service';

export const POST = (request: Request): Promise<Response> =>
  answering(async () => {
    await importCrib(await database(), await readBody(request, cribImport, JOB_BODY));
    return new Response(null, { status: 204 });
  });
