import { assignment } from '@/contracts/practice';
import { mayChangeCrib } from '@/server/access/at-the-door';
import { answering, json, readBody } from '@/server/http/respond';
import { listAssignments } from '@/server/repositories/practice-repository';
import { setAssignment } from '@/server/services/practice-service';
import { database } from '@/server/start';

export const GET = (): Promise<Response> =>
  answering(async () => json({ assignments: await listAssignments(await database()) }));

export const PUT = (request: Request): Promise<Response> =>
  answering(async () => {
    const db = await database();
    await mayChangeCrib(db, request);
    await setAssignment(db, await readBody(request, assignment));
    return new Response(null, { status: 204 });
  });
