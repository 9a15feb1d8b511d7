import { unitsHere } from '@/app/units-here';
import { logQuery } from '@/contracts/log';
import { writeLogCsv } from '@/core/formats/log-csv';
import { logRow } from '@/features/log/log-row';
import { queryOf } from '@/server/http/catalogue';
import { answering, checked } from '@/server/http/respond';
import { wholeLog } from '@/server/services/log-service';
import { csvResponse } from '@/server/services/sheet-pdf';
import { database } from '@/server/start';

export const GET = (request: Request): Promise<Response> =>
  answering(async () => {
    const entries = await wholeLog(await database(), checked(logQuery, queryOf(request)));
    return csvResponse(writeLogCsv(entries.map(logRow), await unitsHere()), 'log');
  });
