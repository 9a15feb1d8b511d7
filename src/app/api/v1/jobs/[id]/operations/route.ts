import { operationsQuery } from '@/contracts/operations';
import { database } from '@/server/start';
import { queryOf } from '@/server/http/catalogue';
import { answering, checked, JSON_TYPE } from '@/server/http/respond';
import { inSlices } from '@/server/in-slices';
import { existingJob } from '@/server/services/job-service';
import { operationsOf } from '@/server/services/operations-service';
import { shopNow } from '@/server/services/shop-service';

export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
  answering(async () => {
    const { units } = checked(operationsQuery, queryOf(request));
    const db = await database();
    const job = await existingJob(db, (await params).id);
    const shop = await shopNow(db);
    // Written feature by feature, as a large job is megabytes.
    const features = await inSlices(operationsOf(job, shop, units ?? job.units ?? shop.units), (f) =>
      JSON.stringify(f),
    );
    return new Response(`{"features":[${features.join(',')}]}`, { headers: JSON_TYPE });
  });
