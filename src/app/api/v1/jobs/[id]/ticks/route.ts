import { tickInput } from '@/contracts/punch';
import { database } from '@/server/start';
import { answering, json, readBody } from '@/server/http/respond';
import { listTicks, setTick } from '@/server/repositories/punch-repository';
import { existingJob } from '@/server/services/job-service';

interface Context {
  params: Promise<{ id: string }>;
}

export const GET = (_: Request, { params }: Context): Promise<Response> =>
  answering(async () => {
    const db = await database();
    const { id } = await existingJob(db, (await params).id);
    return json({ ticks: await listTicks(db, id) });
  });

export const PUT = (request: Request, { params }: Context): Promise<Response> =>
  answering(async () => {
    const db = await database();
    const { id } = await existingJob(db, (await params).id);
    const { line, ticked } = await readBody(request, tickInput);
    await setTick(db, id, line, ticked);
    return json({ ticks: await listTicks(db, id) });
  });
