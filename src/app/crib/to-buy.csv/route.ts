import { writeToBuyCsv } from '@/core/formats/to-buy-csv';
import { unitsHere } from '@/app/units-here';
import { answering } from '@/server/http/respond';
import { csvResponse } from '@/server/services/sheet-pdf';
import { toBuyForAll } from '@/server/services/to-buy-service';
import { database } from '@/server/start';

export const GET = (): Promise<Response> =>
  answering(async () => {
    const { list } = await toBuyForAll(await database());
    return csvResponse(writeToBuyCsv(list, await unitsHere()), 'to-buy');
  });
