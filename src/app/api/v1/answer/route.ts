import { answerRequest } from '@/contracts/answer';
import { database } from '@/server/start';
import { answering, json, readBody } from '@/server/http/respond';
import { answerRequestOf } from '@/server/services/answer-service';
import { shopNow } from '@/server/services/shop-service';

export const POST = (request: Request): Promise<Response> =>
  answering(async () => {
    const question = await readBody(request, answerRequest);
    return json(answerRequestOf(question, await shopNow(await database())));
  });
