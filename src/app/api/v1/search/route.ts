import { searchQuery } from '@/contracts/search';
import { database } from '@/server/start';
import { queryOf } from '@/server/http/catalogue';
import { answering, checked, json } from '@/server/http/respond';
import { search } from '@/server/services/search-service';

export const GET = (request: Request): Promise<Response> =>
  answering(async () => {
    const { q, units } = checked(searchQuery, queryOf(request));
    return json({ found: await search(await database(), q, units) });
  });
