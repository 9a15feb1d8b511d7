import { logQuery } from '@/contracts/log';
import { queryOf } from '@/server/http/catalogue';
import { answering, checked } from '@/server/http/respond';
import { wholeLog } from '@/server/services/log-service';
import { database } from '@/server/start';

export const GET = (request: Request): Promise<Response> =>
  answering(async () => {
    const entries = await wholeLog(await database(), checked(logQuery, queryOf(request)));
    return new Response(JSON.stringify({ entries }), {
      headers: {
        'content-type': 'application/json',
        'content-disposition': 'attachment; filename="log.json"',
        'cache-control': 'no-store',
      },
    });
  });
