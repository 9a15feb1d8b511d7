import { writePracticeCsv } from '@/core/formats/practice-csv';
import { answering } from '@/server/http/respond';
import { findPractised } from '@/server/repositories/practice-repository';
import { csvResponse } from '@/server/services/sheet-pdf';
import { database } from '@/server/start';

export const GET = (): Promise<Response> =>
  answering(async () => csvResponse(writePracticeCsv(await findPractised(await database())), 'practice'));
