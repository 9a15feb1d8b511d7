import { mayChangeCrib } from '@/server/access/at-the-door';
import { answering } from '@/server/http/respond';
import { forgetName } from '@/server/services/practice-service';
import { database } from '@/server/start';

interface At {
  params: Promise<{ name: string }>;
}

export const DELETE = (request: Request, { params }: At): Promise<Response> =>
  answering(async () => {
    const db = await database();
    await mayChangeCrib(db, request);
    await forgetName(db, decodeURIComponent((await params).name));
    return new Response(null, { status: 204 });
  });
