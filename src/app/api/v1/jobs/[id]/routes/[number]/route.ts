import { database } from '@/server/start';
import { answering, json } from '@/server/http/respond';
import { issuedRoute } from '@/server/services/route-service';

export const GET = (_: Request, { params }: { params: Promise<{ id: string; number: string }> }): Promise<Response> =>
  answering(async () => {
    const { id, number } = await params;
    return json(await issuedRoute(await database(), id, number));
  });
