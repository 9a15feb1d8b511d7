import { queryOf, threadList, threadQuery } from '@/server/http/catalogue';
import { answering, checked, json } from '@/server/http/respond';

export const GET = (request: Request): Promise<Response> =>
  answering(async () => json({ threads: threadList(checked(threadQuery, queryOf(request))) }));
