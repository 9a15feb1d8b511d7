import { asideChange } from '@/contracts/learned';
import { mayChangeCrib, sessionOf } from '@/server/access/at-the-door';

import { answering, readBody } from '@/server/http/respond';
import { changeAside } from '@/server/services/learned-service';
import { database } from '@/server/start';

export const PUT = (request: Request): Promise<Response> =>
  answering(async () => {
    const db = await database();
    await mayChangeCrib(db, request);
    const change = await readBody(request, asideChange);
    await changeAside(db, { ...change, who: (await sessionOf(request))?.who });
    return new Response(null, { status: 204 });
  });
