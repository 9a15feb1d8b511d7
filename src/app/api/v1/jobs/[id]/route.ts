import { jobReplacement } from '@/contracts/job';
import { jobPatch } from '@/contracts/job-change';
import { withDataMark } from '@/server/http/data-mark';
import { database } from '@/server/start';
import { answering, JOB_BODY, json, readBody } from '@/server/http/respond';
import { patchJob } from '@/server/services/change-job';
import { deleteJob, existingHead, existingJob, replaceJob } from '@/server/services/job-service';
import { Refusal } from '@/server/refusal';

interface Context {
  params: Promise<{ id: string }>;
}

/** A reader that names the version it has gets 304 while that is the newest. */
export const GET = (request: Request, { params }: Context): Promise<Response> =>
  answering(async () => {
    const db = await database();
    const { id, version } = await existingHead(db, (await params).id);
    const tag = `"${version}"`;
    if (request.headers.get('if-none-match') === tag)
      return withDataMark(db, new Response(null, { status: 304, headers: { etag: tag } }));
    const job = await existingJob(db, id);
    const response = json(job);
    response.headers.set('etag', `"${job.version}"`);
    return withDataMark(db, response);
  });

export const PATCH = (request: Request, { params }: Context): Promise<Response> =>
  answering(async () => {
    const patch = await readBody(request, jobPatch, JOB_BODY);
    return json(await patchJob(await database(), (await params).id, patch));
  });

export const PUT = (request: Request, { params }: Context): Promise<Response> =>
  answering(async () => {
    const change = await readBody(request, jobReplacement, JOB_BODY);
    if (change.id !== (await params).id)
      throw new Refusal(422, 'Two ids', 'The id in the body is not the one in the address.', [
        { field: 'id', code: 'id-differs', detail: 'The ids differ.', remedy: 'Send the id of the address.' },
      ]);
    return json(await replaceJob(await database(), change));
  });

export const DELETE = (_: Request, { params }: Context): Promise<Response> =>
  answering(async () => {
    await deleteJob(await database(), (await params).id);
    return new Response(null, { status: 204 });
  });
