import { inUseChange, versionField } from '@/contracts/crib';
import { mayChangeCrib } from '@/server/access/at-the-door';
import { database } from '@/server/start';
import { answering, checked, readBody } from '@/server/http/respond';
import { changeInUse, changeItem, changeSchema, cribKind, takeOut } from '@/server/services/crib-service';

interface Context {
  params: Promise<{ kind: string; id: string }>;
}
const done = (): Response => new Response(null, { status: 204 });

export const PATCH = (request: Request, { params }: Context): Promise<Response> =>
  answering(async () => {
    await mayChangeCrib(await database(), request);
    const { kind, id } = await params;
    await changeInUse(await database(), kind, id, await readBody(request, inUseChange));
    return done();
  });

export const PUT = (request: Request, { params }: Context): Promise<Response> =>
  answering(async () => {
    await mayChangeCrib(await database(), request);
    const { kind, id } = await params;
    const known = cribKind(kind);
    const change = await readBody(request, changeSchema(known));
    await changeItem(await database(), known, { ...change, id } as never);
    return done();
  });

export const DELETE = (request: Request, { params }: Context): Promise<Response> =>
  answering(async () => {
    await mayChangeCrib(await database(), request);
    const { kind, id } = await params;
    const { version } = checked(versionField, {
      version: Number(new URL(request.url).searchParams.get('version') ?? NaN),
    });
    await takeOut(await database(), cribKind(kind), id, version);
    return done();
  });
