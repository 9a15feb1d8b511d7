import { CRIB_INPUT } from '@/contracts/crib';
import { mayChangeCrib } from '@/server/access/at-the-door';
import { database } from '@/server/start';
import { answering, json, readBody } from '@/server/http/respond';
import { addItem, cribKind } from '@/server/services/crib-service';

export const POST = (request: Request, { params }: { params: Promise<{ kind: string }> }): Promise<Response> =>
  answering(async () => {
    await mayChangeCrib(await database(), request);
    const kind = cribKind((await params).kind);
    const item = await readBody(request, CRIB_INPUT[kind]);
    await addItem(await database(), kind, item);
    return json({ id: item.id, version: 1 }, 201);
  });
