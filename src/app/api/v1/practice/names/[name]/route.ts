import { mayChangeCrib } from '@/server/access/at-the-door';
import { name } from '@/contracts/practice';
import { answering, checked } from '@/server/http/respond';
import { forgetName } from '@/server/services/practice-service';
import { database } from '@/server/start';

/** A name as it was typed: the address is read once, so that one like a%2Fb stays whole. */
const nameIn = (address: string): string => decodeURIComponent(new URL(address).pathname.split('/').at(-1) ?? '');

export const DELETE = (request: Request): Promise<Response> =>
  answering(async () => {
    const db = await database();
    await mayChangeCrib(db, request);
    await forgetName(db, checked(name, nameIn(request.url)));
    return new Response(null, { status: 204 });
  });
