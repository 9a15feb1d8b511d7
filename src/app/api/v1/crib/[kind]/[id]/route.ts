import { inUseChange } from '@/contracts/crib';
import { database } from '@/server/database';
import { answering, readBody } from '@/server/http/respond';
import { changeInUse } from '@/server/services/crib-service';

export const PATCH = (
  request: Request,
  { params }: { params: Promise<{ kind: string; id: string }> },
): Promise<Response> =>
  answering(async () => {
    const { kind, id } = await params;
    await changeInUse(await database(), kind, id, await readBody(request, inUseChange));
    return new Response(null, { status: 204 });
  });
