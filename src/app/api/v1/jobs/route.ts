import { jobInput, jobQuery } from '@/contracts/job';
import { database } from '@/server/start';
import { queryOf } from '@/server/http/catalogue';
import { answering, checked, JOB_BODY, json, readBody } from '@/server/http/respond';
import { createJob, jobsPage } from '@/server/services/job-service';
import { shopNow } from '@/server/services/shop-service';

export const GET = (request: Request): Promise<Response> =>
  answering(async () => {
    const query = checked(jobQuery, queryOf(request));
    const db = await database();
    return json(await jobsPage(db, (await shopNow(db)).materials, query));
  });

export const POST = (request: Request): Promise<Response> =>
  answering(async () => json(await createJob(await database(), await readBody(request, jobInput, JOB_BODY)), 201));
