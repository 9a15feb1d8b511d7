import { unitsHere } from '@/app/units-here';
import { logQuery } from '@/contracts/log';
import { LOG_CSV_HEAD, logCsvRows } from '@/core/formats/log-csv';
import { logRow } from '@/features/log/log-row';
import { queryOf } from '@/server/http/catalogue';
import { answering, checked } from '@/server/http/respond';
import { wholeLog } from '@/server/services/log-service';
import { csvResponse } from '@/server/services/sheet-pdf';
import { database } from '@/server/start';

export const GET = (request: Request): Promise<Response> =>
  answering(async () => {
    const { count, slices } = await wholeLog(await database(), checked(logQuery, queryOf(request)));
    const units = await unitsHere();
    async function* table(): AsyncGenerator<string> {
      yield LOG_CSV_HEAD;
      for await (const entries of slices) yield logCsvRows(entries.map(logRow), units);
    }
    return csvResponse(table(), `log, ${count} records`);
  });
