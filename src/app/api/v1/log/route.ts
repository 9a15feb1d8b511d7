import { logQuery } from '@/contracts/log';
import { queryOf } from '@/server/http/catalogue';
import { answering, checked, json } from '@/server/http/respond';
import { logPageOf } from '@/server/services/log-service';
import { database } from '@/server/start';

export const GET = (request: Request): Promise<Response> =>
  answering(async () => json(await logPageOf(await database(), checked(logQuery, queryOf(request)))));
