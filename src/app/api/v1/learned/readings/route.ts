import { readingsQuery } from '@/contracts/learned';
import { queryOf } from '@/server/http/catalogue';
import { answering, checked, json } from '@/server/http/respond';
import { readingsPageOf } from '@/server/services/learned-view';
import { database } from '@/server/start';

export const GET = (request: Request): Promise<Response> =>
  answering(async () => {
    const { figure, level } = checked(readingsQuery, queryOf(request));
    return json(await readingsPageOf(await database(), figure, level));
  });
