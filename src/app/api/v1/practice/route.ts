import { practisedBatch, practisedQuery } from '@/contracts/practice';
import { sessionOf } from '@/server/access/at-the-door';
import { queryOf } from '@/server/http/catalogue';
import { answering, checked, json, readBody } from '@/server/http/respond';
import { findPractised } from '@/server/repositories/practice-repository';
import { takePractised } from '@/server/services/practice-service';
import { database } from '@/server/start';

export const GET = (request: Request): Promise<Response> =>
  answering(async () => {
    const { who } = checked(practisedQuery, queryOf(request));
    return json({ practised: await findPractised(await database(), who) });
  });

export const POST = (request: Request): Promise<Response> =>
  answering(async () => {
    const { practised } = await readBody(request, practisedBatch);
    return json(await takePractised(await database(), practised, (await sessionOf(request))?.who));
  });
