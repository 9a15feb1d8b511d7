import { mayChangeCrib } from '@/server/access/at-the-door';
import { database } from '@/server/start';
import { answering, json } from '@/server/http/respond';
import { takeSampleOut } from '@/server/demo/sample-out';

export const DELETE = (request: Request): Promise<Response> =>
  answering(async () => {
    await mayChangeCrib(await database(), request);
    return json(await takeSampleOut(await database()));
  });
