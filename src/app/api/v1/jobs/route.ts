import { jobInput } from '@/contracts/job';
import { database } from '@/server/start';
import { answering, JOB_BODY, json, readBody } from '@/server/http/respond';
import { listJobs } from '@/server/repositories/job-repository';
import { createJob } from '@/server/services/job-service';

export const GET = (): Promise<Response> => answering(async () => json({ jobs: await listJobs(await database()) }));

export const POST = (request: Request): Promise<Response> =>
  answering(async () => json(await createJob(await database(), await readBody(request, jobInput, JOB_BODY)), 201));
