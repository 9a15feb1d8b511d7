import { jobChange } from '@/contracts/job';
import { database } from '@/server/start';
import { answering, JOB_BODY, json, readBody } from '@/server/http/respond';
import { changeJob, deleteJob, existingJob } from '@/server/services/job-service';
import { Refusal } from '@/server/services/refusal';

interface Context {
  params: Promise<{ id: string }>;
}

export const GET = (_: Request, { params }: Context): Promise<Response> =>
  answering(async () => json(await existingJob(await database(), (await params).id)));

export const PUT = (request: Request, { params }: Context): Promise<Response> =>
  answering(async () => {
    const change = await readBody(request, jobChange, JOB_BODY);
    if (change.id !== (await params).id)
      throw new Refusal(422, 'Two ids', 'The id in the body is not the one in the address.', [
        { field: 'id', code: 'id-differs', detail: 'The ids differ.', remedy: 'Send the id of the address.' },
      ]);
    return json(await changeJob(await database(), change));
  });

export const DELETE = (_: Request, { params }: Context): Promise<Response> =>
  answering(async () => {
    await deleteJob(await database(), (await params).id);
    return new Response(null, { status: 204 });
  });
