import { answering, json } from '@/server/http/respond';
import { toolsPageOf } from '@/server/services/learned-view';
import { database } from '@/server/start';

export const GET = (): Promise<Response> => answering(async () => json(await toolsPageOf(await database())));
