import { rehearsalRequest } from '@/contracts/rehearsal';
import { answering, json, readBody } from '@/server/http/respond';
import { rehearsalOf } from '@/server/services/rehearsal-service';
import { database } from '@/server/start';

interface At {
  params: Promise<{ id: string }>;
}

export const POST = (request: Request, { params }: At): Promise<Response> =>
  answering(async () => {
    const body = await readBody(request, rehearsalRequest);
    return json(await rehearsalOf(await database(), (await params).id, body, request.signal));
  });
