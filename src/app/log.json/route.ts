import { logQuery } from '@/contracts/log';
import { queryOf } from '@/server/http/catalogue';
import { answering, checked } from '@/server/http/respond';
import { wholeLog } from '@/server/services/log-service';
import { streamOf } from '@/server/sheets/stream-of';
import { database } from '@/server/start';

export const GET = (request: Request): Promise<Response> =>
  answering(async () => {
    const { count, slices } = await wholeLog(await database(), checked(logQuery, queryOf(request)));
    async function* document(): AsyncGenerator<string> {
      yield `{"count":${count},"entries":[`;
      let comma = '';
      for await (const entries of slices) {
        yield comma + entries.map((entry) => JSON.stringify(entry)).join();
        comma = ',';
      }
      yield ']}';
    }
    return new Response(streamOf(document()), {
      headers: {
        'content-type': 'application/json',
        'content-disposition': `attachment; filename="log, ${count} records.json"`,
        'cache-control': 'no-store',
      },
    });
  });
