import { copyNow, copiesNow } from '@/server/services/backup-service';
import { openClient } from '@/server/start';
import { answering, json } from '@/server/http/respond';

export const GET = (): Promise<Response> => answering(async () => json({ copies: copiesNow() }));

export const POST = (): Promise<Response> =>
  answering(async () => {
    await copyNow(await openClient());
    return json({ copies: copiesNow() }, 201);
  });
