import { operationsQuery } from '@/contracts/operations';
import { database } from '@/server/start';
import { queryOf } from '@/server/http/catalogue';
import { answering, checked, json } from '@/server/http/respond';
import { existingJob } from '@/server/services/job-service';
import { operationsOf } from '@/server/services/operations-service';
import { shopNow } from '@/server/services/shop-service';

export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
  answering(async () => {
    const { units } = checked(operationsQuery, queryOf(request));
    const db = await database();
    const job = await existingJob(db, (await params).id);
    const shop = await shopNow(db);
    return json(operationsOf(job, shop, units ?? shop.units));
  });
