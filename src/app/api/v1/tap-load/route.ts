import { tapLoadRequest } from '@/contracts/tap-load';
import { database } from '@/server/start';
import { answering, json, readBody } from '@/server/http/respond';
import { shopNow } from '@/server/services/shop-service';
import { tapLoadOf } from '@/server/services/tap-load-service';

export const POST = (request: Request): Promise<Response> =>
  answering(async () => {
    const question = await readBody(request, tapLoadRequest);
    return json(tapLoadOf(question, await shopNow(await database())));
  });
