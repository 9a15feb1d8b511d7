import { shopChange } from '@/contracts/crib';
import { mayChangeCrib } from '@/server/access/at-the-door';
import { database } from '@/server/start';
import { answering, readBody } from '@/server/http/respond';
import { changeShop } from '@/server/services/crib-service';

export const PUT = (request: Request): Promise<Response> =>
  answering(async () => {
    await mayChangeCrib(await database(), request);
    await changeShop(await database(), await readBody(request, shopChange));
    return new Response(null, { status: 204 });
  });
