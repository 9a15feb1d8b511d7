import { database } from '@/server/start';
import { answering, json } from '@/server/http/respond';
import { restoreJob } from '@/server/services/job-service';

export const POST = (_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
  answering(async () => json(await restoreJob(await database(), (await params).id)));
