import { answering } from '@/server/http/respond';
import { wayStateOf } from '@/server/services/way-service';
import { database } from '@/server/start';

export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
  answering(async () => Response.json(await wayStateOf(await database(), (await params).id)));
