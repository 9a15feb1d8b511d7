import { mayChangeCrib } from '@/server/access/at-the-door';
import { answering } from '@/server/http/respond';
import { dropAssignment } from '@/server/services/practice-service';
import { database } from '@/server/start';

interface At {
  params: Promise<{ id: string }>;
}

export const DELETE = (request: Request, { params }: At): Promise<Response> =>
  answering(async () => {
    const db = await database();
    await mayChangeCrib(db, request);
    await dropAssignment(db, (await params).id);
    return new Response(null, { status: 204 });
  });
