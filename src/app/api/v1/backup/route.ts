import { copyNow, copiesNow } from '@/server/services/backup-service';
import { answering, json } from '@/server/http/respond';

export const GET = (): Promise<Response> => answering(async () => json({ copies: copiesNow() }));

export const POST = (): Promise<Response> =>
  answering(async () => {
    await copyNow();
    return json({ copies: copiesNow() }, 201);
  });
