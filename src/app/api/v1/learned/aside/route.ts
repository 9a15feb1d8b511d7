import { asideChange } from '@/contracts/learned';
import { mayChangeCrib } from '@/server/access/at-the-door';
import { answering, readBody } from '@/server/http/respond';
import { changeAside } from '@/server/services/learned-service';
import { database } from '@/server/start';

export const PUT = (request: Request): Promise<Response> =>
  answering(async () => {
    const db = await database();
    await mayChangeCrib(db, request);
    await changeAside(db, await readBody(request, asideChange));
    return new Response(null, { status: 204 });
  });
