import { punchMarkInput } from '@/contracts/punch';
import { database } from '@/server/start';
import { answering, json, readBody } from '@/server/http/respond';
import { appendPunchMark, listPunchMarks } from '@/server/repositories/punch-repository';
import { existingJob } from '@/server/services/job-service';

interface Context {
  params: Promise<{ id: string }>;
}

export const GET = (_: Request, { params }: Context): Promise<Response> =>
  answering(async () => {
    const db = await database();
    const { id } = await existingJob(db, (await params).id);
    return json({ marks: await listPunchMarks(db, id) });
  });

export const POST = (request: Request, { params }: Context): Promise<Response> =>
  answering(async () => {
    const db = await database();
    const { id } = await existingJob(db, (await params).id);
    await appendPunchMark(db, id, await readBody(request, punchMarkInput));
    return json({ marks: await listPunchMarks(db, id) }, 201);
  });
