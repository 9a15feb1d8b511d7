import { mayChangeCrib } from '@/server/access/at-the-door';
import { answering } from '@/server/http/respond';
import { forgetName } from '@/server/services/practice-service';
import { database } from '@/server/start';

interface At {
  params: Promise<{ name: string }>;
}

/** A name as it was typed, whether its address was read already or not. */
function decoded(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}

export const DELETE = (request: Request, { params }: At): Promise<Response> =>
  answering(async () => {
    const db = await database();
    await mayChangeCrib(db, request);
    await forgetName(db, decoded((await params).name));
    return new Response(null, { status: 204 });
  });
